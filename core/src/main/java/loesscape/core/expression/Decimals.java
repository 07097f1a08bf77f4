package loesscape.core.expression;

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
            BigDecimal power = base.pow(Math.abs(times), new MathContext(CONTEXT.getPrecision() + 10));
            return times < 0 ? BigDecimal.ONE.divide(power, CONTEXT) : power.round(CONTEXT);
        }
        return fromDouble(Math.pow(base.doubleValue(), exponent.doubleValue()));
    }

    /** A result that only binary floating point has, such as a logarithm, as the shortest decimal for it. */
    public static BigDecimal fromDouble(double number) {
        if (!Double.isFinite(number)) {
            throw new ArithmeticException("Not a number");
        }
        return BigDecimal.valueOf(number);
    }

    /** A number rounded to a number of decimals, which may be below 0; null where that many make no sense. */
    public static @Nullable BigDecimal rounded(BigDecimal number, BigDecimal decimals, RoundingMode mode) {
        int scale = decimals.setScale(0, RoundingMode.DOWN).intValue();
        if (Math.abs(decimals.longValue()) > GREATEST_EXPONENT) {
            return null;
        }
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
