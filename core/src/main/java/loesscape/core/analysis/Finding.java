package loesscape.core.analysis;

import java.util.List;
import loesscape.core.analysis.proof.Example;
import org.jspecify.annotations.Nullable;

/**
 * Something that its author probably did not mean.
 *
 * @param topic what it has to do with
 * @param key the node it is about; empty where it is the document as a whole
 * @param message what was noticed, and what to do about it
 * @param blocks whether a release needs a reason why it is made all the same
 * @param example answers for which it is so; null where it is so for all, or for none in particular
 * @param mends edits after which it is so no longer, where any is plain
 * @param accepted why it is meant as it is, in the words of its author; empty where it is not accepted
 */
public record Finding(
        FindingTopic topic,
        String key,
        String message,
        boolean blocks,
        @Nullable Example example,
        List<Mend> mends,
        String accepted) {

    public Finding {
        mends = List.copyOf(mends);
    }

    /** Something that is so for some answers, or for all where there is no example. */
    Finding(FindingTopic topic, String key, String message, @Nullable Example example, List<Mend> mends) {
        this(topic, key, message, false, example, mends, "");
    }

    /** Something that is so whatever is answered. */
    public Finding(FindingTopic topic, String key, String message, boolean blocks) {
        this(topic, key, message, blocks, null, List.of(), "");
    }

    /** Something that only its author need know. */
    public Finding(FindingTopic topic, String key, String message) {
        this(topic, key, message, false);
    }

    Finding acceptedFor(String reason) {
        return new Finding(topic, key, message, blocks, example, mends, reason);
    }

    /** Whether a release needs a reason of its own because of it. */
    public boolean holdsUp() {
        return blocks && accepted.isEmpty();
    }
}
