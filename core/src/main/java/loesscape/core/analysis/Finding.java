package loesscape.core.analysis;

/**
 * Something that its author probably did not mean.
 *
 * @param key the node it is about; empty where it is the document as a whole
 * @param message what was noticed, and what to do about it
 */
public record Finding(String key, String message) {}
