package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Bound;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * The values of a kind of field that can be compared by size, as points on a line: numbers as they are, days counted from
 * 1970-01-01, times in seconds.
 *
 * @param step how far apart neighbouring answers lie: a field of two decimals takes every 0.01
 * @param lowest the lowest answer that is accepted; null where there is none
 * @param highest the highest answer that is accepted; null where there is none
 */
record SizeLine(
        FieldKind kind,
        BigDecimal step,
        @Nullable BigDecimal lowest,
        @Nullable BigDecimal highest) {

    /** How many answers are a handful: as many as the longest scale in use, from 0 to 10. */
    private static final int MOST_FEW = 11;

    /** How many digits before the point a number has that somebody may mean. */
    private static final int MOST_MEANT = 18;

    private static final BigDecimal MINUTE = BigDecimal.valueOf(60);
    private static final LocalTime LAST = LocalTime.of(23, 59);

    static SizeLine of(FieldKind kind) {
        BigDecimal step = kind.isNumeric() ? BigDecimal.ONE.movePointLeft(kind.mostDecimals()) : BigDecimal.ONE;
        SizeLine open = new SizeLine(kind, step, null, null);
        return switch (kind) {
            case FieldKind.Numeric it -> open.within(it.lower(), it.upper());
            case FieldKind.Date it -> new SizeLine(kind, step, day(it.earliest()), day(it.latest()));
            case FieldKind.Time it ->
                new SizeLine(
                        kind,
                        MINUTE,
                        time(it.earliest() == null ? LocalTime.MIN : it.earliest()),
                        time(it.latest() == null ? LAST : it.latest()));
            case FieldKind other -> open;
        };
    }

    /** The same for what a formula gives, which is rounded to the decimals of the field and has no limits. */
    SizeLine ofFormula() {
        return kind instanceof FieldKind.Time
                ? new SizeLine(kind, BigDecimal.ONE, BigDecimal.ZERO, time(LocalTime.MAX))
                : new SizeLine(kind, step, null, null);
    }

    /** Whether anything can be answered below the lowest that is accepted: no mark is below the first, no time before midnight. */
    boolean refusesBelow() {
        return lowest != null
                && switch (kind) {
                    case FieldKind.Numeric it -> it.marks().isEmpty();
                    case FieldKind.Time ignored -> lowest.signum() > 0;
                    case FieldKind ignored -> true;
                };
    }

    /** Whether anything can be answered above the highest that is accepted. */
    boolean refusesAbove() {
        return highest != null
                && switch (kind) {
                    case FieldKind.Numeric it -> it.marks().isEmpty();
                    case FieldKind.Time ignored -> highest.compareTo(time(LAST)) < 0;
                    case FieldKind ignored -> true;
                };
    }

    /** The same with limits where it has none: from nought, or the other limit, to the most. */
    SizeLine limited(BigDecimal most) {
        BigDecimal above = lowest == null ? highest == null ? BigDecimal.ZERO : highest.min(BigDecimal.ZERO) : lowest;
        return new SizeLine(kind, step, above, highest == null ? most : highest);
    }

    private SizeLine within(@Nullable Bound lower, @Nullable Bound upper) {
        return new SizeLine(
                kind,
                step,
                lower == null ? null : lower.included() ? atOrAbove(lower.at()) : above(lower.at()),
                upper == null ? null : upper.included() ? atOrBelow(upper.at()) : below(upper.at()));
    }

    private static @Nullable BigDecimal day(@Nullable LocalDate day) {
        return day == null ? null : Bound.number(day);
    }

    private static BigDecimal time(LocalTime time) {
        return BigDecimal.valueOf(time.toSecondOfDay());
    }

    /** Where a value lies; null for one that lies on no line. */
    static @Nullable BigDecimal point(Value value) {
        return switch (value) {
            case Value.Number(var number) -> number;
            case Value.Date(var date) -> Bound.number(date);
            case Value.Time(var time) -> time(time);
            default -> null;
        };
    }

    /** Whether a number is one as nobody gives it: formulas turn there for want of digits. */
    static boolean isFar(BigDecimal number) {
        return (long) number.precision() - number.scale() > MOST_MEANT;
    }

    /** Where a point lies among some edges: even between two of them, odd at one. */
    static int position(BigDecimal point, List<BigDecimal> edges) {
        int below = 0;
        while (below < edges.size() && edges.get(below).compareTo(point) < 0) {
            below++;
        }
        boolean isEdge = below < edges.size() && edges.get(below).compareTo(point) == 0;
        return 2 * below + (isEdge ? 1 : 0);
    }

    /** Whether its points are days. */
    boolean isOfDays() {
        return kind.isDay();
    }

    /** All answers that are accepted, where they are a handful; nothing where they are more. */
    List<BigDecimal> few() {
        List<BigDecimal> all = new ArrayList<>();
        if (lowest == null || highest == null) {
            return all;
        }
        for (BigDecimal at = lowest; at.compareTo(highest) <= 0; at = at.add(step)) {
            if (all.size() == MOST_FEW) {
                return List.of();
            }
            all.add(at);
        }
        return all;
    }

    /** The value at a point. */
    Value value(BigDecimal point) {
        return kind.isDay()
                ? new Value.Date(LocalDate.ofEpochDay(point.longValueExact()))
                : kind instanceof FieldKind.Time
                        ? new Value.Time(LocalTime.ofSecondOfDay(point.longValueExact()))
                        : new Value.Number(point);
    }

    /** Whether a point is an answer that is accepted. */
    boolean accepts(BigDecimal point) {
        return atOrBelow(point).compareTo(point) == 0
                && (lowest == null || point.compareTo(lowest) >= 0)
                && (highest == null || point.compareTo(highest) <= 0);
    }

    /** The lowest accepted answer above a point; null below all where that is null and there is none. */
    @Nullable
    BigDecimal first(@Nullable BigDecimal above) {
        BigDecimal next = above == null ? null : above(above);
        return next == null ? lowest : lowest == null ? next : next.max(lowest);
    }

    /** The highest accepted answer below a point; null above all where that is null and there is none. */
    @Nullable
    BigDecimal last(@Nullable BigDecimal below) {
        BigDecimal next = below == null ? null : below(below);
        return next == null ? highest : highest == null ? next : next.min(highest);
    }

    private BigDecimal atOrBelow(BigDecimal point) {
        return point.divide(step, 0, RoundingMode.FLOOR).multiply(step);
    }

    private BigDecimal atOrAbove(BigDecimal point) {
        return point.divide(step, 0, RoundingMode.CEILING).multiply(step);
    }

    private BigDecimal above(BigDecimal point) {
        return atOrBelow(point).add(step);
    }

    private BigDecimal below(BigDecimal point) {
        return atOrAbove(point).subtract(step);
    }

    /**
     * A plain answer between two, as short as it can be written; the edges themselves belong to it.
     *
     * @param first null for no lower edge
     * @param last null for no upper edge
     */
    BigDecimal plain(@Nullable BigDecimal first, @Nullable BigDecimal last) {
        if (first == null) {
            return last == null ? usual() : atOrBelow(last.setScale(0, RoundingMode.FLOOR));
        }
        BigDecimal whole = atOrAbove(first.setScale(0, RoundingMode.CEILING));
        return last == null || whole.compareTo(last) <= 0 ? whole : first;
    }

    private BigDecimal usual() {
        return kind.isDay() ? Bound.number(LocalDate.of(2026, 1, 1)) : BigDecimal.ONE;
    }
}
