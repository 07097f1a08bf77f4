package loesscape.core.translation;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Condition.OfRows.Quantity;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Look;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.core.wording.Sentences;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/**
 * Every clause with every verb, every other side and every rule for blanks: what it is called in the margin, its formula, and
 * that it comes back from it. What each says stands in {@code every-condition.txt}; {@code ./loesscape types} writes it anew.
 */
class EveryConditionTest {

    private static final Path FILE = Path.of("src/test/resources/loesscape/core/translation/every-condition.txt");
    private static final FieldKind NUMBER = new FieldKind.Number(2, "m", null, null);

    private static final List<Choice> USES =
            List.of(Choice.of("home", "Household"), Choice.of("field", "Irrigation"), Choice.of("farm", "Livestock"));

    private static final List<Band> BANDS = List.of(
            Band.of("low", "Shallow", Look.PLAIN, new Bound(BigDecimal.TEN, false)),
            Band.of("mid", "", Look.PLAIN, new Bound(new BigDecimal(50), true)),
            Band.of("high", "Deep", Look.PLAIN, null));

    private static final List<@Nullable Boolean> RULES = Arrays.asList(null, true, false);

    private static Template template(Condition shown) {
        LookupList pumps = new LookupList(
                "pumps",
                "Pumps",
                List.of(new LookupList.Column("name", "Name", false), new LookupList.Column("rate", "Rate", true)),
                List.of(List.of("Hand", "4.50"), List.of("Motor", "12")),
                null);
        Section samples = Section.of(
                        "samples",
                        "Samples",
                        List.of(Field.of("acid", "Acid", NUMBER), Field.of("hole", "Hole", new FieldKind.Text("", 0))))
                .withRows(new Section.Rows(0, 9));
        Section main = Section.of(
                "main",
                "Main",
                List.of(
                        Field.of("depth", "Depth", NUMBER).withBands(BANDS),
                        Field.of("limit", "Limit", NUMBER),
                        Field.of("least", "Least", NUMBER),
                        Field.of("fee", "Fee", new FieldKind.Money("EUR", null, null)),
                        Field.of("stars", "Stars", new FieldKind.Rating(5)),
                        Field.of("starts", "Starts", new FieldKind.Date(null, null)),
                        Field.of("ends", "Ends", new FieldKind.Date(null, null)),
                        Field.of("opens", "Opens", new FieldKind.Time(null, null)),
                        Field.of("use", "Use", FieldKind.OneChoice.of(USES)),
                        Field.of("uses", "Uses", FieldKind.SeveralChoices.of(USES)),
                        Field.of("agreed", "Agreed", new FieldKind.YesNo()),
                        Field.of("pump", "Pump", new FieldKind.Lookup("pumps", "name", Map.of())),
                        Field.of("rate", "Rate", new FieldKind.Lookup("pumps", "rate", Map.of())),
                        Field.of("soil", "Soil", new FieldKind.Text("", 0)),
                        Field.of("told", "Told", new FieldKind.Text("", 0)).withShown(shown)));
        return new Template(
                "T",
                "",
                List.of(new Page("p", "", null, List.of(main, samples))),
                List.of(new Role("owner", "Landowner", 1, null), new Role("driller", "Driller", 2, null)),
                List.of(new SharedCondition("wet", "Wet", new Clause.Answered("soil"))),
                List.of(pumps),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }

    private static Operand number(String number) {
        return new Operand.NumberOperand(new BigDecimal(number));
    }

    private static List<Condition> clauses() {
        List<Condition> all = new ArrayList<>();
        for (String field : List.of("depth", "use", "uses", "agreed", "soil", "pump", "starts", "opens")) {
            all.add(new Clause.Answered(field));
            all.add(new Clause.IsBlank(field));
        }
        for (Boolean rule : RULES) {
            for (ChoiceTest test : ChoiceTest.values()) {
                all.add(new Clause.ChoiceClause("use", test, List.of("field"), rule));
                all.add(new Clause.ChoiceClause("use", test, List.of("field", "home"), rule));
                all.add(new Clause.ChoiceClause("agreed", test, List.of("yes"), rule));
                all.add(new Clause.ChoiceClause("agreed", test, List.of("no"), rule));
                all.add(new Clause.ChoiceClause("pump", test, List.of("Hand"), rule));
                all.add(new Clause.ChoiceClause("rate", test, List.of("4.50", "12"), rule));
            }
            for (SetTest test : SetTest.values()) {
                all.add(new Clause.SetClause("uses", test, List.of("home"), rule));
                all.add(new Clause.SetClause("uses", test, List.of("home", "farm"), rule));
            }
            for (TextTest test : TextTest.values()) {
                all.add(new Clause.TextClause("soil", test, "clay", false, rule));
                all.add(new Clause.TextClause("soil", test, "Clay", true, rule));
            }
            for (OrderTest test : OrderTest.values()) {
                all.add(new Clause.CountClause("uses", test, 2, rule));
                all.add(new Clause.LengthClause("soil", test, 8, rule));
                all.add(new Clause.Comparison("depth", test, number("-2.5"), rule));
                all.add(new Clause.Comparison("depth", test, new Operand.FieldOperand("limit"), rule));
                all.add(new Clause.Comparison("depth", test, new Operand.FormulaOperand("limit * 2"), rule));
                all.add(new Clause.Comparison("fee", test, number("12"), rule));
                all.add(new Clause.Comparison("stars", test, number("3"), rule));
                all.add(new Clause.Comparison(
                        "starts", test, new Operand.DateOperand(LocalDate.of(2026, 11, 27)), rule));
                all.add(new Clause.Comparison("starts", test, new Operand.TodayOperand(0), rule));
                all.add(new Clause.Comparison("starts", test, new Operand.TodayOperand(-14), rule));
                all.add(new Clause.Comparison("starts", test, new Operand.TodayOperand(1), rule));
                all.add(new Clause.Comparison("starts", test, new Operand.FieldOperand("ends"), rule));
                all.add(new Clause.Comparison("opens", test, new Operand.TimeOperand(LocalTime.of(7, 30)), rule));
            }
            all.add(new Clause.BandClause("depth", List.of("low"), rule));
            all.add(new Clause.BandClause("depth", List.of("mid"), rule));
            all.add(new Clause.BandClause("depth", List.of("high"), rule));
            all.add(new Clause.BandClause("depth", List.of("low", "high"), rule));
            for (boolean outside : List.of(false, true)) {
                for (boolean in : List.of(false, true)) {
                    all.add(new Clause.Between("depth", outside, number("1"), in, number("9"), !in, rule));
                    all.add(new Clause.Between(
                            "depth",
                            outside,
                            new Operand.FieldOperand("least"),
                            in,
                            new Operand.FieldOperand("limit"),
                            true,
                            rule));
                    all.add(new Clause.Between(
                            "starts",
                            outside,
                            new Operand.TodayOperand(-7),
                            in,
                            new Operand.TodayOperand(7),
                            in,
                            rule));
                }
            }
        }
        return all;
    }

    private static List<Condition> others() {
        List<Condition> all = new ArrayList<>();
        Condition acid = new Clause.Comparison("acid", OrderTest.LESS, number("5"), null);
        Condition hole = new Clause.Answered("hole");
        for (Boolean rule : RULES) {
            for (Quantity quantity : Quantity.values()) {
                all.add(new Condition.OfRows("samples", quantity, acid, rule));
                all.add(new Condition.OfRows("samples", quantity, new Condition.All(List.of(acid, hole)), rule));
            }
            for (OrderTest test : OrderTest.values()) {
                all.add(new Condition.Total("acid", test, number("20"), rule));
                all.add(new Condition.Total("acid", test, new Operand.FieldOperand("limit"), rule));
            }
        }
        for (OrderTest test : OrderTest.values()) {
            all.add(new Condition.RowCount("samples", test, 3));
        }
        all.add(new Condition.StageIs(List.of(Stage.PRINT)));
        all.add(new Condition.StageIs(List.of(Stage.FILLING, Stage.REVIEWING)));
        all.add(new Condition.RoleIs(List.of("owner")));
        all.add(new Condition.RoleIs(List.of("owner", "driller")));
        all.add(new Condition.Shared("wet"));
        all.add(new Condition.Written("depth + limit > 3"));
        all.add(new Condition.Always());
        all.add(new Condition.Never());
        Condition deep = new Clause.Comparison("depth", OrderTest.MORE, number("30"), null);
        Condition agreed = new Clause.ChoiceClause("agreed", ChoiceTest.IS, List.of("yes"), null);
        Condition clay = new Clause.TextClause("soil", TextTest.CONTAINS, "clay", false, null);
        all.add(new Condition.All(List.of(deep, agreed, clay)));
        all.add(new Condition.Any(List.of(deep, agreed, clay)));
        all.add(new Condition.None(List.of(deep, agreed)));
        all.add(new Condition.AtLeast(2, List.of(deep, agreed, clay)));
        all.add(new Condition.All(List.of(deep, new Condition.Any(List.of(agreed, clay)))));
        all.add(new Condition.Any(List.of(deep, new Condition.All(List.of(agreed, clay)))));
        all.add(new Condition.None(List.of(new Condition.All(List.of(deep, agreed)))));
        return all;
    }

    /** A rule that says what is usual anyway is not said. */
    private static Condition plain(Condition condition) {
        return switch (condition) {
            case Clause it -> it.withRule(null).metWhenBlank() == it.metWhenBlank() ? it.withRule(null) : it;
            case Condition.OfRows it -> {
                Condition.OfRows usual = new Condition.OfRows(it.section(), it.quantity(), it.condition(), null);
                yield usual.metWhenBlank() == it.metWhenBlank() ? usual : it;
            }
            case Condition.Total it -> {
                Condition.Total usual = new Condition.Total(it.field(), it.test(), it.to(), null);
                yield usual.metWhenBlank() == it.metWhenBlank() ? usual : it;
            }
            default -> condition;
        };
    }

    @Test
    void eachHasItsWordsAndItsFormulaAndComesBackFromIt() throws IOException {
        List<Condition> all = new ArrayList<>(clauses());
        all.addAll(others());
        List<String> said = new ArrayList<>();
        List<String> lost = new ArrayList<>();
        for (Condition condition : all) {
            Template template = template(condition);
            PreparedTemplate prepared = PreparedTemplate.of(template);
            assertThat(Validation.of(template)).as(condition.toString()).isEmpty();
            String formula = new AsFormula(prepared).of(condition);
            String words = new Sentences(prepared)
                    .all().getOrDefault("told", List.of()).stream()
                            .map(sentence -> sentence.text())
                            .findFirst()
                            .orElse("");
            said.add(words + "\n    " + formula);
            Condition back = new AsCondition(prepared).of(formula);
            if (!back.equals(plain(condition))) {
                lost.add(condition + "\n  " + formula + "\n  " + back);
            }
        }
        String text = String.join("\n", said.stream().distinct().toList()) + "\n";
        if (Boolean.getBoolean("loesscape.make")) {
            Files.createDirectories(FILE.getParent());
            Files.writeString(FILE, text);
        }
        assertThat(lost).isEmpty();
        assertThat(FILE).content().isEqualTo(text);
    }
}
