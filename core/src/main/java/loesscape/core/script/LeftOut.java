package loesscape.core.script;

/**
 * Something that a script does not do, so that it stands as if nothing were said of it.
 *
 * @param key of the page, section or item; empty for the document
 * @param sentence what is not done, and why
 */
public record LeftOut(String key, String sentence) {}
