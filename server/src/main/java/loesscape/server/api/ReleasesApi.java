package loesscape.server.api;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import loesscape.server.security.Author;
import loesscape.server.store.ReleaseStore;
import loesscape.server.store.TemplateStore;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Releases of a template and the links that lead to them. */
@RestController
@RequestMapping("/api/templates/{id}/releases")
class ReleasesApi {

    private static final int LONGEST_NOTES = 4_000;

    private final TemplateStore templates;
    private final ReleaseStore releases;

    ReleasesApi(TemplateStore templates, ReleaseStore releases) {
        this.templates = templates;
        this.releases = releases;
    }

    /** A release in the list. */
    public record ReleaseRow(int number, Instant released, String by, String notes, int links, int records) {}

    /** The releases of a template, the newest first, and whether its working copy has changed since. */
    public record ReleaseList(String title, int revision, boolean changedSince, List<ReleaseRow> releases) {}

    /** What to say about a new release; it is made of the revision its author has seen. */
    public record NewRelease(int revision, String notes) {}

    /** A new link: its path, told once. */
    public record NewLink(int release, String path) {}

    @GetMapping
    ReleaseList list(@PathVariable UUID id) {
        TemplateStore.WorkingCopy copy =
                templates.find(id).orElseThrow(() -> new Problems.Missing("There is no such template."));
        boolean changed = templates.list().stream()
                .anyMatch(row -> row.id().equals(id) && row.revision() != row.releasedRevision());
        return new ReleaseList(
                copy.template().title(),
                copy.revision(),
                changed,
                releases.list(id).stream()
                        .map(row -> new ReleaseRow(
                                row.number(), row.released(), row.by(), row.notes(), row.links(), row.records()))
                        .toList());
    }

    @PostMapping
    @Transactional
    public NewLink release(
            @PathVariable UUID id, @RequestBody NewRelease wanted, @AuthenticationPrincipal Author author) {
        TemplateStore.WorkingCopy copy =
                templates.lock(id).orElseThrow(() -> new Problems.Missing("There is no such template."));
        if (copy.revision() != wanted.revision()) {
            throw new Problems.Conflict("The document was changed in the meantime; look at it and release it then.");
        }
        String notes = wanted.notes().strip();
        if (notes.length() > LONGEST_NOTES) {
            throw new Problems.Conflict("The notes have more than %d characters.".formatted(LONGEST_NOTES));
        }
        int number = releases.add(copy, notes, author.id());
        return new NewLink(number, "/fill/" + releases.addLink(id, number));
    }

    @PostMapping("/{number}/links")
    NewLink link(@PathVariable UUID id, @PathVariable int number) {
        if (releases.find(id, number).isEmpty()) {
            throw new Problems.Missing("There is no such release.");
        }
        return new NewLink(number, "/fill/" + releases.addLink(id, number));
    }
}
