package loesscape.core.signing;

/** Something cannot be done as a dispatch stands. The message says why, and what can be done. */
public final class NotNow extends RuntimeException {

    public NotNow(String message) {
        super(message);
    }
}
