package loesscape.core.editing;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.AcceptedFinding;
import loesscape.core.model.Logic;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.wording.Subject;

/** What was found and is meant: how it is accepted, and what becomes of that where its place changes. */
final class Acceptances {

    private Acceptances() {}

    /** With a finding accepted, in place of all about the same node that no longer stand for anything. */
    static TemplateIndex accept(TemplateIndex parts, Edit.AcceptFinding edit) {
        if (!edit.key().isEmpty()) {
            parts.node(edit.key());
        }
        Subject subject = new Subject(PreparedTemplate.of(parts.template()));
        String about = subject.fingerprint(edit.key(), edit.message());
        List<AcceptedFinding> accepted = new ArrayList<>(parts.rest().accepted());
        accepted.removeIf(each -> each.key().equals(edit.key())
                && (each.message().equals(edit.message())
                        || !each.about().equals(subject.fingerprint(each.key(), each.message()))));
        String reason = edit.reason().strip();
        if (!reason.isEmpty()) {
            accepted.add(new AcceptedFinding(edit.key(), edit.message(), about, reason));
        }
        return parts.with(parts.rest().withAccepted(accepted));
    }

    /** With other keys in the places of old ones. */
    static List<AcceptedFinding> mapped(List<AcceptedFinding> accepted, Logic.Mapping mapping) {
        List<AcceptedFinding> mapped = new ArrayList<>();
        for (AcceptedFinding each : accepted) {
            String key = each.key().isEmpty() ? "" : mapping.field(each.key());
            if (key != null) {
                mapped.add(new AcceptedFinding(key, each.message(), each.about(), each.reason()));
            }
        }
        return mapped;
    }

    /**
     * After a key was renamed, which formulas are told by: what was accepted of what stood there is accepted of what stands
     * there now.
     */
    static TemplateIndex renamed(TemplateIndex before, TemplateIndex after, String key, String to) {
        List<AcceptedFinding> accepted = after.rest().accepted();
        if (accepted.isEmpty()) {
            return after;
        }
        Subject was = new Subject(PreparedTemplate.of(before.template()));
        Subject is = new Subject(PreparedTemplate.of(after.template()));
        List<AcceptedFinding> anew = new ArrayList<>();
        for (AcceptedFinding each : accepted) {
            String old = each.key().equals(to) ? key : each.key();
            boolean stands = each.about().equals(was.fingerprint(old, each.message()));
            anew.add(
                    stands
                            ? new AcceptedFinding(
                                    each.key(),
                                    each.message(),
                                    is.fingerprint(each.key(), each.message()),
                                    each.reason())
                            : each);
        }
        return after.with(after.rest().withAccepted(anew));
    }

    /** Without what is about nodes that are gone. */
    static TemplateIndex tidied(TemplateIndex parts) {
        List<AcceptedFinding> kept = parts.rest().accepted().stream()
                .filter(each -> each.key().isEmpty() || parts.nodes().containsKey(each.key()))
                .toList();
        return kept.size() == parts.rest().accepted().size()
                ? parts
                : parts.with(parts.rest().withAccepted(kept));
    }
}
