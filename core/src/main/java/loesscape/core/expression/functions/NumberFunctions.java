package loesscape.core.expression.functions;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.util.List;
import loesscape.core.expression.Decimals;
import loesscape.core.expression.Months;
import org.jspecify.annotations.Nullable;

/** Numbers (DMN 1.4, 10.3.4.5). */
final class NumberFunctions {

    static final List<Function> ALL = List.of(
            rounding(
                    "decimal",
                    RoundingMode.HALF_EVEN,
                    "Rounded to some decimals, a half to the even digit.",
                    "decimal(1.115, 2)",
                    2),
            rounding(
                    "floor",
                    RoundingMode.FLOOR,
                    "The next whole number below, or to some decimals.",
                    "floor(-1.56, 1)",
                    1),
            rounding(
                    "ceiling",
                    RoundingMode.CEILING,
                    "The next whole number above, or to some decimals.",
                    "ceiling(-1.56, 1)",
                    1),
            rounding("round up", RoundingMode.UP, "Rounded away from zero.", "round up(5.5, 0)", 2),
            rounding("round down", RoundingMode.DOWN, "Rounded towards zero.", "round down(5.5, 0)", 2),
            rounding(
                    "round half up",
                    RoundingMode.HALF_UP,
                    "Rounded, a half away from zero.",
                    "round half up(-5.5, 0)",
                    2),
            rounding(
                    "round half down",
                    RoundingMode.HALF_DOWN,
                    "Rounded, a half towards zero.",
                    "round half down(5.5, 0)",
                    2),
            new Function(
                    "abs",
                    List.of("n"),
                    1,
                    false,
                    "A number or a duration without its sign.",
                    "abs(-10)",
                    (work, given) -> switch (given.single(0)) {
                        case BigDecimal number -> number.abs();
                        case Duration duration -> duration.abs();
                        case Months months -> new Months(Math.absExact(months.total()));
                        case null, default -> null;
                    }),
            new Function(
                    "modulo",
                    List.of("dividend", "divisor"),
                    2,
                    false,
                    "What is left of a division, with the sign of the divisor.",
                    "modulo(-12, 5)",
                    (work, given) ->
                            given.get(0) instanceof BigDecimal dividend && given.get(1) instanceof BigDecimal divisor
                                    ? modulo(dividend, divisor)
                                    : null),
            one("sqrt", "The square root.", "sqrt(16)", number -> number.sqrt(Decimals.CONTEXT)),
            one("log", "The natural logarithm.", "log(1)", Decimals::log),
            one("exp", "Euler’s number raised to a number.", "exp(0)", Decimals::exp),
            parity("odd", "Whether a whole number is odd.", "odd(5)", 1),
            parity("even", "Whether a whole number is even.", "even(5)", 0));

    private NumberFunctions() {}

    private interface OfNumber {
        @Nullable
        BigDecimal of(BigDecimal number);
    }

    private static Function one(String name, String says, String example, OfNumber body) {
        return new Function(name, List.of("number"), 1, false, says, example, (work, given) -> {
            try {
                BigDecimal result = given.get(0) instanceof BigDecimal number ? body.of(number) : null;
                return result == null ? null : Decimals.inRange(result);
            } catch (ArithmeticException e) {
                return null;
            }
        });
    }

    private static Function rounding(String name, RoundingMode mode, String says, String example, int required) {
        return new Function(name, List.of("n", "scale"), required, false, says, example, (work, given) -> {
            Object scale = given.size() > 1 ? given.get(1) : BigDecimal.ZERO;
            return given.get(0) instanceof BigDecimal number && scale instanceof BigDecimal decimals
                    ? Decimals.rounded(number, decimals, mode)
                    : null;
        });
    }

    private static @Nullable BigDecimal modulo(BigDecimal dividend, BigDecimal divisor) {
        if (divisor.signum() == 0) {
            return null;
        }
        try {
            BigDecimal times = dividend.divide(divisor, Decimals.CONTEXT).setScale(0, RoundingMode.FLOOR);
            return Decimals.inRange(dividend.subtract(divisor.multiply(times, Decimals.CONTEXT), Decimals.CONTEXT));
        } catch (ArithmeticException e) {
            return null;
        }
    }

    private static Function parity(String name, String says, String example, int rest) {
        return new Function(name, List.of("number"), 1, false, says, example, (work, given) -> {
            if (!(given.get(0) instanceof BigDecimal number)) {
                return null;
            }
            return number.remainder(BigDecimal.valueOf(2)).abs().compareTo(BigDecimal.valueOf(rest)) == 0;
        });
    }
}
