package loesscape.core.model;

/**
 * Something that was found in a template, and that its author meant as it is. It is not told again until what it is about
 * changes.
 *
 * @param key the node it is about; empty where it is the document as a whole
 * @param message what was found, in the words in which it was told
 * @param about what the document said there when it was accepted, as a fingerprint: 64 hexadecimal digits
 * @param reason why it is meant; never blank
 */
public record AcceptedFinding(String key, String message, String about, String reason) {

    /** The most findings that are accepted in one template. */
    public static final int MOST = 1_000;
}
