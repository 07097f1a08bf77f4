package loesscape.core.model;

/** What the answers to a field are, whatever kind of field it is. */
public enum AnswerType {
    TEXT,
    NUMBER,
    YES_NO,
    /** One choice, of the field's own or of a lookup list. */
    CHOICE,
    /** Any number of choices. */
    CHOICES,
    DAY,
    TIME,
    /** What somebody signs with. */
    SIGNATURE,
    FILES,
    /** An amount that was paid. */
    PAYMENT
}
