package loesscape.core.signing;

/** What a sender asks of a person, beside following the link, before the document opens. */
public enum IdentityCheck {
    /** Nothing more: whoever has the link is the person it was sent to. */
    LINK,
    /** A code that is sent to the person's e-mail address when the link is followed. */
    MAIL_CODE,
    /** A code that is sent to the person's telephone. */
    TEXT_CODE,
    /** A phrase that sender and person agreed beforehand. */
    PHRASE;

    /** Whether a code is sent. */
    public boolean isCode() {
        return switch (this) {
            case MAIL_CODE, TEXT_CODE -> true;
            case LINK, PHRASE -> false;
        };
    }

    /** Where its codes go, for a person; empty where none are sent. */
    public String destination(Person person) {
        return switch (this) {
            case MAIL_CODE -> person.address();
            case TEXT_CODE -> person.phone();
            case LINK, PHRASE -> "";
        };
    }
}
