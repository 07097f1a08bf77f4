package loesscape.server.templates;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.FindingTopic;
import loesscape.core.analysis.Findings;
import loesscape.core.editing.Refusal;
import loesscape.core.model.FieldKind;
import loesscape.core.model.MayBeLeftOut;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Refused;
import loesscape.core.model.Template;
import loesscape.server.accounts.Author;
import loesscape.server.platform.doors.Facing;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.platform.web.Problems;
import org.jspecify.annotations.Nullable;
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
public class ReleasesApi {

    private static final int LONGEST_NOTES = 4_000;

    private final TemplateStore templates;
    private final ReleaseStore releases;
    private final Facing facing;

    public ReleasesApi(TemplateStore templates, ReleaseStore releases, Facing facing) {
        this.facing = facing;
        this.templates = templates;
        this.releases = releases;
    }

    /** A release in the list; {@code accepted} says why it was made although something was found, and may be empty. */
    public record ReleaseRow(
            int number, Instant released, String by, String notes, String accepted, int links, int records) {}

    /**
     * The releases of a template, the newest first, whether its working copy has changed since, and what was found in it
     * that needs a reason to be released all the same.
     */
    public record ReleaseList(
            String title, int revision, boolean changedSince, List<Finding> blocking, List<ReleaseRow> releases) {}

    /**
     * What to say about a new release; it is made of the revision its author has seen.
     *
     * @param accepted why it is made although something was found that blocks it; empty where nothing does
     */
    public record NewRelease(
            int revision, String notes, @MayBeLeftOut String accepted) {}

    /** A new link: its path, told once. */
    public record NewLink(int release, String path) {}

    @GetMapping
    ReleaseList list(@PathVariable UUID id) {
        TemplateStore.WorkingCopy copy = templates.find(id).orElseThrow(TemplateStore::missing);
        boolean changed = templates.isChangedSinceRelease(id);
        return new ReleaseList(
                copy.template().title(),
                copy.revision(),
                changed,
                blocking(copy.template()),
                releases.list(id).stream()
                        .map(row -> new ReleaseRow(
                                row.number(),
                                row.released(),
                                row.by(),
                                row.notes(),
                                row.accepted(),
                                row.links(),
                                row.records()))
                        .toList());
    }

    @PostMapping
    @Transactional
    @Told(SecurityEvent.LINK_MADE)
    public NewLink release(
            @PathVariable UUID id, @RequestBody NewRelease wanted, @AuthenticationPrincipal Author author) {
        TemplateStore.WorkingCopy copy = templates.lock(id).orElseThrow(TemplateStore::missing);
        if (copy.revision() != wanted.revision()) {
            throw new Refused(
                    Refused.Cause.CHANGED, "The document was changed in the meantime; look at it and release it then.");
        }
        String notes = wanted.notes().strip();
        String accepted = wanted.accepted().strip();
        if (Math.max(notes.length(), accepted.length()) > LONGEST_NOTES) {
            throw new Refusal("Notes and reasons have at most %d characters.".formatted(LONGEST_NOTES));
        }
        List<Finding> blocking = blocking(copy.template());
        if (!blocking.isEmpty() && accepted.isEmpty()) {
            throw new Refusal("Mend this first, or say why it is released all the same: "
                    + blocking.stream().map(Finding::message).collect(Collectors.joining(" ")));
        }
        int number = releases.add(copy, notes, blocking.isEmpty() ? "" : accepted, author.id());
        return new NewLink(number, "/fill/" + releases.addLink(id, number, ReleaseStore.LinkTimes.ALWAYS));
    }

    private List<Finding> blocking(Template template) {
        PreparedTemplate prepared = PreparedTemplate.of(template);
        List<Finding> unpaid = new ArrayList<>();
        if (!facing.simulatedPayments()) {
            template.fields().stream()
                    .filter(field -> field.kind() instanceof FieldKind.Payment)
                    .forEach(field -> unpaid.add(new Finding(
                            FindingTopic.SIGNING,
                            field.key(),
                            "“%s” asks for a payment, and this server has no payment desk: nobody can finish where it is asked."
                                    .formatted(field.name()),
                            true)));
        }
        return Stream.concat(Findings.of(prepared).stream(), unpaid.stream())
                .filter(Finding::holdsUp)
                .toList();
    }

    @PostMapping("/{number}/links")
    @Told(SecurityEvent.LINK_MADE)
    NewLink link(
            @PathVariable UUID id,
            @PathVariable int number,
            @RequestBody(required = false) ReleaseStore.@Nullable LinkTimes opening) {
        if (releases.find(id, number).isEmpty()) {
            throw new Problems.Missing("There is no such release.");
        }
        return new NewLink(
                number,
                "/fill/"
                        + releases.addLink(
                                id, number, checked(opening == null ? ReleaseStore.LinkTimes.ALWAYS : opening)));
    }

    public static ReleaseStore.LinkTimes checked(ReleaseStore.LinkTimes opening) {
        Instant opens = opening.opens();
        Instant closes = opening.closes();
        if (opens != null && closes != null && !opens.isBefore(closes)) {
            throw new Refusal("A link opens before it closes.");
        }
        return opening;
    }
}
