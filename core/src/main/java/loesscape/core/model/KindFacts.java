package loesscape.core.model;

import java.util.List;
import java.util.Map;

/**
 * What there is to know of each kind of field, one line for each. A new kind does not compile before it has one
 * ({@link FieldKind#facts}), and from here it goes to the pages ({@code web/src/api/kinds.ts}). They stand in the order in
 * which kinds are offered.
 */
public enum KindFacts {
    TEXT("text", "Text", "one line", AnswerType.TEXT, "x"),
    LONG_TEXT("longText", "Long text", "several lines", AnswerType.TEXT, "x"),
    EMAIL("email", "E-mail address", "", AnswerType.TEXT, "name@example.com"),
    PHONE("phone", "Telephone number", "", AnswerType.TEXT, "+31 20 123 4567"),
    WEB_ADDRESS("webAddress", "Web address", "", AnswerType.TEXT, "https://www.example.com"),
    NUMBER("number", "Number", "decimals, unit, limits", AnswerType.NUMBER, "1"),
    MONEY("money", "Money", "an amount in a currency", AnswerType.NUMBER, "1"),
    YES_NO("yesNo", "Yes or no", "", AnswerType.YES_NO, FieldKind.YesNo.YES),
    ONE_CHOICE("oneChoice", "One choice", "marks or a list", AnswerType.CHOICE, "x"),
    SEVERAL_CHOICES("severalChoices", "Several choices", "any number of marks", AnswerType.CHOICES, "x"),
    RATING("rating", "Rating", "a mark from 1 up", AnswerType.NUMBER, "1"),
    DATE("date", "Date", "", AnswerType.DAY, "2026-01-01"),
    TIME("time", "Time", "of the day", AnswerType.TIME, "12:00"),
    ATTACHMENT("attachment", "Attachment", "files", AnswerType.FILES, "a1 1 file.pdf"),
    PICTURE("picture", "Picture to be handed in", "PNG or JPEG", AnswerType.FILES, "a1 1 picture.png"),
    SIGNATURE("signature", "Signature", "drawn or written", AnswerType.SIGNATURE, "x"),
    INITIALS("initials", "Initials", "", AnswerType.SIGNATURE, "x"),
    DATE_SIGNED("dateSigned", "Date signed", "put in by the server", AnswerType.DAY, "2026-01-01"),
    PAYMENT("payment", "Payment", "an amount to be paid", AnswerType.PAYMENT, "1"),
    LOOKUP("lookup", "Lookup", "from a list", AnswerType.CHOICE, "x");

    private final String key;
    private final String label;
    private final String hint;
    private final AnswerType answer;
    private final String example;

    KindFacts(String key, String label, String hint, AnswerType answer, String example) {
        this.key = key;
        this.label = label;
        this.hint = hint;
        this.answer = answer;
        this.example = example;
    }

    /** What the kind is called in JSON. */
    public String key() {
        return key;
    }

    /** What the kind is called in the pages. */
    public String label() {
        return label;
    }

    /** What to expect of it, in a few words; may be empty. */
    public String hint() {
        return hint;
    }

    /** What its answers are. */
    public AnswerType answer() {
        return answer;
    }

    /**
     * Some text that a field of this kind reads as an answer; where it has choices of its own, the first of these is one,
     * and this is none.
     */
    public String example() {
        return example;
    }

    /** What a new field of this kind is like, but for its choices, or the list it looks things up in. */
    public FieldKind starting() {
        return switch (this) {
            case TEXT -> new FieldKind.Text("", 0);
            case LONG_TEXT -> new FieldKind.LongText("", 0);
            case EMAIL -> new FieldKind.Email();
            case PHONE -> new FieldKind.Phone("");
            case WEB_ADDRESS -> new FieldKind.WebAddress();
            case NUMBER -> new FieldKind.Number(2, "", null, null);
            case MONEY -> new FieldKind.Money("EUR", null, null);
            case YES_NO -> new FieldKind.YesNo();
            case ONE_CHOICE -> FieldKind.OneChoice.of(List.of());
            case SEVERAL_CHOICES -> FieldKind.SeveralChoices.of(List.of());
            case RATING -> new FieldKind.Rating(5);
            case DATE -> new FieldKind.Date(null, null);
            case TIME -> new FieldKind.Time(null, null);
            case ATTACHMENT -> new FieldKind.Attachment(1, 10, List.of());
            case PICTURE -> new FieldKind.Picture(10);
            case SIGNATURE -> new FieldKind.Signature();
            case INITIALS -> new FieldKind.Initials();
            case DATE_SIGNED -> new FieldKind.DateSigned();
            case PAYMENT -> new FieldKind.Payment("EUR", "10");
            case LOOKUP -> new FieldKind.Lookup("", "", Map.of());
        };
    }

    /** Whether answers come from the server and are never typed. */
    public boolean isGiven() {
        return switch (this) {
            case DATE_SIGNED, PAYMENT -> true;
            case TEXT,
                    LONG_TEXT,
                    EMAIL,
                    PHONE,
                    WEB_ADDRESS,
                    NUMBER,
                    MONEY,
                    YES_NO,
                    ONE_CHOICE,
                    SEVERAL_CHOICES,
                    RATING -> false;
            case DATE, TIME, ATTACHMENT, PICTURE, SIGNATURE, INITIALS, LOOKUP -> false;
        };
    }

    /** Whether a field can begin with an answer: nobody signs, pays or hands in beforehand. */
    public boolean canBegin() {
        return !isGiven()
                && switch (answer) {
                    case TEXT, NUMBER, YES_NO, CHOICE, CHOICES, DAY, TIME -> true;
                    case SIGNATURE, FILES, PAYMENT -> false;
                };
    }

    /** Whether a formula can work the answer out: one that gives a single value, which is not looked up. */
    public boolean canBeWorkedOut() {
        return canBegin() && answer != AnswerType.CHOICES && this != LOOKUP;
    }
}
