package loesscape.core.model;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * One end of a range of numbers or days.
 *
 * @param at where the range ends; of days, how many days after 1970-01-01 that is
 * @param included whether the value {@code at} itself belongs to the range
 * @param day where a range of days ends, and then {@code at} follows from it; null for a range of numbers
 */
public record Bound(
        BigDecimal at, boolean included, @Nullable LocalDate day) {

    public Bound {
        at = day == null ? Numbers.canonical(at) : number(day);
    }

    /** One end of a range of numbers. */
    public Bound(BigDecimal at, boolean included) {
        this(at, included, null);
    }

    /** One end of a range of days. */
    public static Bound of(LocalDate day, boolean included) {
        return new Bound(number(day), included, day);
    }

    /** A day as a number: how many days after 1970-01-01 it is. */
    public static BigDecimal number(LocalDate day) {
        return BigDecimal.valueOf(day.toEpochDay());
    }

    /** Whether it is one of days. */
    public boolean isOfDays() {
        return day != null;
    }

    /** Tells whether {@code number} lies on the inner side of this bound as the upper end of a range. */
    public boolean holdsBelow(BigDecimal number) {
        int order = number.compareTo(at);
        return included ? order <= 0 : order < 0;
    }

    /** Tells whether {@code number} lies on the inner side of this bound as the lower end of a range. */
    public boolean holdsAbove(BigDecimal number) {
        int order = number.compareTo(at);
        return included ? order >= 0 : order > 0;
    }
}
