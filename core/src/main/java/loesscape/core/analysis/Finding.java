package loesscape.core.analysis;

/**
 * Something that its author probably did not mean.
 *
 * @param key the node it is about; empty where it is the document as a whole
 * @param message what was noticed, and what to do about it
 * @param blocks whether a release needs a reason why it is made all the same
 */
public record Finding(String key, String message, boolean blocks) {

    /** Something that only its author need know. */
    public Finding(String key, String message) {
        this(key, message, false);
    }
}
