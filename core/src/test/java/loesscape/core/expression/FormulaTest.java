package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What formulas mean, against the text and tables of the OMG's DMN 1.4, chapter 10.3. Clauses from memory. */
class FormulaTest {

    private static final Map<String, Type> NAMES = Map.of(
            "depth", Type.Simple.NUMBER,
            "name", Type.Simple.TEXT,
            "wet", Type.Simple.YES_NO,
            "day", Type.Simple.DATE,
            "rows", new Type.ListOf(new Type.Context(Map.of("amount", Type.Simple.NUMBER, "kind", Type.Simple.TEXT))));

    private static final List<String> ORDER = List.of("depth", "name", "wet", "day", "rows");

    private static @Nullable Object value(String formula) {
        List<Map<String, Object>> rows = List.of(
                Map.of("amount", BigDecimal.valueOf(5), "kind", "soil"),
                Map.of("amount", BigDecimal.valueOf(20), "kind", "rock"));
        return Formula.of(formula, NAMES)
                .compile(ORDER)
                .run(BigDecimal.valueOf(80), "Ilvo", true, LocalDate.of(2026, 11, 24), rows);
    }

    private static String text(String formula) {
        return String.valueOf(value("string(" + formula + ")"));
    }

    /** DMN 1.4, table 50: conjunction and disjunction of three values. */
    @ParameterizedTest
    @CsvSource({
        "true, true, true, true",
        "true, false, false, true",
        "true, null, null, true",
        "false, true, false, true",
        "false, false, false, false",
        "false, null, false, null",
        "null, true, null, true",
        "null, false, false, null",
        "null, null, null, null"
    })
    void andAndOrHaveThreeValues(String left, String right, String and, String or) {
        assertThat(text(left + " and " + right)).isEqualTo(and);
        assertThat(text(left + " or " + right)).isEqualTo(or);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0.1 + 0.2 = 0.3|true",
                "1 + 2 * 3|7",
                "(1 + 2) * 3|9",
                "2 ** 3 ** 2|64",
                "-2 ** 2|4",
                "10 - 4 - 3|3",
                "1 / 3 * 3 = 1|false",
                "1 / 0|null",
                "\"a\" + \"b\"|ab",
                "null + 1|null",
                "null = null|true",
                "depth = null|false",
                "null < 1|null",
                "null != \"x\"|true",
                "not(null)|null",
                "5 between 1 and 5|true",
                "null between 1 and 5|null",
                "1 in [1 .. 5)|true",
                "5 in [1 .. 5)|false",
                "3 in (> 5, 3)|true",
                "\"c\" in (\"a\", \"b\")|false",
                "2 in [1, 2, 3]|true",
                "if null then 1 else 2|2",
                "if depth > 50 then 120 + 2 * (depth - 50) else 120|180",
                "some x in [1, 2, null] satisfies x > 1|true",
                "every x in [1, 2, null] satisfies x > 0|null",
                "every x in [] satisfies false|true",
                "for x in 1 .. 3 return x * x|[1, 4, 9]",
                "for x in 3 .. 1 return x|[3, 2, 1]",
                "for x in [1, 2], y in [x, 10] return x + y|[2, 11, 4, 12]",
                "[1, 2, 3, 4][item > 2]|[3, 4]",
                "[1, 2, 3][-1]|3",
                "[1, 2, 3][5]|null",
                "rows[amount > 10].kind|[\"rock\"]",
                "sum(rows.amount)|25",
                "count(rows[kind = \"soil\"])|1",
                "{a: 1, b: a + 1}.b|2",
                "day + duration(\"P1M\")|2026-12-24",
                "date(\"2028-02-29\") + duration(\"P1Y\")|2029-02-28",
                "date(\"2026-03-31\") - duration(\"P1M\")|2026-02-28",
                "(day - date(\"2026-11-20\")).days|4",
                "day < @\"2026-11-25\"|true",
                "day.weekday|2",
                "date(\"2026-02-\" + \"29\")|null",
                "substring(start position: 2, string: name)|lvo",
                "3 instance of number|true",
                "null instance of number|false",
                "1 /* a comment */ + 1|2"
            })
    void formulasMeanWhatTheStandardSays(String formula, String result) {
        assertThat(text(formula)).isEqualTo(result);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "depth >|7|Expected a value, a field or a function, found the end of the formula.",
                "depth > 5 5|10|Expected an operator or the end of the formula, found “5”.",
                "if wet then 1|13|Expected “else” after what “then” gives, found the end of the formula.",
                "deep > 5|0|There is no field “deep”.",
                "depht(5)|0|There is no function “depht”.",
                "1 + (2 * 3|10|Expected “)” after what is in brackets, found the end of the formula.",
                "depth = \"x\"|0|A number cannot be compared with text.",
                "depth + name|0|A number and text cannot be put together with “+”. Make the one a text with string(…), or the other a number with number(…).",
                "wet and depth|8|A number is neither true nor false.",
                "substring(name)|0|Expected substring(string, start position, length), found 1 given.",
                "\"abc|0|This text is not closed; expected “\"” at its end.",
                "depth # 5|6|“#” does not belong in a formula.",
                "rows[amount]|0|",
                "@\"2026-13-01\"|1|Expected a date, time or duration, like \"2026-11-24\" or \"P3D\"."
            })
    void whatIsNotUnderstoodIsToldWithItsPlace(String formula, int at, @Nullable String message) {
        if (message == null) {
            assertThat(Formula.of(formula, NAMES)).isNotNull();
            return;
        }
        FormulaProblem problem = catchThrowableOfType(FormulaProblem.class, () -> Formula.of(formula, NAMES));
        assertThat(problem).hasMessage(message);
        assertThat(problem.at()).isEqualTo(at);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1 - (2 - 3)",
                "(1 - 2) - 3",
                "2 ** (3 ** 2)",
                "-(1 + 2)",
                "not(wet and depth > 3) or wet",
                "(if wet then 1 else 2) + 3",
                "(some x in rows satisfies x.amount > 3) and wet",
                "depth in (1, (2 .. 5], > 7)",
                "depth in (1 .. 5]",
                "[[1], {\"a b\": 2}]",
                "(1 + 2) instance of number",
                "\"quo\\\"te \\\\ \\n\"",
                "rows[item.amount > 2][1].kind",
                "for x in 1 .. depth return (for y in [x] return y)"
            })
    void whatIsPrintedIsParsedIntoTheSame(String formula) {
        Formula first = Formula.of(formula, NAMES);
        assertThat(Formula.of(first.text(), NAMES).tree()).isEqualTo(first.tree());
        assertThat(Formula.of(first.text(), NAMES).text()).isEqualTo(first.text());
    }

    @Test
    void aHostileFormulaIsRefusedOrStoppedSoon() {
        for (String hostile : List.of(
                "(".repeat(9_000),
                "-".repeat(19_000) + "1",
                "1" + "+1".repeat(15_000),
                "[".repeat(5_000) + "]".repeat(5_000),
                "if ".repeat(6_000),
                "\"" + "a".repeat(10_000_000),
                "1" + "[1]".repeat(5_000),
                "9".repeat(19_000) + "e999999999")) {
            assertThat(catchThrowableOfType(FormulaProblem.class, () -> value(hostile)))
                    .as(hostile.substring(0, 9))
                    .isNotNull();
        }
        StringBuilder doubling = new StringBuilder("{a0: \"xxxxxxxxxx\"");
        for (int i = 1; i < 60; i++) {
            doubling.append(", a%d: a%d + a%d".formatted(i, i - 1, i - 1));
        }
        for (String hostile : List.of(
                "count(for x in 1 .. 100000, y in 1 .. 100000 return 1)",
                "for x in 1 .. 9999999999 return x",
                doubling + "}",
                "replace(string join(for x in 1 .. 100000 return \"x\"), \"x\", \"" + "y".repeat(10_000) + "\")")) {
            assertThat(catchThrowableOfType(Work.TooMuchWork.class, () -> value(hostile)))
                    .as(hostile)
                    .isNotNull();
        }
        assertThat(value("matches(string join(for x in 1 .. 10000 return \"a\"), \"(a*)*b\")"))
                .isEqualTo(false);
        assertThat(value("// a line of its own\n1")).isEqualTo(BigDecimal.ONE);
        assertThat(value("10 ** 99999 * 10 ** 99999")).isNull();
        assertThat(value("decimal(1, 999999999999)")).isNull();
    }
}
