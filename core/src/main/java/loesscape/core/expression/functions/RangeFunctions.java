package loesscape.core.expression.functions;

import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.expression.Range;
import loesscape.core.expression.Semantics;
import loesscape.core.expression.Temporals;
import org.jspecify.annotations.Nullable;

/** How points and ranges lie to each other (DMN 1.4, 10.3.4.8, table 78; J. F. Allen, 1983). */
final class RangeFunctions {

    static final List<Function> ALL = List.of(
            of(
                    "before",
                    Points.ANYWHERE,
                    "Whether a point or range ends before another begins.",
                    "before(1, [5..10])",
                    (a, b) -> isBefore(a, b)),
            of(
                    "after",
                    Points.ANYWHERE,
                    "Whether a point or range begins after another ends.",
                    "after([5..10], 1)",
                    (a, b) -> isBefore(b, a)),
            of(
                    "meets",
                    Points.NOWHERE,
                    "Whether a range ends where another begins.",
                    "meets([1..5], [5..10])",
                    (a, b) -> meets(a, b)),
            of(
                    "met by",
                    Points.NOWHERE,
                    "Whether a range begins where another ends.",
                    "met by([5..10], [1..5])",
                    (a, b) -> meets(b, a)),
            of(
                    "overlaps",
                    Points.NOWHERE,
                    "Whether two ranges have something in common.",
                    "overlaps([1..5], [3..8])",
                    (a, b) -> beginsIn(a, b) && beginsIn(b, a)),
            of(
                    "overlaps before",
                    Points.NOWHERE,
                    "Whether a range begins first and ends in another.",
                    "overlaps before([1..5], [3..8])",
                    (a, b) -> overlapsBefore(a, b)),
            of(
                    "overlaps after",
                    Points.NOWHERE,
                    "Whether a range begins in another and ends last.",
                    "overlaps after([3..8], [1..5])",
                    (a, b) -> overlapsBefore(b, a)),
            of(
                    "finishes",
                    Points.FIRST,
                    "Whether a point or range is the end of a range.",
                    "finishes([5..10], [1..10])",
                    (a, b) -> finishes(a, b)),
            of(
                    "finished by",
                    Points.SECOND,
                    "Whether a range has a point or range at its end.",
                    "finished by([1..10], 10)",
                    (a, b) -> finishes(b, a)),
            of(
                    "includes",
                    Points.SECOND,
                    "Whether a range has a point or range in it.",
                    "includes([1..10], 5)",
                    (a, b) -> includes(a, b)),
            of(
                    "during",
                    Points.FIRST,
                    "Whether a point or range lies in a range.",
                    "during([4..6], [1..10])",
                    (a, b) -> includes(b, a)),
            of(
                    "starts",
                    Points.FIRST,
                    "Whether a point or range is the beginning of a range.",
                    "starts([1..5], [1..10])",
                    (a, b) -> starts(a, b)),
            of(
                    "started by",
                    Points.SECOND,
                    "Whether a range has a point or range at its beginning.",
                    "started by([1..10], 1)",
                    (a, b) -> starts(b, a)),
            of(
                    "coincides",
                    Points.BOTH,
                    "Whether two points or ranges are the same.",
                    "coincides([1..5], [1..5])",
                    (a, b) -> order(a.low(), b.low()) == 0
                            && order(a.high(), b.high()) == 0
                            && a.lowIncluded() == b.lowIncluded()
                            && a.highIncluded() == b.highIncluded()),
            new Function(
                    "range",
                    List.of("from"),
                    1,
                    false,
                    "A range from a text.",
                    "range(\"[1..3]\").end",
                    (work, given) -> given.get(0) instanceof String text ? range(text) : null));

    private static final Pattern WRITTEN = Pattern.compile("([\\[(\\]])\\s*(.+?)\\s*\\.\\.\\s*(.+?)\\s*([\\])\\[])");

    private RangeFunctions() {}

    /** Two points or ranges cannot be compared. */
    private static final class NoOrder extends RuntimeException {}

    private interface Lies {
        boolean to(Range one, Range other);
    }

    private static Function of(String name, Points points, String says, String example, Lies lies) {
        return new Function(name, List.of("first", "second"), 2, false, says, example, (work, given) -> {
            Object one = given.single(0);
            Object other = given.single(1);
            if (one == null || other == null || !points.canStand(one instanceof Range, other instanceof Range)) {
                return null;
            }
            try {
                return lies.to(range(one), range(other));
            } catch (NoOrder e) {
                return null;
            }
        });
    }

    /** Where a point may stand in the place of a range; elsewhere it says nothing. */
    private enum Points {
        ANYWHERE,
        NOWHERE,
        FIRST,
        SECOND,
        /** Beside another point only. */
        BOTH;

        boolean canStand(boolean firstIsRange, boolean secondIsRange) {
            return switch (this) {
                case ANYWHERE -> true;
                case NOWHERE -> firstIsRange && secondIsRange;
                case FIRST -> secondIsRange;
                case SECOND -> firstIsRange;
                case BOTH -> firstIsRange == secondIsRange;
            };
        }
    }

    private static Range range(Object value) {
        return value instanceof Range range ? range : new Range(value, true, value, true);
    }

    private static int order(Object left, Object right) {
        Integer order = Semantics.order(left, right);
        if (order == null) {
            throw new NoOrder();
        }
        return order;
    }

    private static boolean isBefore(Range a, Range b) {
        int order = order(a.high(), b.low());
        return order < 0 || (order == 0 && !(a.highIncluded() && b.lowIncluded()));
    }

    private static boolean meets(Range a, Range b) {
        return a.highIncluded() && b.lowIncluded() && order(a.high(), b.low()) == 0;
    }

    /** Whether a range begins before another ends, or where it ends. */
    private static boolean beginsIn(Range a, Range b) {
        int order = order(a.low(), b.high());
        return order < 0 || (order == 0 && a.lowIncluded() && b.highIncluded());
    }

    private static boolean overlapsBefore(Range a, Range b) {
        int low = order(a.low(), b.low());
        int high = order(a.high(), b.high());
        boolean beginsFirst = low < 0 || (low == 0 && a.lowIncluded() && !b.lowIncluded());
        boolean endsFirst = high < 0 || (high == 0 && (!a.highIncluded() || b.highIncluded()));
        return beginsFirst && beginsIn(b, a) && endsFirst;
    }

    private static boolean finishes(Range a, Range b) {
        int low = order(a.low(), b.low());
        return a.highIncluded() == b.highIncluded()
                && order(a.high(), b.high()) == 0
                && (low > 0 || (low == 0 && (!a.lowIncluded() || b.lowIncluded())));
    }

    private static boolean starts(Range a, Range b) {
        int high = order(a.high(), b.high());
        return a.lowIncluded() == b.lowIncluded()
                && order(a.low(), b.low()) == 0
                && (high < 0 || (high == 0 && (!a.highIncluded() || b.highIncluded())));
    }

    private static boolean includes(Range a, Range b) {
        int low = order(a.low(), b.low());
        int high = order(a.high(), b.high());
        return (low < 0 || (low == 0 && (a.lowIncluded() || !b.lowIncluded())))
                && (high > 0 || (high == 0 && (a.highIncluded() || !b.highIncluded())));
    }

    private static @Nullable Range range(String text) {
        Matcher written = WRITTEN.matcher(text.strip());
        if (text.length() > 1_000 || !written.matches()) {
            return null;
        }
        Object low = end(Objects.requireNonNull(written.group(2)));
        Object high = end(Objects.requireNonNull(written.group(3)));
        Integer order = low == null || high == null ? null : Semantics.order(low, high);
        return order == null || order > 0
                ? null
                : new Range(
                        Objects.requireNonNull(low),
                        "[".equals(written.group(1)),
                        Objects.requireNonNull(high),
                        "]".equals(written.group(4)));
    }

    /** An end as it is written: a number, a text in quotes, or a date, time or duration behind an @. */
    private static @Nullable Object end(String text) {
        boolean isQuoted = text.length() >= 2 && text.startsWith("\"") && text.endsWith("\"");
        if (isQuoted) {
            return text.substring(1, text.length() - 1);
        }
        if (text.startsWith("@\"") && text.endsWith("\"") && text.length() > 3) {
            return Temporals.of(text.substring(2, text.length() - 1));
        }
        try {
            return new BigDecimal(text);
        } catch (NumberFormatException e) {
            return null;
        }
    }
}
