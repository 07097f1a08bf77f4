package loesscape.core.expression;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What kind of value a formula gives, as far as it is known before it is run. */
public sealed interface Type {

    /** The words for this type in a message: a number, a list. */
    String words();

    /** The words for several values of this type: numbers, lists. */
    String many();

    /** The type without what is known of its values: a choice is text. */
    default Type base() {
        return this instanceof Choice ? Simple.TEXT : this;
    }

    /** A type without parts. */
    enum Simple implements Type {
        NUMBER("a number", "numbers"),
        TEXT("text", "texts"),
        YES_NO("yes or no", "yes and no"),
        DATE("a date", "dates"),
        TIME("a time", "times"),
        DATE_TIME("a date and time", "dates and times"),
        DAYS("a duration of days and hours", "durations"),
        MONTHS("a duration of years and months", "durations"),
        RANGE("a range", "ranges"),
        NOTHING("null", "nulls"),
        /** Anything: nothing is known before the formula is run. */
        ANY("anything", "anything");

        private final String words;
        private final String many;

        Simple(String words, String many) {
            this.words = words;
            this.many = many;
        }

        @Override
        public String words() {
            return words;
        }

        @Override
        public String many() {
            return many;
        }
    }

    /**
     * The identity of a choice, which is text.
     *
     * @param labels of all choices by their identities, in order
     */
    record Choice(Map<String, String> labels) implements Type {
        public Choice {
            labels = Collections.unmodifiableMap(new LinkedHashMap<>(labels));
        }

        @Override
        public String words() {
            return Simple.TEXT.words();
        }

        @Override
        public String many() {
            return Simple.TEXT.many();
        }
    }

    /** A list of elements of a type. */
    record ListOf(Type element) implements Type {
        @Override
        public String words() {
            return element == Simple.ANY ? "a list" : "a list of " + element.many();
        }

        @Override
        public String many() {
            return "lists";
        }
    }

    /**
     * A context: named values.
     *
     * @param isRow whether it is a row of a document, so that its entries are fields
     */
    record Context(Map<String, Type> entries, boolean isRow) implements Type {
        public Context {
            entries = Map.copyOf(entries);
        }

        public Context(Map<String, Type> entries) {
            this(entries, false);
        }

        @Override
        public String words() {
            return isRow ? "a row" : "a context";
        }

        @Override
        public String many() {
            return isRow ? "rows" : "contexts";
        }
    }

    /** The type of a value; lists and contexts without their parts. */
    static Type of(@Nullable Object value) {
        return switch (value) {
            case null -> Simple.NOTHING;
            case BigDecimal ignored -> Simple.NUMBER;
            case String ignored -> Simple.TEXT;
            case Boolean ignored -> Simple.YES_NO;
            case LocalDate ignored -> Simple.DATE;
            case LocalTime ignored -> Simple.TIME;
            case LocalDateTime ignored -> Simple.DATE_TIME;
            case Duration ignored -> Simple.DAYS;
            case Months ignored -> Simple.MONTHS;
            case Range ignored -> Simple.RANGE;
            case List<?> ignored -> new ListOf(Simple.ANY);
            case Map<?, ?> ignored -> new Context(Map.of());
            default -> Simple.ANY;
        };
    }
}
