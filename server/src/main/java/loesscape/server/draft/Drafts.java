package loesscape.server.draft;

import java.util.List;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Function;
import loesscape.core.editing.Change;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.model.Refused;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.server.draft.TryoutStore.Tryout;
import loesscape.server.templates.ReleaseStore;
import loesscape.server.templates.TemplateStore;
import loesscape.server.templates.TemplateStore.EditStanding;
import loesscape.server.templates.TemplateStore.Kind;
import loesscape.server.templates.TemplateStore.StoredEdit;
import loesscape.server.templates.TemplateStore.WorkingCopy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The Draft view's side of the server: opening, edits, undo and redo. */
@Service
public class Drafts {

    private final TemplateStore templates;
    private final TryoutStore tryouts;
    private final ReleaseStore releases;
    private final DraftVersions versions;
    private final DraftDifferences differences;

    Drafts(
            TemplateStore templates,
            TryoutStore tryouts,
            ReleaseStore releases,
            DraftVersions versions,
            DraftDifferences differences) {
        this.templates = templates;
        this.tryouts = tryouts;
        this.releases = releases;
        this.versions = versions;
        this.differences = differences;
    }

    @Transactional(readOnly = true)
    public Draft open(UUID id, long account) {
        WorkingCopy copy = DraftVersions.find(templates.find(id));
        DraftModel model = versions.of(copy).model();
        Tryout tryout = tryouts.find(id, account);
        DraftModel.Stand stand = model.stand(tryout.answers(), differences.context(tryout));
        return new Draft(
                copy.revision(),
                releases.list(id).stream()
                        .findFirst()
                        .map(ReleaseStore.ListedRelease::number)
                        .orElse(0),
                copy.changed(),
                templates.has(id, account, EditStanding.DONE),
                templates.has(id, account, EditStanding.UNDONE),
                copy.template().title(),
                copy.template().subtitle(),
                model.parts().held(),
                stand.nodes(),
                stand.inRows(),
                copy.template().conditions(),
                stand.unmet(),
                model.settings(),
                tryout.answers().typed(),
                tryout.stage(),
                tryout.role(),
                Vocabulary.all());
    }

    /** The number of edits kept. */
    @Transactional(readOnly = true)
    public int revision(UUID id) {
        return templates.version(id).orElseThrow(TemplateStore::missing).revision();
    }

    @Transactional
    public DraftChange edit(UUID id, int revision, Edit edit, long account) {
        return edit(id, revision, ignored -> edit, account);
    }

    /** An edit that is made of how the draft stands, where that is still what was looked at. */
    @Transactional
    DraftChange edit(UUID id, int revision, Function<DraftModel, Edit> made, long account) {
        WorkingCopy before = versions.locked(id);
        if (before.revision() != revision) {
            throw new Refused(
                    Refused.Cause.CHANGED,
                    "Changed elsewhere in the meantime: %s. The document is shown as it is now; make your edit again if it still fits."
                            .formatted(changedSince(id, revision)));
        }
        DraftModel model = versions.of(before).model();
        Edit edit = made.apply(model);
        Editing.Edited edited = Editing.apply(model.parts(), edit);
        Change change = Change.between(model.parts(), edited.parts());
        if (change.isEmpty()) {
            return differences.between(before, before, account);
        }
        templates.dropUndone(id, account);
        if (edit instanceof Edit.RenameKey rename) {
            Tryout tryout = tryouts.find(id, account);
            tryouts.keep(id, account, tryout.with(tryout.answers().renamed(rename.key(), rename.to())));
        }
        WorkingCopy after = templates.keep(before, edited.prepared().template(), change, Kind.EDIT, account);
        return differences.between(
                id, model, versions.remembered(after, model.next(edited.prepared(), edited.parts())), account);
    }

    /** Keeps how the document stands with the answers somebody tries out as a trial. */
    @Transactional
    public DraftChange record(UUID id, String name, long account) {
        WorkingCopy now = versions.locked(id);
        Tryout tryout = tryouts.find(id, account);
        Trial trial = versions.of(now).model().recorded(name, tryout.answers(), differences.context(tryout));
        return edit(id, now.revision(), new Edit.PutTrials(List.of(trial)), account);
    }

    /** Expects of a trial what comes of its answers now, at its stage, for its role and on its day. */
    @Transactional
    public DraftChange expect(UUID id, String name, long account) {
        WorkingCopy now = versions.locked(id);
        DraftModel model = versions.of(now).model();
        Trial trial = model.parts().rest().trials().get(name);
        if (trial == null) {
            throw new Refusal("There is no trial “%s” any more.".formatted(name));
        }
        return edit(
                id, now.revision(), new Edit.PutTrials(List.of(model.expecting(trial, differences.today()))), account);
    }

    private String changedSince(UUID id, int revision) {
        TreeSet<String> names = new TreeSet<>();
        for (Change change : templates.changesSince(id, revision)) {
            change.nodes().values().forEach(swap -> {
                var node = swap.is() == null ? swap.was() : swap.is();
                if (node != null) {
                    names.add("“%s”".formatted(node.name()));
                }
            });
        }
        return names.isEmpty() ? "the document" : String.join(", ", names);
    }

    @Transactional
    public DraftChange undo(UUID id, long account) {
        WorkingCopy before = versions.locked(id);
        StoredEdit edit = templates.lastDone(id, account).orElseThrow(() -> new Refusal("There is nothing to undo."));
        return step(before, edit, edit.change().reversed(), Kind.UNDO, account);
    }

    @Transactional
    public DraftChange redo(UUID id, long account) {
        WorkingCopy before = versions.locked(id);
        StoredEdit edit = templates.lastUndone(id, account).orElseThrow(() -> new Refusal("There is nothing to redo."));
        return step(before, edit, edit.change(), Kind.REDO, account);
    }

    private DraftChange step(WorkingCopy before, StoredEdit edit, Change change, Kind kind, long account) {
        Template after = change.applyTo(before.template());
        templates.mark(before.id(), edit.revision(), kind == Kind.UNDO ? EditStanding.UNDONE : EditStanding.DONE);
        return differences.between(before, templates.keep(before, after, change, kind, account), account);
    }
}
