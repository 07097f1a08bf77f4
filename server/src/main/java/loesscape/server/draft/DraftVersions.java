package loesscape.server.draft;

import java.util.Optional;
import java.util.UUID;
import loesscape.server.platform.Recent;
import loesscape.server.templates.TemplateStore;
import loesscape.server.templates.TemplateStore.Version;
import loesscape.server.templates.TemplateStore.WorkingCopy;
import org.springframework.stereotype.Service;

/** The drafts as they are now, read and prepared once for each version; those looked at last are remembered. */
@Service
class DraftVersions {

    private final TemplateStore templates;
    private final Recent<UUID, Current> models = new Recent<>(32);

    DraftVersions(TemplateStore templates) {
        this.templates = templates;
    }

    /** A version of a draft, prepared. */
    record Current(Version version, DraftModel model) {}

    /** The last version; the document is read only where it is not the one remembered. */
    Current current(UUID id) {
        Version version = templates.version(id).orElseThrow(TemplateStore::missing);
        Current known = models.get(id);
        return known != null && known.version().equals(version) ? known : of(find(templates.find(id)));
    }

    /** The last version, kept from change by others; the document is read only where it is not the one remembered. */
    WorkingCopy locked(UUID id) {
        Version version = templates.lockVersion(id).orElseThrow(TemplateStore::missing);
        Current known = models.get(id);
        return known != null && known.version().equals(version)
                ? new WorkingCopy(id, known.model().template(), version.revision(), version.changed())
                : find(templates.find(id));
    }

    /** A version of which the whole is known. */
    Current of(WorkingCopy copy) {
        Current known = models.get(copy.id());
        if (known != null && known.version().equals(copy.version())) {
            return known;
        }
        return remembered(
                copy,
                known == null ? new DraftModel(copy.template()) : known.model().next(copy.template()));
    }

    /** Remembers a version that was prepared elsewhere. */
    Current remembered(WorkingCopy copy, DraftModel model) {
        Current now = new Current(copy.version(), model);
        models.put(copy.id(), now);
        return now;
    }

    static WorkingCopy find(Optional<WorkingCopy> copy) {
        return copy.orElseThrow(TemplateStore::missing);
    }
}
