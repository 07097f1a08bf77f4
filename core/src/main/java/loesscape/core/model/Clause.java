package loesscape.core.model;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One statement about the counting value of one field.
 *
 * <p>What a clause says of a blank is part of it: {@link metWhenBlank()} is the answer, either as its author set it
 * ({@code whenBlank}), or, where that is null, by the rule that a comparison with a blank is not met, except the
 * negative ones (is not, does not equal), which are.
 */
public sealed interface Clause extends Condition.Leaf {

    /** The key of the field this clause is about. */
    String field();

    /** Tells whether this clause is met while the field is blank. */
    boolean metWhenBlank();

    /** The same statement about another field. */
    Clause withField(String other);

    /** The same statement with another rule for blanks, null for the usual one; what speaks of blanks only has none. */
    Clause withRule(@Nullable Boolean rule);

    /** Tells whether a blank would meet this clause, had its author not said otherwise: so it does what says what is not so. */
    default boolean usuallyMetWhenBlank() {
        return withRule(null).metWhenBlank();
    }

    /** Asks something of a text. */
    sealed interface TextualClause extends Clause {

        /** Met by every text that does not meet this; null where no one clause says that. What is said of a blank stays as it is set. */
        @Nullable
        TextualClause opposite();

        @Override
        TextualClause withRule(@Nullable Boolean rule);
    }

    /** Compares a whole number, which is counted of an answer. */
    sealed interface CountingClause extends Clause {

        /** How the two are compared. */
        Comparison.OrderTest test();

        /** What is counted is compared with this; not below 0. */
        int number();

        /** Whether a blank meets this; null for the usual rule. */
        @Nullable
        Boolean whenBlank();

        @Override
        default boolean metWhenBlank() {
            Boolean rule = whenBlank();
            return rule != null ? rule : test() == Comparison.OrderTest.NOT_EQUAL;
        }
    }

    /** Met when the field has a value. */
    record Answered(String field) implements Clause {

        @Override
        public boolean metWhenBlank() {
            return false;
        }

        @Override
        public Answered withField(String other) {
            return new Answered(other);
        }

        @Override
        public Answered withRule(@Nullable Boolean rule) {
            return this;
        }
    }

    /** Met when the field has no value. */
    record IsBlank(String field) implements Clause {

        @Override
        public boolean metWhenBlank() {
            return true;
        }

        @Override
        public IsBlank withField(String other) {
            return new IsBlank(other);
        }

        @Override
        public IsBlank withRule(@Nullable Boolean rule) {
            return this;
        }
    }

    /**
     * Compares the answer to a field of one choice, a lookup or yes/no with choices. {@code IS} with several choices reads "is one of",
     * {@code IS_NOT} "is none of".
     *
     * @param field the key of a field of one choice, a lookup or yes/no
     * @param test is, or is not
     * @param choices identities of the field's choices, or texts of the cells of a lookup; at least one
     * @param whenBlank whether a blank meets this; null for the rule above
     */
    record ChoiceClause(
            String field,
            ChoiceTest test,
            List<String> choices,
            @Nullable Boolean whenBlank) implements Clause {

        /** How the answer is compared with the choices. */
        public enum ChoiceTest {
            IS,
            IS_NOT
        }

        public ChoiceClause {
            choices = List.copyOf(choices);
        }

        @Override
        public boolean metWhenBlank() {
            return whenBlank != null ? whenBlank : test == ChoiceTest.IS_NOT;
        }

        @Override
        public ChoiceClause withField(String other) {
            return new ChoiceClause(other, test, choices, whenBlank);
        }

        @Override
        public ChoiceClause withRule(@Nullable Boolean rule) {
            return new ChoiceClause(field, test, choices, rule);
        }
    }

    /**
     * Compares the chosen ones of several choices with some of them. A blank is a set that is not there, not an empty
     * one.
     *
     * @param field the key of a field of several choices
     * @param test how they are compared
     * @param choices identities of the field's choices; at least one
     * @param whenBlank whether a blank meets this; null for the rule above
     */
    record SetClause(
            String field,
            SetTest test,
            List<String> choices,
            @Nullable Boolean whenBlank) implements Clause {

        /** How what is chosen is compared. */
        public enum SetTest {
            /** At least one of them is chosen. */
            INCLUDES,
            /** None of them is chosen. */
            DOES_NOT_INCLUDE,
            /** Every one of them is chosen, and perhaps others. */
            INCLUDES_ALL,
            /** Every one of them and no other is chosen. */
            IS_EXACTLY
        }

        public SetClause {
            choices = List.copyOf(choices);
        }

        @Override
        public boolean metWhenBlank() {
            return whenBlank != null ? whenBlank : test == SetTest.DOES_NOT_INCLUDE;
        }

        @Override
        public SetClause withField(String other) {
            return new SetClause(other, test, choices, whenBlank);
        }

        @Override
        public SetClause withRule(@Nullable Boolean rule) {
            return new SetClause(field, test, choices, rule);
        }
    }

    /**
     * Compares how many of several choices are chosen.
     *
     * @param field the key of a field of several choices
     * @param test how the two are compared
     * @param count what the number of chosen ones is compared with; not below 0
     * @param whenBlank whether a blank meets this; null for the rule above
     */
    record CountClause(
            String field,
            Comparison.OrderTest test,
            int count,
            @Nullable Boolean whenBlank) implements CountingClause {

        @Override
        public int number() {
            return count;
        }

        @Override
        public CountClause withField(String other) {
            return new CountClause(other, test, count, whenBlank);
        }

        @Override
        public CountClause withRule(@Nullable Boolean rule) {
            return new CountClause(field, test, count, rule);
        }
    }

    /**
     * Compares text with text: composed (NFC), trimmed, without regard to case unless that is asked for.
     *
     * @param field the key of a text field
     * @param test how the two are compared
     * @param text what the answer is compared with; not blank. For {@code MATCHES} a pattern in the syntax of RE2, which
     *     runs in linear time and is found anywhere in the answer
     * @param matchCase whether upper and lower case are told apart
     * @param whenBlank whether a blank meets this; null for the rule above
     */
    record TextClause(
            String field,
            TextTest test,
            String text,
            @MayBeLeftOut boolean matchCase,
            @Nullable Boolean whenBlank) implements TextualClause {

        /** How the answer is compared with the text. */
        public enum TextTest {
            IS,
            IS_NOT,
            CONTAINS,
            DOES_NOT_CONTAIN,
            STARTS_WITH,
            ENDS_WITH,
            MATCHES
        }

        @Override
        public boolean metWhenBlank() {
            return whenBlank != null ? whenBlank : test == TextTest.IS_NOT || test == TextTest.DOES_NOT_CONTAIN;
        }

        @Override
        public TextClause withField(String other) {
            return new TextClause(other, test, text, matchCase, whenBlank);
        }

        @Override
        public TextClause withRule(@Nullable Boolean rule) {
            return new TextClause(field, test, text, matchCase, rule);
        }

        @Override
        public @Nullable TextClause opposite() {
            TextTest opposite = switch (test) {
                case IS -> TextTest.IS_NOT;
                case IS_NOT -> TextTest.IS;
                case CONTAINS -> TextTest.DOES_NOT_CONTAIN;
                case DOES_NOT_CONTAIN -> TextTest.CONTAINS;
                case STARTS_WITH -> null;
                case ENDS_WITH -> null;
                case MATCHES -> null;
            };
            return opposite == null ? null : new TextClause(field, opposite, text, matchCase, whenBlank);
        }
    }

    /**
     * Compares how many characters (Unicode code points) a text has.
     *
     * @param field the key of a text field
     * @param test how the two are compared
     * @param length what the number of characters is compared with; not below 0
     * @param whenBlank whether a blank meets this; null for the rule above
     */
    record LengthClause(
            String field,
            Comparison.OrderTest test,
            int length,
            @Nullable Boolean whenBlank) implements CountingClause, TextualClause {

        @Override
        public int number() {
            return length;
        }

        @Override
        public LengthClause withField(String other) {
            return new LengthClause(other, test, length, whenBlank);
        }

        @Override
        public LengthClause withRule(@Nullable Boolean rule) {
            return new LengthClause(field, test, length, rule);
        }

        @Override
        public LengthClause opposite() {
            return new LengthClause(field, test.opposite(), length, whenBlank);
        }
    }

    /**
     * Met when the answer lies in one of some bands of its own field.
     *
     * @param field the key of a field with bands
     * @param bands their identities; at least one
     * @param whenBlank whether a blank meets this; null for not
     */
    record BandClause(
            String field, List<String> bands, @Nullable Boolean whenBlank) implements Clause {

        public BandClause {
            bands = List.copyOf(bands);
        }

        @Override
        public boolean metWhenBlank() {
            return whenBlank != null && whenBlank;
        }

        @Override
        public BandClause withField(String other) {
            return new BandClause(other, bands, whenBlank);
        }

        @Override
        public BandClause withRule(@Nullable Boolean rule) {
            return new BandClause(field, bands, rule);
        }
    }

    /**
     * Compares a number, an amount, a date or a time with another. Where the other side is a field that is blank, this is met as
     * if the answer were blank.
     *
     * @param field the key of a field whose answers can be compared by size
     * @param test how the two are compared
     * @param to what the answer is compared with; of the field's kind
     * @param whenBlank whether a blank meets this; null for the rule above
     */
    record Comparison(
            String field,
            OrderTest test,
            Operand to,
            @Nullable Boolean whenBlank) implements Clause, Comparing {

        /** How the answer is compared with the operand. */
        public enum OrderTest {
            EQUAL,
            NOT_EQUAL,
            LESS,
            AT_MOST,
            MORE,
            AT_LEAST;

            /** The test that is met where this is not. */
            public OrderTest opposite() {
                return switch (this) {
                    case EQUAL -> NOT_EQUAL;
                    case NOT_EQUAL -> EQUAL;
                    case LESS -> AT_LEAST;
                    case AT_LEAST -> LESS;
                    case MORE -> AT_MOST;
                    case AT_MOST -> MORE;
                };
            }
        }

        @Override
        public boolean metWhenBlank() {
            return whenBlank != null ? whenBlank : test == OrderTest.NOT_EQUAL;
        }

        @Override
        public Comparison withField(String other) {
            return new Comparison(other, test, to, whenBlank);
        }

        @Override
        public Comparison withRule(@Nullable Boolean rule) {
            return new Comparison(field, test, to, rule);
        }

        @Override
        public List<Operand> operands() {
            return List.of(to);
        }

        @Override
        public Comparison withOperands(List<Operand> others) {
            return new Comparison(field, test, others.getFirst(), whenBlank);
        }
    }

    /**
     * Met when a number, an amount, a date or a time lies in a range, or outside of it, each edge in or out.
     *
     * @param field the key of a field whose answers can be compared by size
     * @param outside whether it must lie outside of the range
     * @param from the lower edge
     * @param fromIncluded whether the lower edge itself meets this
     * @param to the upper edge; not below {@code from}
     * @param toIncluded whether the upper edge itself meets this
     * @param whenBlank whether a blank meets this; null for not
     */
    record Between(
            String field,
            @MayBeLeftOut boolean outside,
            Operand from,
            boolean fromIncluded,
            Operand to,
            boolean toIncluded,
            @Nullable Boolean whenBlank)
            implements Clause, Comparing {

        /** Tells whether nothing can lie between the edges, as far as they are fixed. */
        public boolean isEmpty() {
            int order = switch (from) {
                case Operand.NumberOperand(var low)
                when to instanceof Operand.NumberOperand(var high) -> low.compareTo(high);
                case Operand.DateOperand(var low)
                when to instanceof Operand.DateOperand(var high) -> low.compareTo(high);
                case Operand.TimeOperand(var low)
                when to instanceof Operand.TimeOperand(var high) -> low.compareTo(high);
                case Operand.TodayOperand(var low)
                when to instanceof Operand.TodayOperand(var high) -> Integer.compare(low, high);
                default -> -1;
            };
            return order > 0 || (order == 0 && !(fromIncluded && toIncluded));
        }

        @Override
        public boolean metWhenBlank() {
            return whenBlank != null && whenBlank;
        }

        @Override
        public Between withField(String other) {
            return new Between(other, outside, from, fromIncluded, to, toIncluded, whenBlank);
        }

        @Override
        public Between withRule(@Nullable Boolean rule) {
            return new Between(field, outside, from, fromIncluded, to, toIncluded, rule);
        }

        @Override
        public List<Operand> operands() {
            return List.of(from, to);
        }

        @Override
        public Between withOperands(List<Operand> others) {
            return new Between(
                    field, outside, others.getFirst(), fromIncluded, others.getLast(), toIncluded, whenBlank);
        }
    }

    /** The other side of a comparison. */
    sealed interface Operand {

        /**
         * Whether it is an answer, of which a clause can say what it is when there is none. A formula that gives nothing,
         * or a day where none is given, leaves a comparison undecided, and what is undecided is not met.
         */
        default boolean canBeBlank() {
            return this instanceof FieldOperand;
        }

        /** A fixed number. */
        record NumberOperand(BigDecimal number) implements Operand {

            public NumberOperand {
                number = Numbers.canonical(number);
            }
        }

        /** A fixed date. */
        record DateOperand(LocalDate date) implements Operand {}

        /** A fixed time of the day. */
        record TimeOperand(LocalTime time) implements Operand {}

        /**
         * What a formula gives; blank where it gives nothing of the kind.
         *
         * @param formula in FEEL (see {@link loesscape.core.expression.Formula})
         */
        record FormulaOperand(String formula) implements Operand {}

        /** The counting value of another field of the same kind. */
        record FieldOperand(String field) implements Operand {}

        /**
         * The day on which the document is looked at, or one some days before or after.
         *
         * @param days how many days after it; below 0 before it
         */
        record TodayOperand(@MayBeLeftOut int days) implements Operand {}
    }
}
