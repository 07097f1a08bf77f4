package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.random.RandomGenerator;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Condition.OfRows.Quantity;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What is asked of all rows, against going through all rows that there can be. */
class AllRowsTest {

    private static final Context TODAY = Context.filling(SmallTemplates.TODAY);
    private static final int MOST_ROWS = 3;

    @Test
    void whatIsDecidedIsWhatAllRowsSay() {
        int[] decided = new int[2];
        Cases.check("what is asked of rows, all gone through", 60, (random, size) -> {
            Template template = template(random, random.nextInt(2));
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            List<Standing> all = fillings().stream()
                    .map(answers -> compiled.standing(new Answers(answers), TODAY))
                    .toList();
            EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
            for (int i = 0; i < 12; i++) {
                List<Claim> claims = new ArrayList<>();
                for (int n = 1 + random.nextInt(3); n > 0; n--) {
                    claims.add(claim(random));
                }
                boolean isSo = all.stream()
                        .anyMatch(
                                standing -> claims.stream().allMatch(claim -> Replay.isSo(claim, compiled, standing)));
                Decision decision = every.decide(claims);
                assertThat(decision)
                        .as("%s of %s", claims, template)
                        .isInstanceOf(isSo ? Decision.Possible.class : Decision.Impossible.class);
                assertThat(every.isImpossible(claims)).isEqualTo(!isSo);
                decided[isSo ? 0 : 1]++;
            }
        });
        assertThat(decided).doesNotContain(0);
    }

    /** One row for each thing that is asked, one that is looked at, and one that is refused: no fewer would do. */
    @Test
    void asManyRowsAreToldApartAsAreAskedFor() {
        Check refused = new Check(equal(3), "Not 3.");
        Field thick = Field.of("thick", "Thick", new FieldKind.Number(0, "m", null, null));
        for (boolean isRefused : new boolean[] {false, true}) {
            Field checked = isRefused ? thick.withChecks(List.of(refused)) : thick;
            CompiledTemplate compiled = CompiledTemplate.compile(Template.of(
                    "Layers",
                    List.of(new Page(
                            "p",
                            "",
                            null,
                            List.of(
                                    Section.of(
                                                    "layers",
                                                    "Layers",
                                                    List.of(
                                                            checked,
                                                            Field.of("dry", "Dry", new FieldKind.YesNo())
                                                                    .withShown(new Clause.IsBlank("thick"))))
                                            .withRows(new Section.Rows(0, 1000)),
                                    Section.of(
                                            "after",
                                            "",
                                            List.of(
                                                    any("o0", equal(0)),
                                                    any("o1", equal(1)),
                                                    any("o2", equal(2)))))))));
            List<Claim> claims = new ArrayList<>(List.of(
                    new Claim.Shows("dry", true),
                    new Claim.Shows("o0", true),
                    new Claim.Shows("o1", true),
                    new Claim.Shows("o2", true)));
            claims.add(new Claim.IsHeldUp(isRefused));
            EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
            assertThat(every.decide(claims))
                    .isInstanceOfSatisfying(
                            Decision.Possible.class,
                            it -> assertThat(
                                            RowNames.read(it.example().answers().getOrDefault("layers", "")))
                                    .hasSize(isRefused ? 5 : 4));
        }
    }

    /** More than are told apart is not decided, and not decided wrongly. */
    @Test
    void moreThanAreToldApartIsOutOfReach() {
        List<Item> after = new ArrayList<>();
        List<Claim> claims = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            after.add(any("o" + i, equal(i)));
            claims.add(new Claim.Shows("o" + i, true));
        }
        CompiledTemplate compiled = CompiledTemplate.compile(Template.of(
                "Layers",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(
                                Section.of(
                                                "layers",
                                                "Layers",
                                                List.of(Field.of(
                                                        "thick", "Thick", new FieldKind.Number(0, "m", null, null))))
                                        .withRows(new Section.Rows(0, 100)),
                                Section.of("after", "", after))))));
        EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
        assertThat(every.isImpossible(claims)).isFalse();
        assertThat(every.decide(claims)).isInstanceOf(Decision.NotDecided.class);
    }

    private static Field any(String key, Condition condition) {
        return Field.of(key, key, new FieldKind.YesNo())
                .withShown(new Condition.OfRows("layers", Quantity.ANY, condition, null));
    }

    private static Condition equal(int number) {
        return new Clause.Comparison("thick", OrderTest.EQUAL, number(number), null);
    }

    private static Claim claim(RandomGenerator random) {
        boolean is = random.nextBoolean();
        return switch (random.nextInt(6)) {
            case 0 -> new Claim.Shows("dry", is);
            case 1 -> new Claim.Shows("note", is);
            case 2 -> new Claim.Refuses("thick", is);
            case 3 -> new Claim.IsHeldUp(is);
            default -> new Claim.Shows("o" + random.nextInt(3), is);
        };
    }

    /** Two fields outside, up to three rows of two fields, and what follows from rows. */
    private static Template template(RandomGenerator random, int least) {
        FieldKind yesNo = new FieldKind.YesNo();
        List<Item> before = List.of(Field.of("deep", "Deep", yesNo));
        Field thick = Field.of(
                        "thick",
                        "Thick",
                        new FieldKind.Number(0, "m", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.TWO, true)))
                .withChecks(
                        random.nextInt(3) == 0
                                ? List.of(new Check(
                                        new Clause.Comparison("thick", OrderTest.EQUAL, number(1), null), "Not 1."))
                                : List.of());
        Field dry = Field.of("dry", "Dry", yesNo)
                .withShown(
                        switch (random.nextInt(4)) {
                            case 0 -> thick(random);
                            case 1 -> yes("deep");
                            case 2 -> asked(random, "thick");
                            default -> null;
                        });
        Section rows = Section.of("layers", "Layers", List.of(thick, dry))
                .withShown(random.nextInt(3) == 0 ? yes("deep") : null)
                .withRows(new Section.Rows(0, MOST_ROWS));
        List<Item> after = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            after.add(Field.of("o" + i, "O", yesNo).withShown(asked(random, null)));
        }
        after.add(Field.of("note", "Note", yesNo)
                .withShown(new Condition.All(List.of(
                        asked(random, null),
                        new Condition.RowCount(
                                "layers", List.of(OrderTest.values()).get(random.nextInt(6)), least + 1)))));
        return Template.of(
                "Layers",
                List.of(new Page(
                        "p", "", null, List.of(Section.of("a", "", before), rows, Section.of("b", "", after)))));
    }

    /**
     * @param only the field of which it is asked, so that nothing follows from itself; null for both
     */
    private static Condition asked(RandomGenerator random, @Nullable String only) {
        Condition condition = only == null ? ofRow(random) : thick(random);
        Condition one = new Condition.OfRows(
                "layers",
                List.of(Quantity.values()).get(random.nextInt(3)),
                random.nextInt(3) == 0 ? new Condition.All(List.of(condition, thick(random))) : condition,
                random.nextInt(3) == 0 ? Boolean.valueOf(random.nextBoolean()) : null);
        return random.nextInt(3) == 0 ? new Condition.Any(List.of(one, yes("deep"))) : one;
    }

    private static Condition ofRow(RandomGenerator random) {
        return switch (random.nextInt(5)) {
            case 0 -> yes("dry");
            case 1 -> new Clause.IsBlank("dry");
            case 2 -> new Condition.All(List.of(yes("dry"), yes("deep")));
            default -> thick(random);
        };
    }

    private static Condition thick(RandomGenerator random) {
        return new Clause.Comparison(
                "thick", List.of(OrderTest.values()).get(random.nextInt(6)), number(random.nextInt(3)), null);
    }

    private static Condition yes(String key) {
        return new Clause.ChoiceClause(key, Clause.ChoiceClause.ChoiceTest.IS, List.of(FieldKind.YesNo.YES), null);
    }

    private static Operand number(int number) {
        return new Operand.NumberOperand(BigDecimal.valueOf(number));
    }

    private static List<Map<String, String>> fillings() {
        List<Map<String, String>> all = new ArrayList<>();
        for (String deep : List.of("", "yes", "no")) {
            for (int count = 0; count <= MOST_ROWS; count++) {
                rows(count, 0, new TreeMap<>(Map.of("deep", deep)), all);
            }
        }
        return all;
    }

    private static void rows(int count, int from, Map<String, String> answers, List<Map<String, String>> all) {
        if (from == count) {
            List<String> names = new ArrayList<>();
            for (int row = 1; row <= count; row++) {
                names.add("r" + row);
            }
            answers.put("layers", RowNames.text(names));
            all.add(new TreeMap<>(answers));
            return;
        }
        for (String thick : List.of("", "0", "1", "2")) {
            for (String dry : List.of("", "yes", "no")) {
                answers.put(RowNames.address("thick", "r" + (from + 1)), thick);
                answers.put(RowNames.address("dry", "r" + (from + 1)), dry);
                rows(count, from + 1, answers, all);
            }
        }
        answers.remove(RowNames.address("thick", "r" + (from + 1)));
        answers.remove(RowNames.address("dry", "r" + (from + 1)));
    }
}
