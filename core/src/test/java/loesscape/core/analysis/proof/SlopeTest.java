package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import loesscape.core.expression.Formula;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Where formulas go while x grows; p is never below nought, n never above, and nothing is known of u. */
class SlopeTest {

    private static final Map<String, Integer> SIGNS = Map.of("p", 1, "n", -1);

    @ParameterizedTest
    @CsvSource(
            delimiter = '~',
            nullValues = "?",
            value = {
                "x ~ UP",
                "5 ~ LEVEL",
                "u ~ LEVEL",
                "-x ~ DOWN",
                "-(-x) ~ UP",
                // Sums and differences.
                "x + 3 ~ UP",
                "3 + x ~ UP",
                "x + x ~ UP",
                "x - 3 ~ UP",
                "3 - x ~ DOWN",
                "x - x ~ ?",
                "x + (3 - x) ~ ?",
                "(3 - x) + (4 - x) ~ DOWN",
                "(3 - x) - x ~ DOWN",
                "u - x ~ DOWN",
                // Products: the sign of the other side is known, or it is not.
                "x * 2 ~ UP",
                "2 * x ~ UP",
                "x * 0 ~ UP",
                "-2 * x ~ DOWN",
                "x * -2 ~ DOWN",
                "p * x ~ UP",
                "x * n ~ DOWN",
                "x * u ~ ?",
                "x * x ~ ?",
                "x * (-p) ~ DOWN",
                "x * (-u) ~ ?",
                "x * (p + 1) ~ UP",
                "x * (p + n) ~ ?",
                "x * (p - n) ~ UP",
                "x * (n - p) ~ DOWN",
                "x * (p - p) ~ ?",
                "x * (p * n) ~ DOWN",
                "x * (n * n) ~ UP",
                "x * (p / 2) ~ UP",
                "x * (p + u) ~ ?",
                "x * (u + p) ~ ?",
                "x * (p ** 2) ~ ?",
                "x * (if u > 1 then p else 3) ~ UP",
                "x * (if u > 1 then n else -3) ~ DOWN",
                "x * (if u > 1 then p else n) ~ ?",
                "x * (if u > 1 then p else u) ~ ?",
                "x * (if u > 1 then u else p) ~ ?",
                "x * max(p, 2) ~ UP",
                "x * min([n, -2]) ~ DOWN",
                "x * max(p, n) ~ ?",
                "x * max(u, p) ~ ?",
                "x * max(p, u) ~ ?",
                "x * sqrt(p) ~ ?",
                // Quotients.
                "x / 2 ~ UP",
                "x / -2 ~ ?",
                "x / (-2) ~ ?",
                "(3 - x) / 2 ~ DOWN",
                "x / p ~ ?",
                "2 / x ~ ?",
                "x / duration(\"P7D\") ~ UP",
                "x / duration(\"-P7D\") ~ ?",
                "x / duration(\"P1M\") ~ ?",
                "x ** 2 ~ ?",
                // What decides between two.
                "if u > 1 then x else 2 * x ~ UP",
                "if u > 1 then x else 3 ~ UP",
                "if u > 1 then 3 else -x ~ DOWN",
                "if u > 1 then x else -x ~ ?",
                "if x > 1 then x else 2 * x ~ ?",
                // Functions.
                "floor(x) ~ UP",
                "round half up(3 - x, 2) ~ DOWN",
                "floor(x * x) ~ ?",
                "max(x, 3) ~ UP",
                "min([3 - x, u]) ~ DOWN",
                "min(x, -x) ~ ?",
                "max(u, p) ~ LEVEL",
                "abs(x) ~ ?",
                "years and months duration(x, u) ~ DOWN",
                "years and months duration(u, x) ~ UP",
                "years and months duration(x, x) ~ ?",
                "years and months duration(from: u, to: x) ~ ?",
                "x.year ~ UP",
                "(u - x).days ~ DOWN",
                "x.month ~ ?",
                // Whatever else there is says nothing of where it goes.
                "x > 3 ~ ?",
                "x between 1 and 3 ~ ?",
                "x in [1, 2] ~ ?",
                "x > 3 and true ~ ?",
                "x > 3 or true ~ ?",
                "sum(for i in [1, 2] return i * x) ~ ?",
                "some i in [1, 2] satisfies i > x ~ ?",
                "[x, 3][1] ~ ?",
                "x instance of number ~ ?",
            })
    void aFormulaGoesOneWayOrItIsNotKnown(String formula, String slope) {
        Slope found = Slope.of(Formula.tree(formula), "x", SIGNS);
        assertThat(found == null ? null : found.name()).isEqualTo(slope);
    }

    @ParameterizedTest
    @EnumSource(Slope.class)
    void turnedTwiceItGoesAsBefore(Slope slope) {
        assertThat(slope.turned().turned()).isEqualTo(slope);
    }

    @Test
    void levelStaysLevel() {
        assertThat(Slope.LEVEL.turned()).isEqualTo(Slope.LEVEL);
        assertThat(Slope.UP.turned()).isEqualTo(Slope.DOWN);
    }
}
