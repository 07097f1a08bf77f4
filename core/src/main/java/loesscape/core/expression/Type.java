package loesscape.core.expression;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What kind of value a formula gives, as far as it is known before it is run. */
public sealed interface Type {

    /** The words for this type in a message: a number, a list. */
    String words();

    /** A type without parts. */
    enum Simple implements Type {
        NUMBER("number", "a number"),
        TEXT("string", "text"),
        YES_NO("boolean", "yes or no"),
        DATE("date", "a date"),
        TIME("time", "a time"),
        DATE_TIME("date and time", "a date and time"),
        DAYS("days and time duration", "a duration of days and hours"),
        MONTHS("years and months duration", "a duration of years and months"),
        RANGE("range", "a range"),
        NOTHING("Null", "null"),
        /** Anything: nothing is known before the formula is run. */
        ANY("Any", "anything");

        private final String name;
        private final String words;

        Simple(String name, String words) {
            this.name = name;
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** A list of elements of a type. */
    record ListOf(Type element) implements Type {
        @Override
        public String words() {
            return "a list";
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
            return "a context";
        }
    }

    /** Whether formulas know a type by this name, behind {@code instance of}. */
    static boolean isNamed(String name) {
        if (name.equals("list") || name.equals("context")) {
            return true;
        }
        for (Simple type : Simple.values()) {
            if (type.name.equals(name)) {
                return true;
            }
        }
        return false;
    }

    /** Whether a value is of the type with a name; null is of none but Null. */
    static boolean isInstance(@Nullable Object value, String name) {
        return switch (name) {
            case "Any" -> value != null;
            case "list" -> value instanceof List;
            case "context" -> value instanceof Map;
            default -> of(value) instanceof Simple simple && simple.name.equals(name);
        };
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
