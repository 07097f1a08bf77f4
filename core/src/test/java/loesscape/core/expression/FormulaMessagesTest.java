package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Type.Simple;
import loesscape.core.expression.functions.Function;
import loesscape.core.expression.functions.Functions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What can never work is refused while it is written, with words that say how to mend it. */
class FormulaMessagesTest {

    private static final Map<String, Type> NAMES = Map.of(
            "start",
            Simple.DATE,
            "end",
            Simple.DATE,
            "depth",
            Simple.NUMBER,
            "note",
            Simple.TEXT,
            "urgent",
            Simple.YES_NO,
            "soils",
            new Type.ListOf(Simple.TEXT),
            "bills",
            new Type.ListOf(new Type.Context(Map.of("amount", Simple.NUMBER, "name", Simple.TEXT), true)),
            "equipment",
            new Type.Context(Map.of("day_rate", Simple.NUMBER, "name", Simple.TEXT)));

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            start + 30                  | A date and a number cannot be put together with “+”; days are added as a duration: start + duration("P30D").
            note + 1                    | Text and a number cannot be put together with “+”. Make the one a text with string(…)
            sum(bills.amuont)           | There is no “amuont” in bills. Did you mean “amount”?
            bills[1].amuont             | There is no “amuont” in bills[1]. Did you mean “amount”?
            equipment.dayrate * depth   | There is no “dayrate” in equipment. Did you mean “day_rate”?
            (end - start).day           | A duration of days and hours has no “day”; it has days, hours, minutes, seconds, value.
            start.days                  | A date has no “days”; it has year, month, day, weekday, value.
            contains(soils, "clay")     | contains takes text here; this is a list of texts. For a list write list contains(…, …).
            upper case(depth)           | upper case takes text here; this is a number.
            sum(bills.name)             | sum takes numbers here; this is a list of texts.
            round half up(note, 2)      | round half up takes a number here; this is text.
            not(depth)                  | not takes yes or no here; this is a number.
            round(depth, 2)             | There is no function “round”. Write round half up(…, 2).
            concat(note, note)          | There is no function “concat”. Write first + second
            len(note)                   | There is no function “len”. Write string length(…).
            average(bills.amount)       | There is no function “average”. Write mean(…).
            year(start)                 | There is no function “year”. Write day.year
            string lenght(note)         | There is no function “string lenght”. Did you mean “string length”?
            stdev(bills.amount)         | There is no function “stdev”. Did you mean “stddev”?
            start < today               | There is no field “today”. Write today().
            dept > 3                    | There is no field “dept”. Did you mean “depth”?
            depth == 3                  | “==”: two values are compared with one “=”.
            depth <> 3                  | “<>”: write “!=” for not equal.
            depth ≠ 3                   | “≠”: write “!=” for not equal.
            depth ≥ 3                   | “≥”: write “>=” for at least.
            note & note                 | “&”: texts are put together with “+”.
            urgent && urgent            | “&&”: write “and”.
            depth %                     | “%”: write / 100 for per cent
            depth ^ 2                   | “^”: write “**” for to the power of.
            round half up(depth; 2)     | “;”: arguments are parted by “,”.
            !urgent                     | “!”: write “not(…)”.
            IF urgent THEN 1 ELSE 2     | Write “if” in small letters.
            urgent AND urgent           | Write “and” in small letters.
            1 < depth < 5               | Compare one after the other, as in 1 < depth and depth < 5
            depth >= 3 and <= 5         | Say again what is compared, as in depth >= 3 and depth <= 5.
            """)
    void eachNamesTheRightWayToWriteIt(String formula, String message) {
        FormulaProblem problem = catchThrowableOfType(FormulaProblem.class, () -> Formula.of(formula, NAMES));
        assertThat(problem).as(formula).isNotNull();
        assertThat(problem.getMessage()).startsWith(message);
        assertThat(problem.at()).isBetween(0, formula.length());
        assertThat(problem.end()).isBetween(problem.at(), formula.length());
    }

    @ParameterizedTest
    @ValueSource(strings = {"note = 'clay'", "note = “clay”", "note = „clay“", "note = ‘clay’", "note = «clay»"})
    void textStandsInStraightQuotationMarks(String formula) {
        assertThatThrownBy(() -> Formula.of(formula, NAMES))
                .isInstanceOfSatisfying(
                        FormulaProblem.class,
                        problem -> assertThat(problem.at()).isEqualTo(7))
                .hasMessageContaining("text stands in straight double quotation marks");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "start + duration(\"P30D\")",
                "(end - start).days + 1",
                "if note != \"\" then depth else null",
                "sum(bills[amount > 3].amount)",
                "count(soils) > 0 and list contains(soils, \"clay\")",
                "contains(note, \"!\")",
                "note = \"50 % of it; 'so' & so\"",
                "years and months duration(start, today()).years >= 18",
                "date(start.year, start.month, 1)",
                "max(depth, 3) + min(bills.amount)",
                "string(depth) + note",
                "depth != 3 and depth <= 5",
                "append(bills.amount, depth)[1] + 1",
                "(for x in bills return x.amount)[1] + 1",
                "sum([depth, 2, null])",
                "matches(note, \"^[A-Z]\", \"i\")",
                "{a: 1}.a + depth",
                "equipment.day_rate * depth",
                "[1..5].start + depth",
            })
    void whatCanWorkIsTaken(String formula) {
        Map<String, Type> names = new HashMap<>(NAMES);
        names.put(Names.TODAY, Simple.DATE);
        assertThat(Formula.of(formula, names).text()).isNotEmpty();
    }

    /** What a suggestion makes of a formula, put in place of what is wrong. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            dept > 3                     | depth > 3
            dep > 3                      | depth > 3
            sum(bills.amuont)            | sum(bills.amount)
            equipment.dayrate * depth    | equipment.day_rate * depth
            equipment.rate * depth       | equipment.day_rate * depth
            depth == 3                   | depth = 3
            depth <> 3                   | depth != 3
            depth ≠ 3                    | depth != 3
            depth ≥ 3                    | depth >= 3
            depth=>3                     | depth>=3
            note & note                  | note + note
            urgent&&urgent               | urgent and urgent
            depth ^ 2                    | depth ** 2
            round half up(depth; 2)      | round half up(depth, 2)
            urgent AND urgent            | urgent and urgent
            average(bills.amount)        | mean(bills.amount)
            len(note)                    | string length(note)
            string lenght(note)          | string length(note)
            start < today                | start < today()
            """)
    void suggestionsAreEdits(String formula, String mended) {
        Map<String, Type> names = new HashMap<>(NAMES);
        names.put(Names.TODAY, Simple.DATE);
        FormulaProblem problem = catchThrowableOfType(FormulaProblem.class, () -> Formula.of(formula, names));
        assertThat(problem).as(formula).isNotNull();
        assertThat(formula.substring(0, problem.at()) + problem.instead() + formula.substring(problem.end()))
                .isEqualTo(mended);
        assertThat(Formula.of(mended, names).text()).isNotEmpty();
    }

    @Test
    void everyFunctionSaysWhatItTakesAndWhatItGives() {
        for (Function function : Functions.list()) {
            Signature signature = Signature.of(function.name());
            assertThat(signature.parameters().size())
                    .as(function.name())
                    .isBetween(1, function.parameters().size());
            Formula example = Formula.of(function.example(), GeneratedFilesTest.PURPOSE);
            Object value = example.compile(List.of("purpose")).run("irrigation");
            Type given = Type.of(value);
            boolean fits = example.type() == Simple.ANY
                    || (given.getClass() == example.type().getClass()
                            && (given instanceof Type.ListOf || given.equals(example.type())));
            assertThat(fits)
                    .as("%s gives %s, said is %s", function.example(), given, example.type())
                    .isTrue();
        }
        assertThatThrownBy(() -> Signature.of("no such")).isInstanceOf(IllegalStateException.class);
    }

    /** DMN 1.4, 10.3.2.9.4 (conversions) and table 62 (names of parameters). */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            append(1, 2)                                | [1, 2]
            contains(["foobar"], "of")                  | false
            contains(["foobar"], "ob")                  | true
            string length(["abc"])                      | 3
            count(5)                                    | 1
            reverse(1)                                  | [1]
            concatenate(1, [2])                         | [1, 2]
            list contains(1, 1)                         | true
            floor([1.5])                                | 1
            not([true])                                 | false
            abs(duration("-P1D")) = duration("P1D")     | true
            abs(duration("-P1Y")) = duration("P1Y")     | true
            abs(-2.5)                                   | 2.5
            date(year: 2026, month: 2, day: 28).day     | 28
            date(from: "2026-02-28").month              | 2
            time(hour: 9, minute: 42, second: 0).minute | 42
            substring(start position: 2, string: "abc") | "bc"
            """)
    void oneElementIsAListOfItAndParametersHaveTheirNames(String formula, String result) {
        Object value = Formula.of(formula, Map.of()).compile(List.of()).run();
        Object text = Formula.of("string([x])", Map.of("x", Simple.ANY))
                .compile(List.of("x"))
                .run(value);
        assertThat(text).isEqualTo("[" + result + "]");
    }

    @Test
    void typesOfResultsAreKnown() {
        assertThat(Formula.of("count(bills)", NAMES).type()).isEqualTo(Simple.NUMBER);
        assertThat(Formula.of("max(bills.amount)", NAMES).type()).isEqualTo(Simple.NUMBER);
        assertThat(Formula.of("distinct values(soils)", NAMES).type()).isEqualTo(new Type.ListOf(Simple.TEXT));
        assertThat(Formula.of("if urgent then 1 else \"a\"", NAMES).type()).isEqualTo(Simple.ANY);
    }
}
