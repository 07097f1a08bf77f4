package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.testing.Cases;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.kie.dmn.feel.FEEL;
import org.kie.dmn.feel.lang.impl.FEELBuilder;

/** What formulas can be made of: operands, ranges, loops, filters, functions that are given, types that are named. */
class LanguageTest {

    static final Map<String, Type> NAMES = Map.of(
            "rate", Type.Simple.NUMBER,
            "urgent", Type.Simple.YES_NO,
            "start", Type.Simple.DATE,
            "rows",
                    new Type.ListOf(
                            new Type.Context(Map.of("done", Type.Simple.YES_NO, "cost", Type.Simple.NUMBER), true)));

    static @Nullable Object run(String formula) {
        List<String> names = List.of("rate", "urgent", "start", "rows");
        return Formula.of(formula, NAMES)
                .compile(names)
                .run(
                        BigDecimal.valueOf(100),
                        true,
                        LocalDate.of(2026, 11, 27),
                        List.of(
                                Map.of("done", false, "cost", BigDecimal.valueOf(5)),
                                Map.of("done", true, "cost", BigDecimal.valueOf(7))));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            rate + if urgent then 25 else 0                                 | 125
            2 * if urgent then 3 else 4 + 1                                 | 6
            1 + count(for i in 1..3 return i)                               | 4
            string(some x in [1, 2] satisfies x > 1) + "!"                  | "true!"
            not(every x in [1, 2] satisfies x > 1)                          | true
            5 in ]1..10[                                                    | true
            10 in ]1..10[                                                   | false
            10 in [1..10[                                                   | false
            1 in [1..10[                                                    | true
            [1..10[ = [1..10)                                               | true
            [[1..3], [5..7]][2].start                                       | 5
            6 in [[1..3], [5..7]]                                           | true
            4 in [[1..3], [5..7]]                                           | false
            [1, 2] in [[1, 2], [3]]                                         | true
            5 in ([1..3], > 4)                                              | true
            (if 1 in [1] then 1 else 2 .. 5).end                            | 5
            5 in [10..1]                                                    | null
            5 in [1..rate]                                                  | true
            +5                                                              | 5
            for i in 1..4 return if i = 1 then 1 else i * partial[-1]       | [1, 2, 6, 24]
            for i in 1..2, j in 1..2 return count(partial)                  | [0, 1, 2, 3]
            for i in 3..1 return i                                          | [3, 2, 1]
            for i in [1..4) return i                                        | [1, 2, 3]
            for i in ]1..4] return i                                        | [2, 3, 4]
            for d in start..start + @"P2D" return d.day                     | [27, 28, 29]
            count(for d in @"2026-12-01"..@"2026-12-31" return d)           | 31
            sort([3, 1, 2])                                                 | [1, 2, 3]
            sort(rows, function(a, b) a.cost > b.cost)[1].cost              | 7
            sort(["b", 1])                                                  | null
            list replace([1, 2, 3], function(old, new) old > 1, 9)          | [1, 9, 9]
            list replace([1, 2, 3], -1, 9)                                  | [1, 2, 9]
            list replace([1, 2, 3], 4, 9)                                   | null
            rows[done].cost                                                 | [7]
            rows[done][1].cost                                              | 7
            rows[2].cost                                                    | 7
            {x: 2, l: ["a", "b"], y: l[x]}.y                                | "b"
            {x: "asd", l: [{x: false}, {x: true}], y: count(l[x])}.y        | 1
            {x: 2, l: [{x: false}, {x: true}, {x: true}], y: count(l[x])}.y | 2
            {x: false, l: [{x: 1}, {x: 2}], y: l[x]}.y                      | []
            [1, "a"] instance of list<number>                               | false
            {a: 1} instance of context<a: number>                           | true
            [1..2] instance of range<number>                                | true
            null instance of Null                                           | true
            context put({a: 1}, ["b"], 2)                                   | {a: 1, b: 2}
            context put({a: {b: 1}}, ["a", "b"], 2)                         | {a: {b: 2}}
            context merge([{a: 1}, {a: 2, b: 3}])                           | {a: 2, b: 3}
            context([{key: "a", value: 1}, {key: "a", value: 2}])           | null
            get value({a: {b: 1}}, ["a", "b"])                              | 1
            get entries({a: 1})[1].key                                      | "a"
            is(1, 1.0)                                                      | true
            is(@"2026-01-01", @"P1D")                                       | false
            count(1, 2, 3)                                                  | 3
            matches("AB-123", "^[A-Z]{2}-\\d{3}$")                          | true
            matches("AB 1", "[A-Z] {2} \\s [0-9]", "x")                     | true
            total([1, null], [2, 3])                                        | 6
            total([])                                                       | 0
            total([1, null], 2)                                             | 3
            @"PT1751968800S".value                                          | 1751968800
            @"P400000000000M".years                                         | 33333333333
            duration("PT999999999999999999S") = null                        | false
            @"2026-11-27".value / 86400                                     | 20784
            """)
    void formulasAreMadeOf(String formula, String expected) {
        assertThat(run("string(%s)".formatted(formula))).as(formula).isEqualTo(run("string(%s)".formatted(expected)));
    }

    @Test
    void whatSortsByContradictionsGivesNothing() {
        String formula = "sort(for i in 1..200 return modulo(i * 7919, 31), function(a, b) modulo(a + b, 3) = 0)";
        Object sorted = run(formula);
        assertThat(sorted == null || sorted instanceof List).isTrue();
    }

    @Test
    void functionsOfOnesOwnStandOnlyWhereTheyAreTaken() {
        assertThatThrownBy(() -> run("{f: function(a) a}.f"))
                .isInstanceOf(FormulaProblem.class)
                .hasMessageContaining("sort and list replace");
        assertThatThrownBy(() -> run("sort([1], function(a, b) a + b)"))
                .isInstanceOf(FormulaProblem.class)
                .hasMessage("A number is neither true nor false.");
    }

    /** How ranges lie to each other, every pair of ends and kinds of ends, against the published engine. */
    @Test
    void rangesLieToEachOtherAsThePublishedEngineSays() {
        FEEL reference = FEELBuilder.builder().build();
        List<String> ranges = new ArrayList<>();
        for (int low = 1; low <= 3; low++) {
            for (int high = low + 1; high <= 4; high++) {
                for (String ends : List.of("[]", "[)", "(]", "()")) {
                    ranges.add(ends.charAt(0) + "%d..%d".formatted(low, high) + ends.charAt(1));
                }
            }
        }
        List<String> formulas = new ArrayList<>();
        for (String function : List.of(
                "before",
                "after",
                "meets",
                "met by",
                "overlaps",
                "overlaps before",
                "overlaps after",
                "finishes",
                "finished by",
                "includes",
                "during",
                "starts",
                "started by",
                "coincides")) {
            for (String one : ranges) {
                for (String other : ranges) {
                    formulas.add("%s(%s, %s)".formatted(function, one, other));
                }
            }
        }
        for (String function : List.of("before", "after", "finished by", "includes", "started by")) {
            ranges.forEach(range -> formulas.add("%s(%s, 2)".formatted(function, range)));
        }
        for (String function : List.of("before", "after", "finishes", "during", "starts")) {
            ranges.forEach(range -> formulas.add("%s(3, %s)".formatted(function, range)));
        }
        List<String> differences = new ArrayList<>();
        Cases.share(formulas).forEach(formula -> compare(reference, formula, differences));
        assertThat(differences).isEmpty();
    }

    private static void compare(FEEL reference, String formula, List<String> differences) {
        Object ours = run(formula);
        Object theirs = reference.evaluate(formula);
        if (!Objects.equals(ours, theirs)) {
            differences.add("%s: ours %s, theirs %s".formatted(formula, ours, theirs));
        }
    }

    /** Where the standard says little: what stands between parts, and texts without any. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            split("abc", "")
            split("", "")
            split("", ",")
            split("a,b,,c", ",")
            split(",a,", ",")
            split("a b", "\\s")
            split("foo", "o")
            string join(["a", null, "b"], "-")
            string join([], "-")
            replace("abc", "", "-")
            substring("abc", -2)
            substring before("abc", "")
            substring after("abc", "")
            contains("abc", "")
            """)
    void partsOfTextsAreThoseOfThePublishedEngine(String formula) {
        assertThat(run(formula))
                .as(formula)
                .isEqualTo(FEELBuilder.builder().build().evaluate(formula));
    }

    /** 34 digits, checked by the laws that they obey, which binary floating point does not to so many. */
    @ParameterizedTest
    @CsvSource({"2", "0.1", "10", "123456.789", "1e30", "1e-30"})
    void logarithmsAndPowersAreExactToThirtyDigits(String number) {
        assertThat((BigDecimal) run("abs(exp(log(%s)) / %s - 1)".formatted(number, number)))
                .isLessThan(new BigDecimal("1e-30"));
        assertThat((BigDecimal) run("abs(%s ** 0.5 / sqrt(%s) - 1)".formatted(number, number)))
                .isLessThan(new BigDecimal("1e-30"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            exp(1)           | 2.718281828459045235360287471352662
            log(2)           | 0.6931471805599453094172321214581766
            2 ** 0.5         | 1.414213562373095048801688724209698
            exp(20000)       | null
            exp(-20000)      | 0
            log(0)           | null
            log(-1)          | null
            10 ** 6145       | null
            (-8) ** 0.5      | null
            0 ** 0.5         | null
            decimal(1, 6177) | null
            decimal(1, -6112)| null
            """)
    void constantsHaveThePublishedDigits(String formula, String expected) {
        // Digits of e, ln 2 and the root of 2: OEIS A001113, A002162, A002193.
        assertThat(run(formula)).as(formula).isEqualTo("null".equals(expected) ? null : run(expected));
    }
}
