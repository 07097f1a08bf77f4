package loesscape.formats.answers;

/** A file that holds no answers that can be read; the message says why, in a sentence. */
public final class UnreadableAnswers extends RuntimeException {

    public UnreadableAnswers(String message) {
        super(message);
    }
}
