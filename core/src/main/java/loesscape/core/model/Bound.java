package loesscape.core.model;

import java.math.BigDecimal;

/**
 * One end of a range of numbers.
 *
 * @param at where the range ends
 * @param included whether the value {@code at} itself belongs to the range
 */
public record Bound(BigDecimal at, boolean included) {

    public Bound {
        at = Numbers.canonical(at);
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
