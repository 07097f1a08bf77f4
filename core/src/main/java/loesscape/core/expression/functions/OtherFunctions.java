package loesscape.core.expression.functions;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Decimals;
import loesscape.core.expression.Months;
import loesscape.core.expression.Range;
import loesscape.core.expression.Semantics;
import loesscape.core.expression.Temporals;
import loesscape.core.expression.Work;
import org.jspecify.annotations.Nullable;

/** Truth values, and values from and to text (DMN 1.4, 10.3.4.1 and 10.3.4.2). */
final class OtherFunctions {

    static final List<Function> ALL = List.of(
            new Function(
                    "not",
                    List.of("negand"),
                    1,
                    false,
                    "The opposite of a truth value; null of anything else.",
                    "not(true)",
                    (work, given) -> given.get(0) instanceof Boolean value ? Boolean.valueOf(!value) : null),
            new Function(
                    "is",
                    List.of("value1", "value2"),
                    2,
                    false,
                    "Whether two values are of the same kind and the same.",
                    "is(date(2026, 11, 24), time(\"09:42:00\"))",
                    (work, given) -> is(work, given.get(0), given.get(1))),
            new Function(
                    "number",
                    List.of("from", "grouping separator", "decimal separator"),
                    1,
                    false,
                    "A number from a text, with the signs that stand between thousands and before decimals.",
                    "number(\"1 000,5\", \" \", \",\")",
                    (work, given) -> number(given)),
            new Function(
                    "string",
                    List.of("from"),
                    1,
                    false,
                    "Any value as text.",
                    "string(1.50)",
                    (work, given) -> given.get(0) == null ? null : text(work, given.get(0))));

    private OtherFunctions() {}

    private static boolean is(Work work, @Nullable Object one, @Nullable Object other) {
        if (one == null || other == null) {
            return one == null && other == null;
        }
        return one.getClass() == other.getClass() && Boolean.TRUE.equals(Semantics.equal(work, one, other));
    }

    private static @Nullable BigDecimal number(Arguments given) {
        if (given.get(0) instanceof BigDecimal number && given.size() == 1) {
            return number;
        }
        Object grouping = given.size() > 1 ? given.get(1) : null;
        Object decimal = given.size() > 2 ? given.get(2) : null;
        boolean known = (grouping == null || " ".equals(grouping) || ",".equals(grouping) || ".".equals(grouping))
                && (decimal == null || ".".equals(decimal) || ",".equals(decimal));
        if (!(given.get(0) instanceof String text) || !known || (grouping != null && grouping.equals(decimal))) {
            return null;
        }
        String plain = grouping == null ? text : text.replace(grouping.toString(), "");
        plain = decimal == null ? plain : plain.replace(decimal.toString(), ".");
        try {
            return plain.length() > 100 ? null : Decimals.inRange(new BigDecimal(plain));
        } catch (NumberFormatException e) {
            return null;
        }
    }

    private static String text(Work work, @Nullable Object value) {
        String text = switch (value) {
            case null -> "null";
            case String it -> it;
            case BigDecimal number -> Decimals.plain(number);
            case Boolean truth -> truth.toString();
            case Months months -> months.toString();
            case Range range ->
                (range.lowIncluded() ? "[" : "(") + inside(work, range.low()) + " .. " + inside(work, range.high())
                        + (range.highIncluded() ? "]" : ")");
            case List<?> list -> {
                List<String> parts = new ArrayList<>();
                list.forEach(element -> parts.add(inside(work, element)));
                yield "[" + String.join(", ", parts) + "]";
            }
            case Map<?, ?> map -> {
                List<String> parts = new ArrayList<>();
                map.forEach((name, element) -> parts.add(name + ": " + inside(work, element)));
                yield "{" + String.join(", ", parts) + "}";
            }
            default -> Temporals.text(value);
        };
        work.take(text.length());
        return text;
    }

    private static String inside(Work work, @Nullable Object value) {
        return value instanceof String text ? "\"" + text + "\"" : text(work, value);
    }
}
