package loesscape.core.model;

/**
 * Words inside a text that stand there only sometimes: those that the text has in brackets behind this name.
 *
 * @param name unique in its text; spelt like a key, and that of no node
 * @param when when they stand there
 */
public record Phrase(String name, Condition when) {

    /** The most phrases that a text can have. */
    public static final int MOST = 50;
}
