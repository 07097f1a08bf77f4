package loesscape.core.model;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What kind of answer a field takes, with the limits of that kind. Limits that are null do not apply. */
public sealed interface FieldKind {

    /**
     * One line of text.
     *
     * @param placeholder shown in grey while nothing is typed; may be empty
     * @param longest the most characters (Unicode code points) accepted; 0 for no limit
     */
    record Text(
            @MayBeLeftOut String placeholder, @MayBeLeftOut int longest) implements FieldKind {}

    /**
     * Several lines of text.
     *
     * @param placeholder shown in grey while nothing is typed; may be empty
     * @param longest the most characters (Unicode code points) accepted; 0 for no limit
     */
    record LongText(
            @MayBeLeftOut String placeholder, @MayBeLeftOut int longest) implements FieldKind {}

    /** An e-mail address. */
    record Email() implements FieldKind {}

    /**
     * A telephone number.
     *
     * @param region the country, by its two letters of ISO 3166-1, whose numbers need no country code; empty where every
     *     number begins with + and the country code
     */
    record Phone(@MayBeLeftOut String region) implements FieldKind {}

    /** The address of a page on the web, beginning with http:// or https://. */
    record WebAddress() implements FieldKind {}

    /**
     * A decimal number.
     *
     * @param decimals the most digits accepted after the decimal sign, 0 to 10
     * @param unit written after the label, such as {@code m} or {@code ha}; may be empty
     * @param lower the lower limit, or null
     * @param upper the upper limit, or null
     */
    record Number(
            @MayBeLeftOut int decimals,
            @MayBeLeftOut String unit,
            @Nullable Bound lower,
            @Nullable Bound upper) implements FieldKind {}

    /**
     * An amount of money.
     *
     * @param currency the ISO 4217 code, such as {@code EUR}; it decides how many decimals are accepted
     * @param lower the lower limit, or null
     * @param upper the upper limit, or null
     */
    record Money(
            String currency,
            @Nullable Bound lower,
            @Nullable Bound upper) implements FieldKind {}

    /** Yes or no. In conditions its two choices go by the identities {@value #YES} and {@value #NO}. */
    record YesNo() implements FieldKind {

        /** The identity of "yes" in conditions and answers. */
        public static final String YES = "yes";

        /** The identity of "no" in conditions and answers. */
        public static final String NO = "no";
    }

    /**
     * One of several choices.
     *
     * @param choices what is offered, in order
     * @param layout how the choices are laid out
     */
    record OneChoice(List<Choice> choices, @MayBeLeftOut ChoiceLayout layout) implements FieldKind {

        public OneChoice {
            choices = List.copyOf(choices);
        }
    }

    /**
     * A date.
     *
     * @param earliest the first day accepted, or null
     * @param latest the last day accepted, or null
     */
    record Date(@Nullable LocalDate earliest, @Nullable LocalDate latest) implements FieldKind {}

    /** How the choices of a field are laid out. */
    enum ChoiceLayout {
        /** Round marks beside each other or one under the other. */
        MARKS,
        /** A list that opens. */
        LIST
    }

    /** The choices a condition can name for this kind, in order; empty for kinds without choices. */
    default List<Choice> offered() {
        return switch (this) {
            case OneChoice one -> one.choices();
            case YesNo() -> List.of(new Choice(YesNo.YES, "Yes"), new Choice(YesNo.NO, "No"));
            default -> List.of();
        };
    }

    /** Tells whether answers of this kind are texts. */
    default boolean isText() {
        return this instanceof Text
                || this instanceof LongText
                || this instanceof Email
                || this instanceof Phone
                || this instanceof WebAddress;
    }

    /** Tells whether answers of this kind are numbers, which bands can divide. */
    default boolean isNumeric() {
        return this instanceof Number || this instanceof Money;
    }
}
