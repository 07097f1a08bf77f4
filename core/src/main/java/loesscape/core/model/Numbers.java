package loesscape.core.model;

import java.math.BigDecimal;

/** Decimal numbers: bounds that keep arithmetic cheap, and the plain way to write them. */
public final class Numbers {

    /** The most digits a number may have, before and after the decimal sign together. */
    public static final int MOST_DIGITS = 34;

    private Numbers() {}

    /**
     * Tells whether a number has at most {@value #MOST_DIGITS} digits when written out, the precision of IEEE 754
     * decimal128, which FEEL names for its numbers (OMG DMN 1.4, 10.3.2.3.1). Never writes the number out to find out.
     */
    public static boolean isReasonable(BigDecimal number) {
        return number.precision() <= MOST_DIGITS
                && Math.abs((long) number.scale()) <= MOST_DIGITS
                && (long) number.precision() - number.scale() <= MOST_DIGITS;
    }

    /**
     * The one form of a number that is the same for 2.0 and 2.00: without trailing zeros behind the point, and without an
     * exponent, so that whole numbers are compared fast. Hostile exponents are left alone; they are refused.
     */
    static BigDecimal canonical(BigDecimal number) {
        if (number.signum() == 0) {
            return BigDecimal.ZERO;
        }
        if (number.scale() == 0 || !isReasonable(number)) {
            return number;
        }
        BigDecimal stripped = number.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    /** The number in digits, with a point, without an exponent and without trailing zeros. */
    public static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }
}
