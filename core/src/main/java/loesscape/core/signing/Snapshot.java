package loesscape.core.signing;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/**
 * What somebody gave, and what stood around it, when the turn of a role ended. It counts like this from then on, whatever
 * is answered later.
 *
 * @param formatVersion by which the stored form of it is read; 1
 * @param role the key of the role; empty where nobody in particular filled in the document
 * @param day on which the turn ended
 * @param answers what counted of the role's own answers, and the worked-out values that nothing can change any more, as
 *     they would be typed, by address
 * @param shown the addresses of what holds these answers and of what stood beside them, besides their own
 * @param files SHA-256, in hexadecimal, of the bytes of each file that is named in these answers, by its identity
 */
public record Snapshot(
        int formatVersion,
        String role,
        LocalDate day,
        Map<String, String> answers,
        List<String> shown,
        Map<String, String> files) {

    /** The form in which snapshots are stored now. */
    public static final int FORMAT = 1;

    public Snapshot {
        answers = Map.copyOf(answers);
        shown = List.copyOf(shown);
        files = Map.copyOf(files);
    }

    /** The same with the hashes of the files that its answers name. */
    public Snapshot withFiles(Map<String, String> digests) {
        return new Snapshot(formatVersion, role, day, answers, shown, digests);
    }
}
