package loesscape.core.expression;

import ch.obermuhlner.math.big.BigDecimalMath;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import loesscape.core.expression.Tree.Operation;
import org.jspecify.annotations.Nullable;

/** Decimal arithmetic of 34 digits, as IEEE 754 decimal128 has (DMN 1.4, 10.3.2.3.1). What is out of range is null. */
public final class Decimals {

    /** 34 digits, rounded half to even. */
    public static final MathContext CONTEXT = MathContext.DECIMAL128;

    private static final int GREATEST_EXPONENT = 6144;

    /** The scales that a number can have (DMN 1.4, 10.3.4.5). */
    private static final BigDecimal LEAST_SCALE = BigDecimal.valueOf(-6111);

    private static final BigDecimal GREATEST_SCALE = BigDecimal.valueOf(6176);

    /** More digits than are kept, for what is worked out in several steps. */
    private static final MathContext MORE = new MathContext(CONTEXT.getPrecision() + 10);

    /** Above this, e raised to a number has an exponent above 6144; a power to it takes no longer than one below. */
    private static final BigDecimal GREATEST_LOGARITHM = BigDecimal.valueOf(14_150);

    private Decimals() {}

    /** The number rounded to 34 digits; null where its exponent is not one of decimal128. */
    public static @Nullable BigDecimal inRange(BigDecimal number) {
        long exponent = (long) number.precision() - number.scale() - 1;
        if (number.signum() != 0 && Math.abs(exponent) > GREATEST_EXPONENT) {
            return null;
        }
        return number.signum() == 0 ? BigDecimal.ZERO : number.round(CONTEXT);
    }

    /** The result of an operation; null where there is none. */
    static @Nullable BigDecimal calculate(Operation operation, BigDecimal left, BigDecimal right) {
        try {
            return inRange(
                    switch (operation) {
                        case ADD -> left.add(right, CONTEXT);
                        case SUBTRACT -> left.subtract(right, CONTEXT);
                        case MULTIPLY -> left.multiply(right, CONTEXT);
                        case DIVIDE -> left.divide(right, CONTEXT);
                        case RAISE -> raise(left, right);
                    });
        } catch (ArithmeticException e) {
            return null;
        }
    }

    private static BigDecimal raise(BigDecimal base, BigDecimal exponent) {
        BigDecimal whole = exponent.stripTrailingZeros();
        if (whole.scale() <= 0 && whole.abs().compareTo(BigDecimal.valueOf(99_999)) <= 0) {
            int times = whole.intValueExact();
            BigDecimal power = base.pow(Math.abs(times), MORE);
            return times < 0 ? BigDecimal.ONE.divide(power, CONTEXT) : power.round(CONTEXT);
        }
        return exponential(exponent.multiply(logarithm(base), MORE));
    }

    /** The natural logarithm; fails for what is not above 0. */
    private static BigDecimal logarithm(BigDecimal number) {
        if (number.signum() <= 0) {
            throw new ArithmeticException("No logarithm");
        }
        return BigDecimalMath.log(number, MORE);
    }

    /** Euler's number raised to a number; fails where that is out of range, before it is worked out. */
    private static BigDecimal exponential(BigDecimal number) {
        if (number.compareTo(GREATEST_LOGARITHM) > 0) {
            throw new ArithmeticException("Out of range");
        }
        return number.compareTo(GREATEST_LOGARITHM.negate()) < 0 ? BigDecimal.ZERO : BigDecimalMath.exp(number, MORE);
    }

    /** The natural logarithm, to 34 digits; null for what is not above 0. */
    public static @Nullable BigDecimal log(BigDecimal number) {
        return number.signum() <= 0 ? null : inRange(logarithm(number));
    }

    /** Euler's number raised to a number, to 34 digits; null where that is out of range. */
    public static @Nullable BigDecimal exp(BigDecimal number) {
        return number.compareTo(GREATEST_LOGARITHM) > 0 ? null : inRange(exponential(number));
    }

    /** A number rounded to a number of decimals, which may be below 0; null where that many make no sense. */
    public static @Nullable BigDecimal rounded(BigDecimal number, BigDecimal decimals, RoundingMode mode) {
        if (decimals.compareTo(LEAST_SCALE) < 0 || decimals.compareTo(GREATEST_SCALE) > 0) {
            return null;
        }
        int scale = decimals.setScale(0, RoundingMode.DOWN).intValue();
        return number.scale() <= scale ? number : inRange(number.setScale(scale, mode));
    }

    /** A number as a position or a length; what is larger than any list is as large as none can be. */
    public static int place(BigDecimal number) {
        int most = Integer.MAX_VALUE / 2;
        return number.compareTo(BigDecimal.valueOf(most)) > 0
                ? most
                : number.compareTo(BigDecimal.valueOf(-most)) < 0 ? -most : number.intValue();
    }

    /** The number in digits, as {@code string()} writes it. */
    public static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }
}
