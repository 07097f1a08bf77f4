package loesscape.core.model;

/** Something that was asked and is not done. The message says why, and how to mend it. */
public class Refused extends RuntimeException {

    private final Cause cause;

    /** Why something is not done. */
    public enum Cause {
        /** What was asked is not right in itself, and would not be at another time. */
        NOT_VALID,
        /** It is closed to whoever asked, as things stand. */
        LOCKED,
        /** It is not the time for it: before something that has to come first, or after the end. */
        NOT_NOW,
        /** Somebody changed in the meantime what it was about. */
        CHANGED
    }

    public Refused(Cause cause, String message) {
        super(message);
        this.cause = cause;
    }

    /** Why it is not done. */
    public Cause why() {
        return cause;
    }
}
