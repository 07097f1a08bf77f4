package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Which part of a formula is told as giving nothing: the innermost that does, and no name that the formula binds itself. */
class BlankPartTest {

    private static final Map<String, Type> NAMES = Map.of(
            "depth", Type.Simple.NUMBER,
            "width", Type.Simple.NUMBER,
            "wet", Type.Simple.YES_NO,
            "costs", new Type.ListOf(Type.Simple.NUMBER),
            "full", new Type.ListOf(Type.Simple.NUMBER));
    private static final List<String> ORDER = List.of("depth", "width", "wet", "costs", "full");

    /** The depth is blank, and one of the costs is. */
    private static @Nullable String told(String formula) {
        return Formula.of(formula, NAMES)
                .blankPart(
                        ORDER,
                        Locale.ENGLISH,
                        null,
                        BigDecimal.valueOf(3),
                        true,
                        Arrays.asList(BigDecimal.ONE, null),
                        List.of(BigDecimal.ONE, BigDecimal.TWO));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "depth | “depth” is blank.",
                "width + depth * 2 | “depth” is blank.",
                "(width + 1) / (depth - 1) | “depth” is blank.",
                "-depth | “depth” is blank.",
                "abs(depth) | “depth” is blank.",
                "null | 'It gives nothing, as is written there.'",
                "width + null | 'It gives nothing, as is written there.'",
                "width / 0 | “width / 0” gives nothing.",
                "1 + width / 0 | “width / 0” gives nothing.",
                "sum(costs) | '“sum(costs)” gives nothing, because there is a blank among them. total(…) counts blanks as 0.'",
                "mean(costs) + 1 | '“mean(costs)” gives nothing, because there is a blank among them.'",
                "max(costs) | '“max(costs)” gives nothing, because there is a blank among them.'",
                "mean([]) | “mean([])” gives nothing.",
                "if wet then depth else width | “depth” is blank.",
                "if not(wet) then width else depth | “depth” is blank.",
                "full[item > 5][1] | “full[item > 5][1]” gives nothing.",
            })
    void theInnermostPartThatGivesNothingIsTold(String formula, String told) {
        assertThat(told(formula)).isEqualTo(told);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "width",
                "depth = null",
                "depth != null",
                "total(costs)",
                "if depth = null then 0 else depth",
                "if wet then width else depth",
                "count(costs)",
                "[depth]",
                "{a: depth}",
                "false and depth > 3",
            })
    void ofAFormulaThatGivesSomethingNothingIsTold(String formula) {
        assertThat(told(formula)).isNull();
    }

    @Test
    void whatAFormulaBindsItselfIsNotToldAsBlank() {
        assertThat(told("(for each in full return depth + each)[1]"))
                .isEqualTo("“(for each in full return depth + each)[1]” gives nothing.");
        assertThat(told("some each in full satisfies depth > each"))
                .isEqualTo("“some each in full satisfies depth > each” gives nothing.");
        assertThat(told("{a: depth}.a")).isEqualTo("“{a: depth}.a” gives nothing.");
    }

    @Test
    void aLongPartIsShortenedByWholeCharacters() {
        String told = Objects.requireNonNull(told("substring(\"" + "🜂".repeat(120) + "\", 500)[3]"));
        assertThat(told).endsWith("…” gives nothing.");
        String part = told.substring(1, told.indexOf('”'));
        assertThat(part.codePointCount(0, part.length())).isEqualTo(100);
        assertThat(part.codePoints().noneMatch(point -> point >= 0xD800 && point <= 0xDFFF))
                .as("no half of a character")
                .isTrue();
    }

    @Test
    void whatIsStoppedSaysSo() {
        assertThat(told("count(for a in 1..100000, b in 1..100000 return a * b) + depth"))
                .isEqualTo("It does more than a formula may, and was stopped.");
    }
}
