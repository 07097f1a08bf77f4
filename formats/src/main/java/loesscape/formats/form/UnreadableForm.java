package loesscape.formats.form;

/** A file that cannot be read as a PDF with fields, in a sentence for whoever brought it. */
public final class UnreadableForm extends RuntimeException {

    private static final long serialVersionUID = 1;

    /** What has to be done about it. */
    public enum Reason {
        /** It opens with a password only. */
        PASSWORD,
        /** Nothing of it can be read. */
        BROKEN,
        /** It is more than is read. */
        TOO_MUCH,
        /** It has no fields of the kind that is read. */
        NO_FIELDS
    }

    private final Reason reason;

    UnreadableForm(Reason reason, String message) {
        super(message);
        this.reason = reason;
    }

    /** What has to be done about it. */
    public Reason reason() {
        return reason;
    }
}
