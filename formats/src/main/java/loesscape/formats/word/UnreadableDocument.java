package loesscape.formats.word;

/** A file that cannot be read as a document of a word processor, in a sentence for whoever brought it. */
public final class UnreadableDocument extends RuntimeException {

    private static final long serialVersionUID = 1;

    UnreadableDocument(String message) {
        super(message);
    }
}
