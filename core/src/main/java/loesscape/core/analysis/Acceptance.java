package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.model.AcceptedFinding;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.wording.Subject;

/** Which findings are meant, as their author said, and still about what they were about when it was said. */
public final class Acceptance {

    private record Found(String key, String message) {}

    private Acceptance() {}

    /** The same findings, those that are accepted with their reason. */
    public static List<Finding> marked(PreparedTemplate prepared, List<Finding> findings) {
        List<AcceptedFinding> all = prepared.template().accepted();
        if (all.isEmpty()) {
            return List.copyOf(findings);
        }
        Map<Found, AcceptedFinding> accepted = new HashMap<>();
        all.forEach(each -> accepted.put(new Found(each.key(), each.message()), each));
        Subject subject = new Subject(prepared);
        List<Finding> marked = new ArrayList<>();
        for (Finding finding : findings) {
            AcceptedFinding it = accepted.get(new Found(finding.key(), finding.message()));
            marked.add(
                    it != null && it.about().equals(subject.fingerprint(finding.key(), finding.message()))
                            ? finding.acceptedFor(it.reason())
                            : finding);
        }
        return marked;
    }
}
