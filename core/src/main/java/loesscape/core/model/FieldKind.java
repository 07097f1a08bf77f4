package loesscape.core.model;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** What kind of answer a field takes, with the limits of that kind. Limits that are null do not apply. */
public sealed interface FieldKind {

    /** A kind that refers to nothing else in its template. */
    sealed interface SelfContained extends FieldKind
            permits Textual, Numeric, YesNo, Date, Time, DateSigned, Signature, Initials, Attachment, Picture {}

    /** A kind whose answers are texts. */
    sealed interface Textual extends SelfContained permits Text, LongText, Email, Phone, WebAddress {}

    /** A kind whose answers are numbers. */
    sealed interface Numeric extends SelfContained permits Number, Money, Rating {

        /** The lower limit; null for none. */
        @Nullable
        Bound lower();

        /** The upper limit; null for none. */
        @Nullable
        Bound upper();

        /** The same kind within other limits. */
        Numeric within(@Nullable Bound lower, @Nullable Bound upper);

        /** The answers, where one of them is marked; none where a number is typed. */
        default List<BigDecimal> marks() {
            return List.of();
        }
    }

    /**
     * One line of text.
     *
     * @param placeholder shown in grey while nothing is typed; may be empty
     * @param longest the most characters (Unicode code points) accepted; 0 for no limit
     */
    record Text(
            @MayBeLeftOut String placeholder, @MayBeLeftOut int longest) implements Textual {}

    /**
     * Several lines of text.
     *
     * @param placeholder shown in grey while nothing is typed; may be empty
     * @param longest the most characters (Unicode code points) accepted; 0 for no limit
     */
    record LongText(
            @MayBeLeftOut String placeholder, @MayBeLeftOut int longest) implements Textual {}

    /** An e-mail address. */
    record Email() implements Textual {}

    /**
     * A telephone number.
     *
     * @param region the country, by its two letters of ISO 3166-1, whose numbers need no country code; empty where every
     *     number begins with + and the country code
     */
    record Phone(@MayBeLeftOut String region) implements Textual {}

    /** The address of a page on the web, beginning with http:// or https://. */
    record WebAddress() implements Textual {}

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
            @Nullable Bound upper) implements Numeric {

        @Override
        public Number within(@Nullable Bound from, @Nullable Bound to) {
            return new Number(decimals, unit, from, to);
        }
    }

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
            @Nullable Bound upper) implements Numeric {

        @Override
        public Money within(@Nullable Bound from, @Nullable Bound to) {
            return new Money(currency, from, to);
        }
    }

    /**
     * A mark on a scale from 1 up; its answer is a whole number.
     *
     * @param most the highest mark, 2 to {@value #HIGHEST}
     */
    record Rating(int most) implements Numeric {

        /** The longest scale. */
        public static final int HIGHEST = 10;

        @Override
        public Bound lower() {
            return new Bound(BigDecimal.ONE, true);
        }

        @Override
        public Bound upper() {
            return new Bound(BigDecimal.valueOf(most), true);
        }

        /** A scale begins with 1, whatever the lower limit; where there is no upper one it stays as long as it is. */
        @Override
        public Rating within(@Nullable Bound from, @Nullable Bound to) {
            return to == null ? this : new Rating(to.at().intValue());
        }

        @Override
        public List<BigDecimal> marks() {
            return IntStream.rangeClosed(1, most).mapToObj(BigDecimal::valueOf).toList();
        }
    }

    /** Yes or no. In conditions its two choices go by the identities {@value #YES} and {@value #NO}. */
    record YesNo() implements SelfContained {

        /** The identity of "yes" in conditions and answers. */
        public static final String YES = "yes";

        /** The identity of "no" in conditions and answers. */
        public static final String NO = "no";
    }

    /** A kind whose answers are picked from choices of the field's own. */
    sealed interface Choosing extends FieldKind permits OneChoice, SeveralChoices {

        /** What can be offered, in order. */
        List<Choice> choices();

        /** How they stand. */
        ChoiceLayout layout();

        /** How their marks look. */
        ChoiceStyle style();

        /** Whether an answer in the filler's own words is offered too, under {@link Choice#OTHER}. */
        boolean other();

        /** Which choices are offered for each answer to another field; null where all always are. */
        @Nullable
        Offer offer();

        /** What can be offered, with the answer in the filler's own words where that is. */
        default List<Choice> withOther() {
            if (!other()) {
                return choices();
            }
            List<Choice> all = new ArrayList<>(choices());
            all.add(Choice.of(Choice.OTHER, "Other"));
            return all;
        }

        /** The same with other choices. */
        Choosing withChoices(List<Choice> others);

        /** The same, offered otherwise. */
        Choosing withOffer(@Nullable Offer other);
    }

    /**
     * One of several choices.
     *
     * @param choices see {@link Choosing#choices()}
     * @param layout how the choices are laid out
     * @param style how marks and buttons look
     * @param other see {@link Choosing#other()}
     * @param offer see {@link Choosing#offer()}
     */
    record OneChoice(
            List<Choice> choices,
            @MayBeLeftOut ChoiceLayout layout,
            @MayBeLeftOut ChoiceStyle style,
            @MayBeLeftOut boolean other,
            @Nullable Offer offer)
            implements Choosing {

        public OneChoice {
            choices = List.copyOf(choices);
        }

        /** Choices that are all always offered. */
        public static OneChoice of(List<Choice> choices) {
            return new OneChoice(choices, ChoiceLayout.MARKS, ChoiceStyle.PLAIN, false, null);
        }

        @Override
        public OneChoice withChoices(List<Choice> others) {
            return new OneChoice(others, layout, style, other, offer);
        }

        @Override
        public OneChoice withOffer(@Nullable Offer otherwise) {
            return new OneChoice(choices, layout, style, other, otherwise);
        }
    }

    /**
     * Any number of several choices.
     *
     * @param choices see {@link Choosing#choices()}
     * @param layout how the choices are laid out
     * @param style how marks and buttons look
     * @param other see {@link Choosing#other()}
     * @param offer see {@link Choosing#offer()}
     * @param least the fewest that an answer has; 0 or 1 for any
     * @param most the most that an answer has; 0 for no limit
     */
    record SeveralChoices(
            List<Choice> choices,
            @MayBeLeftOut ChoiceLayout layout,
            @MayBeLeftOut ChoiceStyle style,
            @MayBeLeftOut boolean other,
            @Nullable Offer offer,
            @MayBeLeftOut int least,
            @MayBeLeftOut int most)
            implements Choosing {

        public SeveralChoices {
            choices = List.copyOf(choices);
        }

        /** Choices that are all always offered, any number of them. */
        public static SeveralChoices of(List<Choice> choices) {
            return new SeveralChoices(choices, ChoiceLayout.MARKS, ChoiceStyle.PLAIN, false, null, 0, 0);
        }

        @Override
        public SeveralChoices withChoices(List<Choice> others) {
            return new SeveralChoices(others, layout, style, other, offer, least, most);
        }

        @Override
        public SeveralChoices withOffer(@Nullable Offer otherwise) {
            return new SeveralChoices(choices, layout, style, other, otherwise, least, most);
        }
    }

    /**
     * A choice from a column of a lookup list: each different cell is offered once, blank ones not. The answer is the
     * text of the cell.
     *
     * @param list the key of the list
     * @param column the key of the column
     * @param filters by the key of a column, the key of a field: only rows whose cell there is the answer to that field
     *     are offered, and nothing is while one of these is blank. A choice is compared by what is stored of it
     */
    record Lookup(String list, String column, @MayBeLeftOut Map<String, String> filters) implements FieldKind {

        public Lookup {
            filters = Collections.unmodifiableMap(new LinkedHashMap<>(new TreeMap<>(filters)));
        }
    }

    /**
     * A date.
     *
     * @param earliest the first day accepted, or null
     * @param latest the last day accepted, or null
     */
    record Date(@Nullable LocalDate earliest, @Nullable LocalDate latest) implements SelfContained {}

    /**
     * A time of the day.
     *
     * @param earliest the first time accepted, or null
     * @param latest the last time accepted, or null
     */
    record Time(@Nullable LocalTime earliest, @Nullable LocalTime latest) implements SelfContained {}

    /** The day on which its role signed. It is filled by the server and never typed. */
    record DateSigned() implements SelfContained {}

    /** A signature. */
    record Signature() implements SelfContained {}

    /** Initials. */
    record Initials() implements SelfContained {}

    /**
     * Files that are handed in.
     *
     * @param most the most files; 1 at least
     * @param largest the most megabytes (10^6 bytes) of each; 1 to {@value #LARGEST}
     * @param endings the endings of file names that are accepted, such as {@code pdf}; empty for all
     */
    record Attachment(int most, int largest, @MayBeLeftOut List<String> endings) implements SelfContained {

        /** The most megabytes a file can have. */
        public static final int LARGEST = 50;

        /** The most files of one field. */
        public static final int MOST = 20;

        public Attachment {
            endings = List.copyOf(endings);
        }
    }

    /**
     * A picture that is handed in: PNG or JPEG.
     *
     * @param largest the most megabytes (10^6 bytes)
     */
    record Picture(int largest) implements SelfContained {

        /** The endings of the names of pictures. */
        public static final List<String> ENDINGS = List.of("png", "jpg", "jpeg");
    }

    /**
     * A payment.
     *
     * @param currency the ISO 4217 code
     * @param amount a formula (FEEL) that gives what is to be paid
     */
    record Payment(String currency, String amount) implements FieldKind {}

    /** How the choices of a field are laid out. */
    enum ChoiceLayout {
        /** Marks with their labels. */
        MARKS,
        /** A list that opens. */
        LIST,
        /** Buttons side by side. */
        BUTTONS
    }

    /**
     * How marks and buttons look; all of a field alike.
     *
     * @param columns in how many columns they stand; 0 for as many as fit
     * @param mark the shape of the mark
     * @param size how large they are
     */
    record ChoiceStyle(
            @MayBeLeftOut int columns,
            @MayBeLeftOut MarkShape mark,
            @MayBeLeftOut Size size) {

        /** As many columns as fit, the usual mark, the usual size. */
        public static final ChoiceStyle PLAIN = new ChoiceStyle(0, MarkShape.USUAL, Size.MEDIUM);

        /** The shape of a mark; {@code USUAL} is round for one choice and square for several. */
        public enum MarkShape {
            USUAL,
            ROUND,
            SQUARE,
            TICK,
            CROSS
        }

        /** How large marks and buttons are. */
        public enum Size {
            MEDIUM,
            SMALL,
            LARGE
        }
    }

    /** What there is to know of this kind. */
    default KindFacts facts() {
        return switch (this) {
            case Text ignored -> KindFacts.TEXT;
            case LongText ignored -> KindFacts.LONG_TEXT;
            case Email() -> KindFacts.EMAIL;
            case Phone ignored -> KindFacts.PHONE;
            case WebAddress() -> KindFacts.WEB_ADDRESS;
            case Number ignored -> KindFacts.NUMBER;
            case Money ignored -> KindFacts.MONEY;
            case Rating ignored -> KindFacts.RATING;
            case YesNo() -> KindFacts.YES_NO;
            case OneChoice ignored -> KindFacts.ONE_CHOICE;
            case SeveralChoices ignored -> KindFacts.SEVERAL_CHOICES;
            case Lookup ignored -> KindFacts.LOOKUP;
            case Date ignored -> KindFacts.DATE;
            case Time ignored -> KindFacts.TIME;
            case DateSigned() -> KindFacts.DATE_SIGNED;
            case Signature() -> KindFacts.SIGNATURE;
            case Initials() -> KindFacts.INITIALS;
            case Attachment ignored -> KindFacts.ATTACHMENT;
            case Picture ignored -> KindFacts.PICTURE;
            case Payment ignored -> KindFacts.PAYMENT;
        };
    }

    /** What answers of this kind are. */
    default AnswerType answer() {
        return facts().answer();
    }

    /** The choices a condition can name for this kind, in order; empty for kinds without choices of their own. */
    default List<Choice> offered() {
        return switch (answer()) {
            case YES_NO -> List.of(Choice.of(YesNo.YES, "Yes"), Choice.of(YesNo.NO, "No"));
            case CHOICE, CHOICES -> this instanceof Choosing it ? it.withOther() : List.of();
            case TEXT, NUMBER, DAY, TIME, SIGNATURE, FILES, PAYMENT -> List.of();
        };
    }

    /** Tells whether answers of this kind are texts. */
    default boolean isText() {
        return answer() == AnswerType.TEXT;
    }

    /** Tells whether answers of this kind are numbers. */
    default boolean isNumeric() {
        return answer() == AnswerType.NUMBER;
    }

    /** Tells whether bands can divide answers of this kind: numbers and days. */
    default boolean hasBands() {
        return isNumeric() || isDay();
    }

    /** Tells whether answers of this kind are days. */
    default boolean isDay() {
        return answer() == AnswerType.DAY;
    }

    /** Tells whether an answer of this kind is one choice. */
    default boolean isOneChoice() {
        return answer() == AnswerType.CHOICE || answer() == AnswerType.YES_NO;
    }

    /** Tells whether answers of this kind can be compared by size: numbers, days, times. */
    default boolean isOrdered() {
        return isComparableWith(this);
    }

    /** Tells whether answers of this kind can be compared by size with those of another. */
    default boolean isComparableWith(FieldKind other) {
        return switch (answer()) {
            case NUMBER, DAY, TIME -> answer() == other.answer();
            case TEXT, YES_NO, CHOICE, CHOICES, SIGNATURE, FILES, PAYMENT -> false;
        };
    }

    /** Tells whether answers of this kind are what somebody signs with. */
    default boolean isSigned() {
        return answer() == AnswerType.SIGNATURE;
    }

    /** Tells whether answers of this kind come from the server and are never typed. */
    default boolean isGiven() {
        return facts().isGiven();
    }

    /** The most decimals that an answer can have; 0 for what is no number. */
    default int mostDecimals() {
        return switch (this) {
            case Number it -> it.decimals();
            case Money it -> Currencies.decimals(it.currency());
            case Payment it -> Currencies.decimals(it.currency());
            case Choosing ignored -> 0;
            case Lookup ignored -> 0;
            case SelfContained ignored -> 0;
        };
    }
}
