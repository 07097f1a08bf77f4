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
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A type as it is named behind {@code instance of} (DMN 1.4, 10.3.2.9): {@code number}, {@code list<number>},
 * {@code context<name: string>}.
 *
 * @param name of it alone
 * @param parts the types of the entries of a context by their names; that of the elements of a list or the ends of a
 *     range under no name; none where nothing is said of them
 */
record TypeName(String name, Map<String, TypeName> parts) {

    private static final Set<String> WITH_PARTS = Set.of("list", "context", "range");
    private static final Set<String> SIMPLE = Set.of(
            "Any",
            "Null",
            "number",
            "string",
            "boolean",
            "date",
            "time",
            "date and time",
            "days and time duration",
            "years and months duration");

    TypeName {
        parts = Collections.unmodifiableMap(new LinkedHashMap<>(parts));
    }

    TypeName(String name) {
        this(name, Map.of());
    }

    static boolean isKnown(String name) {
        return SIMPLE.contains(name) || hasParts(name);
    }

    /** Whether the types of parts may be said behind it. */
    static boolean hasParts(String name) {
        return WITH_PARTS.contains(name);
    }

    /** Whether a value is of this type; null is of none but Null, as an element or entry it is of any. */
    boolean has(@Nullable Object value) {
        return switch (name) {
            case "Any" -> value != null;
            case "Null" -> value == null;
            case "number" -> value instanceof BigDecimal;
            case "string" -> value instanceof String;
            case "boolean" -> value instanceof Boolean;
            case "date" -> value instanceof LocalDate;
            case "time" -> value instanceof LocalTime;
            case "date and time" -> value instanceof LocalDateTime;
            case "days and time duration" -> value instanceof Duration;
            case "years and months duration" -> value instanceof Months;
            case "list" -> value instanceof List<?> list && list.stream().allMatch(each -> allows("", each));
            case "range" -> value instanceof Range range && allows("", range.low()) && allows("", range.high());
            case "context" ->
                value instanceof Map<?, ?> entries
                        && parts.keySet().stream()
                                .allMatch(entry -> entries.containsKey(entry) && allows(entry, entries.get(entry)));
            default -> throw new IllegalStateException("There is no type “%s”".formatted(name));
        };
    }

    private boolean allows(String part, @Nullable Object value) {
        TypeName of = parts.get(part);
        return of == null || value == null || of.has(value);
    }

    @Override
    public String toString() {
        return parts.isEmpty()
                ? name
                : parts.entrySet().stream()
                        .map(part -> (part.getKey().isEmpty() ? "" : part.getKey() + ": ") + part.getValue())
                        .collect(Collectors.joining(", ", name + "<", ">"));
    }
}
