package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Bound;
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

/** Rules that look at two numbers or days together, against going through all answers to both one by one. */
class TogetherTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);

    @Test
    void whatIsDecidedIsWhatAllAnswersSay() {
        int[] decided = new int[3];
        Cases.check("two numbers together, all gone through", 300, (random, size) -> {
            int lowest = random.nextBoolean() ? 0 : -3;
            boolean isFine = random.nextInt(4) == 0;
            Template template = template(random, lowest, isFine);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            List<Standing> all = standings(compiled, lowest, isFine);
            EveryFilling every = EveryFilling.of(compiled, TODAY);
            for (int i = 0; i < 10; i++) {
                List<Claim> claims = new ArrayList<>();
                for (int n = 1 + random.nextInt(3); n > 0; n--) {
                    claims.add(new Claim.Shows("n" + random.nextInt(4), random.nextBoolean()));
                }
                boolean isSo = all.stream()
                        .anyMatch(standing -> claims.stream().allMatch(claim -> isSo((Claim.Shows) claim, standing)));
                Decision decision = every.decide(claims);
                if (decision instanceof Decision.NotDecided) {
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
            assertThat(decided[0]).isGreaterThan(2 * decided[2]);
            assertThat(decided[1]).isGreaterThan(decided[2] / 2);
        }
    }

    private static boolean isSo(Claim.Shows claim, Standing standing) {
        return standing.state().of(claim.key()).shown() == claim.is();
    }

    private static List<Standing> standings(CompiledTemplate compiled, int lowest, boolean isFine) {
        List<Standing> all = new ArrayList<>();
        for (String width : isFine ? tenths(25) : numbers(0, 14)) {
            for (String length : numbers(lowest, 12)) {
                for (String urgent : List.of("", "yes", "no")) {
                    all.add(compiled.standing(
                            new Answers(Map.of("width", width, "length", length, "urgent", urgent)),
                            Context.filling(TODAY)));
                }
            }
        }
        return all;
    }

    private static List<String> numbers(int from, int to) {
        return Stream.concat(Stream.of(""), IntStream.rangeClosed(from, to).mapToObj(Integer::toString))
                .toList();
    }

    private static List<String> tenths(int to) {
        return Stream.concat(
                        Stream.of(""),
                        IntStream.rangeClosed(0, to)
                                .mapToObj(it -> BigDecimal.valueOf(it, 1).toPlainString()))
                .toList();
    }

    private static FieldKind number(int decimals, int from, BigDecimal to) {
        return new FieldKind.Number(decimals, "m", new Bound(BigDecimal.valueOf(from), true), new Bound(to, true));
    }

    private static Template template(RandomGenerator random, int lowest, boolean isFine) {
        List<Item> items = new ArrayList<>(List.of(
                Field.of(
                        "width",
                        "Width",
                        isFine ? number(1, 0, new BigDecimal("2.5")) : number(0, 0, BigDecimal.valueOf(14))),
                Field.of("length", "Length", number(0, lowest, BigDecimal.valueOf(12))),
                Field.of("urgent", "Urgent", new FieldKind.YesNo()),
                Field.of("area", "Area", new FieldKind.Number(random.nextInt(2), "", null, null))
                        .withValue(new FieldValue.WorkedOut(quantity(random, lowest), false))));
        for (int i = 0; i < 4; i++) {
            items.add(Field.of("n" + i, "N", new FieldKind.YesNo()).withShown(condition(random, lowest)));
        }
        return Template.of("Areas", List.of(new Page("p", "", null, List.of(Section.of("s", "", items)))));
    }

    private static String quantity(RandomGenerator random, int lowest) {
        return switch (random.nextInt(11)) {
            case 0 -> "width - length";
            case 1 -> "length - width";
            case 2 -> "width + length";
            case 3 -> lowest < 0 ? "width - length" : "width * length";
            case 4 -> lowest < 0 ? "width - length" : "width * length * 0.5 + 3";
            case 5 -> "2 * width + length";
            case 6 -> "max(width, length)";
            case 7 -> "floor((width - length) / 2)";
            case 8 -> "if width - length > 3 then 5 else 2";
            case 9 -> "(width - length) * 3 + 1";
            default -> "min(width, length + 2)";
        };
    }

    private static Condition condition(RandomGenerator random, int lowest) {
        OrderTest test = List.of(OrderTest.values()).get(random.nextInt(6));
        return switch (random.nextInt(10)) {
            case 0 ->
                new Condition.Written(
                        "%s %s %d".formatted(quantity(random, lowest), sign(test), random.nextInt(20) - 4));
            case 1 ->
                new Clause.Comparison(
                        "width",
                        test,
                        new Operand.FormulaOperand("length + %d".formatted(random.nextInt(5))),
                        random.nextBoolean() ? Boolean.TRUE : null);
            case 2 ->
                new Clause.Comparison(
                        "area", test, new Operand.NumberOperand(BigDecimal.valueOf(random.nextInt(12))), null);
            case 3 -> new Clause.Comparison("width", test, new Operand.FieldOperand("length"), null);
            case 4 ->
                new Clause.Between(
                        random.nextBoolean() ? "width" : "length",
                        random.nextBoolean(),
                        new Operand.FieldOperand(random.nextBoolean() ? "width" : "length"),
                        random.nextBoolean(),
                        new Operand.FormulaOperand("length + %d".formatted(1 + random.nextInt(4))),
                        random.nextBoolean(),
                        random.nextBoolean() ? Boolean.TRUE : null);
            case 5 ->
                new Clause.Comparison(
                        "length", test, new Operand.FormulaOperand("width - (if urgent then 2 else 5)"), null);
            case 6 ->
                new Clause.Comparison(
                        random.nextBoolean() ? "width" : "length",
                        test,
                        new Operand.NumberOperand(BigDecimal.valueOf(random.nextInt(8))),
                        null);
            case 7 ->
                new Clause.Comparison(
                        "width",
                        test,
                        new Operand.FormulaOperand("if width - length >= %d then 5 else if length > 4 then 7 else 2"
                                .formatted(random.nextInt(4))),
                        null);
            case 8 ->
                new Condition.Written("(if width - length %s %d then 3 else 8) > %d and width > %d"
                        .formatted(sign(test), random.nextInt(5), 2 + random.nextInt(5), random.nextInt(9)));
            default ->
                new Condition.Written("width - length %s %d or length - width > 3 + (if urgent then 1 else 0)"
                        .formatted(sign(test), random.nextInt(6)));
        };
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

    /** What is so of two days, of which nothing else is known; worked out by hand. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "ended >= begun + @\"P14D\"            | ended < begun                          | false",
                "ended >= begun + @\"P14D\"            | ended >= begun + @\"P15D\"              | true",
                "ended >= begun + @\"P15D\"            | ended < begun + @\"P14D\"               | false",
                "(ended - begun).days > 30             | ended <= begun + duration(\"P30D\")     | false",
                "ended - begun > @\"P30D\"             | ended <= begun + duration(\"P31D\")     | true",
                "ended - begun > @\"P30D\"             | ended < begun + duration(\"P31D\")      | false",
                "ended = begun + @\"P1D\"              | begun = ended - @\"P1D\"                | true",
                "(ended - begun) / @\"P1D\" + 1 > 14    | ended <= begun + duration(\"P13D\")     | false",
                "(ended - begun) / @\"P1D\" + 1 >= 14   | ended <= begun + duration(\"P13D\")     | true",
                "(ended - begun) / duration(\"P7D\") > 2 | ended < begun + @\"P15D\"              | false",
                "ended = begun + @\"P1D\"              | begun != ended - @\"P1D\"               | false",
                "ended >= begun + @\"P1M\"             | ended < begun + @\"P1M\"                | false",
                "ended > begun + @\"P1D\" and begun > @\"2026-01-01\" | ended <= @\"2026-01-03\" | false",
                "ended > begun + @\"P1D\" and begun > @\"2026-01-01\" | ended <= @\"2026-01-04\" | true",
            })
    void twoDaysAreSo(String one, String other, boolean can) {
        Field begun = Field.of("begun", "Begun", new FieldKind.Date(null, null));
        Field ended = Field.of("ended", "Ended", new FieldKind.Date(null, null));
        Decision decision = both(begun, ended, one, other);
        assertThat(decision).isInstanceOf(can ? Decision.Possible.class : Decision.Impossible.class);
    }

    /** What is so of two numbers from 0 to 1,000 with two decimals; worked out by hand. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "width * length > 30                   | width * length < 20                    | false",
                "width * length > 30                   | width * length <= 30.01                | true",
                "width * length >= 20                  | width < 0.02                           | false",
                "width * length >= 20                  | width < 0.03                           | true",
                "width * length >= 20.01               | width < 0.03                           | false",
                "width * length >= 20.01               | width < 0.04                           | true",
                "width * length > 20                   | width < 0.02 and length < 1000         | false",
                "width + length > 1999.98              | width < 1000                           | true",
                "width + length > 1999.99              | width < 1000                           | false",
                "width - length = 0.01                 | width > length                         | true",
                "width - length = 0.01                 | width <= length                        | false",
                "0.5 * (width - length) > 3            | width < length + 6                     | false",
                "0.5 * (width - length) > 3            | width < length + 6.02                  | true",
            })
    void twoNumbersAreSo(String one, String other, boolean can) {
        FieldKind kind = new FieldKind.Number(
                2, "m", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.valueOf(1000), true));
        Decision decision = both(Field.of("width", "Width", kind), Field.of("length", "Length", kind), one, other);
        assertThat(decision).isInstanceOf(can ? Decision.Possible.class : Decision.Impossible.class);
    }

    /** An order, a delivery and a payment, each some days after the one before: the example holds to all of it. */
    @Test
    void daysThatHangTogetherInAChainAreFound() {
        List<Item> items = new ArrayList<>();
        for (String key : List.of("ordered", "delivered", "paid")) {
            items.add(Field.of(key, key, new FieldKind.Date(null, null)));
        }
        items.add(shown("soon", "delivered <= ordered + @\"P14D\" and delivered >= ordered + @\"P7D\""));
        items.add(shown("late", "paid > delivered + @\"P30D\" and paid < delivered + @\"P33D\""));
        EveryFilling every = EveryFilling.of(CompiledTemplate.compile(document(items)), TODAY);
        assertThat(every.decide(List.of(new Claim.Shows("soon", true), new Claim.Shows("late", true))))
                .isInstanceOfSatisfying(Decision.Possible.class, possible -> {
                    Map<String, String> answers = possible.example().answers();
                    LocalDate ordered = LocalDate.parse(answers.get("ordered"));
                    LocalDate delivered = LocalDate.parse(answers.get("delivered"));
                    assertThat(ordered.until(delivered, ChronoUnit.DAYS)).isBetween(7L, 14L);
                    assertThat(delivered.until(LocalDate.parse(answers.get("paid")), ChronoUnit.DAYS))
                            .isBetween(31L, 32L);
                });
    }

    /** Of two days anywhere, the example is not at the end of all days. */
    @Test
    void examplesArePlain() {
        Field begun = Field.of("begun", "Begun", new FieldKind.Date(null, null));
        Field ended = Field.of("ended", "Ended", new FieldKind.Date(null, null));
        assertThat(both(begun, ended, "ended >= begun + @\"P14D\"", "ended < begun + @\"P15D\""))
                .isInstanceOfSatisfying(
                        Decision.Possible.class,
                        possible -> assertThat(possible.example().answers())
                                .containsEntry("begun", "2026-01-01")
                                .containsEntry("ended", "2026-01-15"));
    }

    /** What was found of two days is not found of others after an edit, and is found again after it is taken back. */
    @Test
    void bandsAreThoseOfEachRevision() {
        Field begun = Field.of("begun", "Begun", new FieldKind.Date(null, null));
        Field ended = Field.of("ended", "Ended", new FieldKind.Date(null, null));
        EveryFilling every = null;
        for (int days : new int[] {14, 15, 14, 16, 13}) {
            CompiledTemplate compiled = CompiledTemplate.compile(document(List.of(
                    begun,
                    ended,
                    shown("note", "ended >= begun + @\"P%dD\"".formatted(days)),
                    shown("remark", "ended < begun + @\"P15D\""))));
            every = every == null ? EveryFilling.of(compiled, TODAY) : every.next(compiled, TODAY);
            assertThat(every.decide(List.of(new Claim.Shows("note", true), new Claim.Shows("remark", true))))
                    .as("%d days", days)
                    .isInstanceOf(days < 15 ? Decision.Possible.class : Decision.Impossible.class);
        }
    }

    /** What nobody asked before an edit finds its two days after it, though what hangs on them was known before. */
    @Test
    void examplesAreFoundAfterAnEditThatTouchedOthers() {
        List<Item> items = new ArrayList<>(List.of(
                Field.of("begun", "Begun", new FieldKind.Date(null, null)),
                Field.of("ended", "Ended", new FieldKind.Date(null, null)),
                shown("note", "ended >= begun + @\"P14D\""),
                shown("remark", "ended < begun + @\"P15D\"")));
        EveryFilling before = EveryFilling.of(CompiledTemplate.compile(document(items)), TODAY);
        items.add(Field.of("other", "Other", new FieldKind.YesNo()));
        EveryFilling after = before.next(CompiledTemplate.compile(document(items)), TODAY);
        assertThat(after.decide(List.of(new Claim.Shows("note", true), new Claim.Shows("remark", true))))
                .isInstanceOf(Decision.Possible.class);
    }

    /** What is no difference, product or sum that goes one way, and numbers without end, are left alone. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "width * width + length > 30",
                "width * free > 30",
                "signed * length > 30",
                "modulo(width, 7) = length",
                "width ** length > 100",
                "width > (if width - length > 3 then 5 else 7)",
                "width - (if width - length > 3 then 5 else 7) > length",
                "(if width > 3 then length else 7) > 5 + width",
                "width / length > 3"
            })
    void whatGoesNoOneWayIsNotDecided(String formula) {
        Bound thousand = new Bound(BigDecimal.valueOf(1000), true);
        FieldKind kind = new FieldKind.Number(2, "m", new Bound(BigDecimal.ZERO, true), thousand);
        List<Item> items = List.of(
                Field.of("width", "Width", kind),
                Field.of("length", "Length", kind),
                Field.of("free", "Free", new FieldKind.Number(2, "m", null, null)),
                Field.of(
                        "signed",
                        "Signed",
                        new FieldKind.Number(2, "m", new Bound(BigDecimal.valueOf(-1000), true), thousand)),
                shown("note", formula));
        EveryFilling every = EveryFilling.of(CompiledTemplate.compile(document(items)), TODAY);
        assertThat(every.isImpossible(List.of(new Claim.Shows("note", true)))).isFalse();
        assertThat(every.isImpossible(List.of(new Claim.Shows("note", false)))).isFalse();
    }

    private static Decision both(Field first, Field second, String one, String other) {
        Template template = document(List.of(first, second, shown("note", one), shown("remark", other)));
        return EveryFilling.of(CompiledTemplate.compile(template), TODAY)
                .decide(List.of(new Claim.Shows("note", true), new Claim.Shows("remark", true)));
    }

    private static Field shown(String key, String formula) {
        return Field.of(key, key, new FieldKind.YesNo()).withShown(new Condition.Written(formula));
    }

    private static Template document(List<Item> items) {
        return Template.of("Two", List.of(new Page("p", "", null, List.of(Section.of("s", "", items)))));
    }
}
