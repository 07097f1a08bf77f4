package loesscape.core.model;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How an answer is written in a text, where not in the usual way of its kind. */
public enum AnswerFormat {
    SHORT("a day in figures, as 27/11/2026"),
    FULL("a day with its weekday"),
    MONTH("the month and year of a day"),
    YEAR("the year of a day"),
    FIGURE("the number without its unit or currency"),
    WORDS("the number in words, without its unit or currency"),
    LOWER("in small letters, as inside a sentence"),
    UPPER("in capital letters"),
    STORED("the stored value of the choice"),
    OR("joined by “or”");

    private final String words;

    AnswerFormat(String words) {
        this.words = words;
    }

    /** What it makes of an answer. */
    public String words() {
        return words;
    }

    /** What it is called in texts, behind the key and a colon. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether answers of a kind can be written so. */
    public boolean fits(FieldKind kind) {
        AnswerType type = kind.answer();
        return switch (this) {
            case SHORT, FULL, MONTH, YEAR -> type == AnswerType.DAY;
            case FIGURE, WORDS -> type == AnswerType.NUMBER || type == AnswerType.PAYMENT;
            case LOWER, UPPER -> type == AnswerType.TEXT || type == AnswerType.CHOICE || type == AnswerType.CHOICES;
            case STORED -> type == AnswerType.CHOICE || type == AnswerType.CHOICES;
            case OR -> type == AnswerType.CHOICES;
        };
    }

    /** The format of that name. */
    public static Optional<AnswerFormat> of(String key) {
        return Arrays.stream(values())
                .filter(format -> format.key().equals(key))
                .findFirst();
    }
}
