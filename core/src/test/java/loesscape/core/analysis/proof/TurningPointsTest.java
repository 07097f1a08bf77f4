package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.random.RandomGenerator;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Formulas that follow one number or day, against going through all its answers one by one. */
class TurningPointsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);
    private static final int LOWEST = -4;
    private static final int HIGHEST = 9;

    @Test
    void whatIsDecidedIsWhatAllAnswersSay() {
        int[] decided = new int[3];
        Cases.check("formulas along one number, all gone through", 300, (random, size) -> {
            int decimals = random.nextInt(2);
            Template template = template(random, decimals);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            List<Standing> all = standings(compiled, decimals);
            EveryFilling every = EveryFilling.of(compiled, TODAY);
            for (int i = 0; i < 10; i++) {
                List<Claim> claims = new ArrayList<>();
                for (int n = 1 + random.nextInt(2); n > 0; n--) {
                    claims.add(new Claim.Shows("n" + random.nextInt(4), random.nextBoolean()));
                }
                boolean isSo = all.stream()
                        .anyMatch(standing -> claims.stream().allMatch(claim -> isSo((Claim.Shows) claim, standing)));
                Decision decision = every.decide(claims);
                if (decision instanceof Decision.NotDecided(var because)) {
                    // Two steps that each hang on others can be more than is gone through; that is said.
                    assertThat(because).allMatch(rule -> rule.startsWith("the value worked out for “tax”"));
                    decided[2]++;
                } else {
                    assertThat(decision)
                            .as("%s of %s", claims, template)
                            .isInstanceOf(isSo ? Decision.Possible.class : Decision.Impossible.class);
                    decided[isSo ? 0 : 1]++;
                }
            }
        });
        if (Cases.areAll()) {
            assertThat(decided[0]).isPositive();
            assertThat(decided[1]).isGreaterThan(20 * decided[2]);
        }
    }

    private static boolean isSo(Claim.Shows claim, Standing standing) {
        return standing.state().of(claim.key()).shown() == claim.is();
    }

    private static List<Standing> standings(CompiledTemplate compiled, int decimals) {
        List<Standing> all = new ArrayList<>();
        BigDecimal step = BigDecimal.ONE.movePointLeft(decimals);
        List<String> depths = new ArrayList<>(List.of(""));
        for (BigDecimal at = BigDecimal.valueOf(LOWEST);
                at.compareTo(BigDecimal.valueOf(HIGHEST)) <= 0;
                at = at.add(step)) {
            depths.add(at.toPlainString());
        }
        for (String depth : depths) {
            for (String urgent : List.of("", "yes", "no")) {
                for (String purpose : List.of("", "well", "probe")) {
                    Map<String, String> answers =
                            new TreeMap<>(Map.of("depth", depth, "urgent", urgent, "purpose", purpose));
                    all.add(compiled.standing(new Answers(answers), Context.filling(TODAY)));
                }
            }
        }
        return all;
    }

    private static Template template(RandomGenerator random, int decimals) {
        FieldKind depth = new FieldKind.Number(
                decimals,
                "m",
                new Bound(BigDecimal.valueOf(LOWEST), true),
                new Bound(BigDecimal.valueOf(HIGHEST), true));
        List<Item> items = new ArrayList<>(List.of(
                Field.of("depth", "Depth", depth),
                Field.of("urgent", "Urgent", new FieldKind.YesNo()),
                Field.of(
                        "purpose",
                        "Purpose",
                        FieldKind.OneChoice.of(List.of(Choice.of("well", "Well"), Choice.of("probe", "Probe")))),
                workedOut("fee", random.nextInt(3), number(random, "depth", 2)),
                workedOut("tax", random.nextInt(2), number(random, "fee", 1))));
        for (int i = 0; i < 4; i++) {
            items.add(Field.of("n" + i, "N", new FieldKind.YesNo()).withShown(condition(random)));
        }
        return Template.of("Fees", List.of(new Page("p", "", null, List.of(Section.of("s", "", items)))));
    }

    private static Field workedOut(String key, int decimals, String formula) {
        return Field.of(key, key, new FieldKind.Number(decimals, "", null, null))
                .withValue(new FieldValue.WorkedOut(formula, false));
    }

    /** A number that follows a field in one way between the answers at which something turns. */
    private static String number(RandomGenerator random, String key, int depth) {
        if (depth == 0) {
            return key;
        }
        String inner = number(random, key, depth - 1);
        String fixed = fixed(random);
        return switch (random.nextInt(13)) {
            case 0 -> "(%s) * %s".formatted(inner, fixed);
            case 1 -> "%s - (%s)".formatted(fixed, inner);
            case 2 -> "(%s) / 3".formatted(inner);
            case 3 -> "floor((%s) / 2)".formatted(inner);
            case 4 -> "max(%s, %s)".formatted(inner, fixed);
            case 5 -> "round half up(%s, 0)".formatted(inner);
            case 6 -> "if urgent then %s else %s".formatted(inner, number(random, key, depth - 1));
            case 7 -> "if (%s) > %s then %s else %s".formatted(key, fixed, inner, fixed);
            case 8 -> "if (%s) = %s then %s else %s".formatted(key, fixed, fixed, inner);
            case 9 -> "if purpose = \"well\" and (%s) in [%s .. 5) then %s else 2".formatted(key, fixed, inner);
            case 10 -> "min([%s, 4])".formatted(inner);
            case 11 -> "(%s) + (if urgent then 1.5 else if purpose = \"well\" then -2 else 0)".formatted(inner);
            default -> "(%s) * (if urgent then -1 else 2) + %s".formatted(inner, fixed);
        };
    }

    private static String fixed(RandomGenerator random) {
        return List.of("-2", "0", "1", "1.5", "3", "4.25").get(random.nextInt(6));
    }

    private static Condition condition(RandomGenerator random) {
        OrderTest test = List.of(OrderTest.values()).get(random.nextInt(6));
        String key = List.of("depth", "fee", "tax").get(random.nextInt(3));
        Operand fixed = new Operand.NumberOperand(new BigDecimal(fixed(random)));
        return switch (random.nextInt(5)) {
            case 0 -> new Clause.Comparison(key, test, fixed, random.nextBoolean() ? Boolean.TRUE : null);
            case 1 ->
                new Clause.Between(
                        key,
                        random.nextBoolean(),
                        new Operand.NumberOperand(new BigDecimal("1")),
                        true,
                        new Operand.NumberOperand(new BigDecimal("4")),
                        false,
                        null);
            case 2 -> new Condition.Written("(%s) %s %s".formatted(number(random, key, 1), sign(test), fixed(random)));
            case 3 ->
                new Clause.Comparison(
                        key,
                        test,
                        new Operand.FormulaOperand("if urgent then %s else 2".formatted(fixed(random))),
                        null);
            default ->
                new Clause.Between(
                        key,
                        random.nextBoolean(),
                        new Operand.FormulaOperand("if urgent then 0 else 1.5"),
                        random.nextBoolean(),
                        fixedAbove(),
                        true,
                        null);
        };
    }

    private static Operand fixedAbove() {
        return new Operand.NumberOperand(new BigDecimal("4.25"));
    }

    private static String sign(OrderTest test) {
        return switch (test) {
            case EQUAL -> "=";
            case NOT_EQUAL -> "!=";
            case LESS -> "<";
            case AT_MOST -> "<=";
            case MORE -> ">";
            case AT_LEAST -> ">=";
        };
    }

    /** Without limits too: the example is an answer on the right side of where it turns, worked out by hand. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "depth * 3 > 100                                    | 33.33  | 33.34",
                "depth * 3 >= 100                                   | 33.33  | 33.34",
                "depth / 3 = 7                                      | 20.99  | 21",
                "120 + 2.5 * max(0, depth - 50) > 200               | 82     | 82.01",
                "floor(depth / 4) >= 5                              | 19.99  | 20",
                "1000 - depth <= 0                                  | 999.99 | 1000",
                "if depth > 50 then depth > 60 else depth < -1000000| 60     | 60.01",
                "depth * 0.000001 > 1000000                         | 1000000000000 | 1000000000000.01",
                "-depth > 1000000                                   | -1000000 | -1000000.01"
            })
    void itTurnsThere(String formula, String not, String is) {
        CompiledTemplate compiled = CompiledTemplate.compile(
                document(Field.of("depth", "Depth", new FieldKind.Number(2, "m", null, null)), formula));
        EveryFilling every = EveryFilling.of(compiled, List.of(depth(not), depth(is)), TODAY);
        Claim shown = new Claim.Shows("note", true);
        assertThat(every.decide(List.of(shown, new Claim.Meets(depth(is), null, true))))
                .isInstanceOf(Decision.Possible.class);
        assertThat(every.decide(List.of(shown, new Claim.Meets(depth(not), null, true))))
                .isInstanceOf(Decision.Impossible.class);
    }

    /** Days go one way with durations, with what lies between them and in their whole years; worked out by hand. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "born + @\"P14D\" > @\"2026-11-29\"                                  | 2026-11-15 | 2026-11-16",
                "born + @\"P1M\" >= @\"2027-02-28\"                                 | 2027-01-27 | 2027-01-28",
                "(@\"2026-11-29\" - born).days <= 30                                | 2026-10-29 | 2026-10-30",
                "(@\"2026-11-29\" - born) / duration(\"P1D\") <= 30                 | 2026-10-29 | 2026-10-30",
                "(date(\"2026-11-29\") - born) / @\"P7D\" < 4                       | 2026-11-01 | 2026-11-02",
                "years and months duration(born, @\"2026-11-29\").years < 18        | 2008-11-29 | 2008-11-30",
                "born.year * 2 - 4000 > 50                                         | 2025-12-31 | 2026-01-01",
                "born in (@\"2026-02-01\" .. @\"2026-02-28\"]                       | 2026-02-01 | 2026-02-28",
            })
    void aDayTurnsThere(String formula, String not, String is) {
        CompiledTemplate compiled =
                CompiledTemplate.compile(document(Field.of("born", "Born", new FieldKind.Date(null, null)), formula));
        EveryFilling every = EveryFilling.of(compiled, List.of(born(not), born(is)), TODAY);
        Claim shown = new Claim.Shows("note", true);
        assertThat(every.decide(List.of(shown, new Claim.Meets(born(is), null, true))))
                .isInstanceOf(Decision.Possible.class);
        assertThat(every.decide(List.of(shown, new Claim.Meets(born(not), null, true))))
                .isInstanceOf(Decision.Impossible.class);
    }

    /** What is followed at two places at once, or another way than one, is left alone and never decided wrongly. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "depth * depth > 100",
                "depth - floor(depth) > 2",
                "100 / depth > 1000",
                "depth ** 2 > 100",
                "abs(depth) > 1000",
                "modulo(depth, 7) = 6",
                "depth * 100000000000000000000 * 100000000000000000000 > 3",
                "string length(string(depth)) > 3",
                "today() > @\"2026-01-01\" and depth > 3"
            })
    void whatDoesNotGoOneWayIsNotDecided(String formula) {
        CompiledTemplate compiled = CompiledTemplate.compile(
                document(Field.of("depth", "Depth", new FieldKind.Number(2, "m", null, null)), formula));
        assertThat(EveryFilling.of(compiled, TODAY).isImpossible(List.of(new Claim.Shows("note", true))))
                .isFalse();
        assertThat(EveryFilling.of(compiled, TODAY).isImpossible(List.of(new Claim.Shows("note", false))))
                .isFalse();
    }

    private static Template document(Field field, String formula) {
        return Template.of(
                "One",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "",
                                List.of(
                                        field,
                                        Field.of("note", "Note", new FieldKind.YesNo())
                                                .withShown(new Condition.Written(formula))))))));
    }

    private static Clause born(String is) {
        return new Clause.Comparison("born", OrderTest.EQUAL, new Operand.DateOperand(LocalDate.parse(is)), null);
    }

    private static Clause depth(String is) {
        return new Clause.Comparison("depth", OrderTest.EQUAL, new Operand.NumberOperand(new BigDecimal(is)), null);
    }
}
