package loesscape.core.expression;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.expression.Tree.Operation;
import loesscape.core.expression.Tree.Test;
import org.jspecify.annotations.Nullable;

/** What operators mean for values, null included (DMN 1.4, 10.3.2.12 to 10.3.2.16, tables 45 to 55). */
public final class Semantics {

    private Semantics() {}

    /** Conjunction of three values (DMN 1.4, table 50): false wins, then null; what is no truth value counts as null. */
    public static @Nullable Boolean and(@Nullable Object left, @Nullable Object right) {
        if (Boolean.FALSE.equals(left) || Boolean.FALSE.equals(right)) {
            return false;
        }
        return (Boolean.TRUE.equals(left) && Boolean.TRUE.equals(right)) ? true : null;
    }

    /** Disjunction of three values (DMN 1.4, table 50): true wins, then null. */
    public static @Nullable Boolean or(@Nullable Object left, @Nullable Object right) {
        if (Boolean.TRUE.equals(left) || Boolean.TRUE.equals(right)) {
            return true;
        }
        return (Boolean.FALSE.equals(left) && Boolean.FALSE.equals(right)) ? false : null;
    }

    /** The result of a comparison; null where the two cannot be compared. */
    static @Nullable Boolean compare(Work work, Test test, @Nullable Object left, @Nullable Object right) {
        return switch (test) {
            case EQUAL -> equal(work, left, right);
            case NOT_EQUAL -> negated(equal(work, left, right));
            case LESS -> ordered(left, right, order -> order < 0);
            case AT_MOST -> ordered(left, right, order -> order <= 0);
            case MORE -> ordered(left, right, order -> order > 0);
            case AT_LEAST -> ordered(left, right, order -> order >= 0);
        };
    }

    private static @Nullable Boolean negated(@Nullable Boolean value) {
        return value == null ? null : Boolean.valueOf(!value);
    }

    /**
     * Whether two values are the same; null equals null and nothing else; values of different kinds give null. Lists and
     * contexts are the same if all in them is, else not.
     */
    public static @Nullable Boolean equal(Work work, @Nullable Object left, @Nullable Object right) {
        if (left == null || right == null) {
            return left == null && right == null;
        }
        if (left instanceof BigDecimal a && right instanceof BigDecimal b) {
            return a.compareTo(b) == 0;
        }
        if (left instanceof List<?> a && right instanceof List<?> b) {
            return equalLists(work, a, b);
        }
        if (left instanceof Map<?, ?> a && right instanceof Map<?, ?> b) {
            return equalContexts(work, a, b);
        }
        if (left instanceof Range a && right instanceof Range b) {
            boolean sameEnds = a.lowIncluded() == b.lowIncluded() && a.highIncluded() == b.highIncluded();
            return and(sameEnds, and(equal(work, a.low(), b.low()), equal(work, a.high(), b.high())));
        }
        return left.getClass() == right.getClass() ? Boolean.valueOf(left.equals(right)) : null;
    }

    private static boolean equalLists(Work work, List<?> left, List<?> right) {
        boolean all = left.size() == right.size();
        Iterator<?> other = right.iterator();
        for (Iterator<?> one = left.iterator(); all && one.hasNext(); ) {
            work.take(1);
            all = Boolean.TRUE.equals(equal(work, one.next(), other.next()));
        }
        return all;
    }

    private static boolean equalContexts(Work work, Map<?, ?> left, Map<?, ?> right) {
        boolean all = left.keySet().equals(right.keySet());
        for (Iterator<? extends Map.Entry<?, ?>> one = left.entrySet().iterator(); all && one.hasNext(); ) {
            work.take(1);
            Map.Entry<?, ?> entry = one.next();
            all = Boolean.TRUE.equals(equal(work, entry.getValue(), right.get(entry.getKey())));
        }
        return all;
    }

    private interface Wanted {
        boolean of(int order);
    }

    private static @Nullable Boolean ordered(@Nullable Object left, @Nullable Object right, Wanted wanted) {
        Integer order = order(left, right);
        return order == null ? null : Boolean.valueOf(wanted.of(order));
    }

    /** Which of two values comes first; null where that cannot be said. */
    public static @Nullable Integer order(@Nullable Object left, @Nullable Object right) {
        if (left instanceof BigDecimal a && right instanceof BigDecimal b) {
            return a.compareTo(b);
        }
        if (left instanceof String a && right instanceof String b) {
            return a.compareTo(b);
        }
        if (left instanceof LocalDate a && right instanceof LocalDate b) {
            return a.compareTo(b);
        }
        if (left instanceof LocalTime a && right instanceof LocalTime b) {
            return a.compareTo(b);
        }
        if (left instanceof LocalDateTime a && right instanceof LocalDateTime b) {
            return a.compareTo(b);
        }
        if (left instanceof Duration a && right instanceof Duration b) {
            return a.compareTo(b);
        }
        return left instanceof Months a && right instanceof Months b ? Integer.valueOf(a.compareTo(b)) : null;
    }

    /** Whether a value lies between two others, both ends in. */
    static @Nullable Boolean between(Work work, @Nullable Object value, @Nullable Object low, @Nullable Object high) {
        return and(compare(work, Test.AT_LEAST, value, low), compare(work, Test.AT_MOST, value, high));
    }

    /** Whether a value meets a test behind {@code in}: is in a range, meets one of a list, or is the same. */
    static @Nullable Boolean in(Work work, @Nullable Object value, @Nullable Object test) {
        if (test instanceof Range range && !(value instanceof Range)) {
            Test above = range.lowIncluded() ? Test.AT_LEAST : Test.MORE;
            Test below = range.highIncluded() ? Test.AT_MOST : Test.LESS;
            return and(compare(work, above, value, range.low()), compare(work, below, value, range.high()));
        }
        if (test instanceof List<?> list) {
            boolean isSame = value instanceof List<?> && Boolean.TRUE.equals(equal(work, value, list));
            return isSame ? Boolean.TRUE : Boolean.valueOf(inOne(work, value, list));
        }
        boolean isNothing = test == null && value != null;
        return isNothing ? null : equal(work, value, test);
    }

    private static boolean inOne(Work work, @Nullable Object value, List<?> tests) {
        for (Object test : tests) {
            work.take(1);
            Boolean meets = test instanceof Range ? in(work, value, test) : equal(work, test, value);
            if (Boolean.TRUE.equals(meets)) {
                return true;
            }
        }
        return false;
    }

    /** Whether a list has an element that is the same as a value. */
    public static boolean contains(Work work, List<?> list, @Nullable Object value) {
        for (Object element : list) {
            work.take(1);
            if (Boolean.TRUE.equals(equal(work, element, value))) {
                return true;
            }
        }
        return false;
    }

    /** The result of arithmetic on numbers, texts, dates and durations; null where there is none (DMN 1.4, tables 52 to 55). */
    static @Nullable Object calculate(Operation operation, @Nullable Object left, @Nullable Object right) {
        if (left == null || right == null) {
            return null;
        }
        if (left instanceof BigDecimal a && right instanceof BigDecimal b) {
            return Decimals.calculate(operation, a, b);
        }
        if (left instanceof String a && right instanceof String b) {
            return operation == Operation.ADD ? a + b : null;
        }
        try {
            return switch (operation) {
                case ADD -> added(left, right);
                case SUBTRACT -> subtracted(left, right);
                case MULTIPLY ->
                    right instanceof BigDecimal by
                            ? times(left, by)
                            : left instanceof BigDecimal by ? times(right, by) : null;
                case DIVIDE -> divided(left, right);
                case RAISE -> null;
            };
        } catch (ArithmeticException | DateTimeException e) {
            return null;
        }
    }

    private static @Nullable Object added(Object left, Object right) {
        return switch (right) {
            case Duration by ->
                switch (left) {
                    case Duration duration -> duration.plus(by);
                    case LocalDateTime moment -> moment.plus(by);
                    case LocalDate day -> day.atStartOfDay().plus(by).toLocalDate();
                    case LocalTime time -> time.plus(by);
                    default -> null;
                };
            case Months by ->
                switch (left) {
                    case Months months -> new Months(Math.addExact(months.total(), by.total()));
                    case LocalDateTime moment -> moment.plusMonths(by.total());
                    case LocalDate day -> day.plusMonths(by.total());
                    default -> null;
                };
            default -> left instanceof Duration || left instanceof Months ? swapped(left, right) : null;
        };
    }

    private static @Nullable Object swapped(Object duration, Object other) {
        return other instanceof Duration
                        || other instanceof Months
                        || other instanceof BigDecimal
                        || other instanceof String
                ? null
                : added(other, duration);
    }

    private static @Nullable Object subtracted(Object left, Object right) {
        return switch (right) {
            case Duration by -> added(left, by.negated());
            case Months by -> added(left, new Months(Math.negateExact(by.total())));
            case LocalDateTime to -> left instanceof LocalDateTime from ? Duration.between(to, from) : null;
            case LocalDate to ->
                left instanceof LocalDate from ? Duration.between(to.atStartOfDay(), from.atStartOfDay()) : null;
            case LocalTime to -> left instanceof LocalTime from ? Duration.between(to, from) : null;
            default -> null;
        };
    }

    private static @Nullable Object times(Object duration, BigDecimal by) {
        return switch (duration) {
            case Months months ->
                new Months(whole(BigDecimal.valueOf(months.total()).multiply(by)));
            case Duration it -> duration(nanos(it).multiply(by, Decimals.CONTEXT));
            default -> null;
        };
    }

    private static @Nullable Object divided(Object left, Object right) {
        if (right instanceof BigDecimal by) {
            return by.signum() == 0
                    ? null
                    : switch (left) {
                        case Months months ->
                            new Months(whole(BigDecimal.valueOf(months.total()).divide(by, Decimals.CONTEXT)));
                        case Duration it -> duration(nanos(it).divide(by, Decimals.CONTEXT));
                        default -> null;
                    };
        }
        if (left instanceof Duration a && right instanceof Duration b && !b.isZero()) {
            return nanos(a).divide(nanos(b), Decimals.CONTEXT);
        }
        return left instanceof Months a && right instanceof Months b && b.total() != 0
                ? BigDecimal.valueOf(a.total()).divide(BigDecimal.valueOf(b.total()), Decimals.CONTEXT)
                : null;
    }

    /** A number without its decimals; fails where it is too large. */
    private static long whole(BigDecimal number) {
        return number.setScale(0, RoundingMode.DOWN).longValueExact();
    }

    private static BigDecimal nanos(Duration duration) {
        return BigDecimal.valueOf(duration.getSeconds()).movePointRight(9).add(BigDecimal.valueOf(duration.getNano()));
    }

    private static Duration duration(BigDecimal nanos) {
        var parts = nanos.toBigInteger().divideAndRemainder(BigInteger.valueOf(1_000_000_000));
        return Duration.ofSeconds(parts[0].longValueExact(), parts[1].longValueExact());
    }

    static @Nullable Object negated(@Nullable Object value) {
        return switch (value) {
            case BigDecimal number -> number.negate();
            case Duration duration -> duration.equals(LONGEST_BACK) ? null : duration.negated();
            case Months months -> months.total() == Long.MIN_VALUE ? null : new Months(-months.total());
            case null, default -> null;
        };
    }

    /** The one duration that has no counterpart. */
    private static final Duration LONGEST_BACK = Duration.ofSeconds(Long.MIN_VALUE);

    /** The value as a list: itself, an empty one for null, one of itself alone for anything else. */
    public static List<?> listOf(@Nullable Object value) {
        return value instanceof List<?> list
                ? list
                : value == null ? List.of() : List.of(Objects.requireNonNull(value));
    }
}
