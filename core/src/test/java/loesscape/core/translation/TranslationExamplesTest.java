package loesscape.core.translation;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Conditions at their edges, as sentences and as formulas: they mean the same with every blank there can be. */
class TranslationExamplesTest {

    private static final FieldKind NUMBER = new FieldKind.Number(2, "", null, null);

    private static Template template(Condition shown) {
        LookupList pumps = new LookupList(
                "pumps",
                "Pumps",
                List.of(new LookupList.Column("name", "Name", false), new LookupList.Column("rate", "Rate", true)),
                List.of(List.of("Hand", "4.50"), List.of("Motor", "12")),
                null);
        Section rows = Section.of("samples", "Samples", List.of(Field.of("acid", "Acid", NUMBER)))
                .withRows(new Section.Rows(0, 9));
        Section main = Section.of(
                "main",
                "Main",
                List.of(
                        Field.of("n", "N", NUMBER),
                        Field.of("low", "Low", NUMBER),
                        Field.of("high", "High", NUMBER),
                        Field.of("ends", "Ends", new FieldKind.Date(null, null)),
                        Field.of("rate", "Rate", new FieldKind.Lookup("pumps", "rate", Map.of())),
                        Field.of("told", "Told", new FieldKind.Text("", 0)).withShown(shown)));
        Condition sour = new Clause.Comparison("acid", OrderTest.LESS, number("5"), null);
        return new Template(
                "T",
                "",
                List.of(new Page("p", "", null, List.of(main, rows))),
                List.of(),
                List.of(new SharedCondition("sour", "Sour", sour)),
                List.of(pumps),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }

    private static Operand number(String number) {
        return new Operand.NumberOperand(new BigDecimal(number));
    }

    private static CompiledTemplate compiled(Condition condition) {
        Template template = template(condition);
        assertThat(Validation.of(template)).isEmpty();
        return CompiledTemplate.compile(template);
    }

    private static boolean holds(CompiledTemplate template, Map<String, String> answers, Context context) {
        return template.evaluate(new Answers(answers), context).of("told").shown();
    }

    private static boolean holds(Condition condition, Map<String, String> answers, Context context) {
        return holds(compiled(condition), answers, context);
    }

    /** A condition, its formula, and what comes back of it, over answers and blanks in every combination. */
    private static void meansTheSame(Condition condition) {
        Template template = template(condition);
        String formula = new AsFormula(PreparedTemplate.of(template)).of(condition);
        Condition back = new AsCondition(PreparedTemplate.of(template)).of(formula);
        CompiledTemplate clause = compiled(condition);
        CompiledTemplate written = compiled(new Condition.Written(formula));
        CompiledTemplate read = compiled(back);
        for (String n : List.of("", "1", "5", "10")) {
            for (String low : List.of("", "2", "5", "9")) {
                for (String high : List.of("", "5", "8")) {
                    for (Context context : List.of(Context.UNDATED, Context.filling(LocalDate.of(2026, 11, 27)))) {
                        for (String ends : List.of("", "2026-11-27", "2026-12-01")) {
                            Map<String, String> answers =
                                    Map.of("n", n, "low", low, "high", high, "ends", ends, "rate", "4.50");
                            boolean holds = holds(clause, answers, context);
                            assertThat(holds(written, answers, context))
                                    .as("%s of %s on %s", formula, answers, context.today())
                                    .isEqualTo(holds);
                            assertThat(holds(read, answers, context))
                                    .as("%s of %s on %s", back, answers, context.today())
                                    .isEqualTo(holds);
                        }
                    }
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"true,", "true,true", "true,false", "false,", "false,true"})
    void rangesMeanTheSameWithEveryBlankAndWithTheirEndsTheWrongWayRound(boolean outside, Boolean whenBlank) {
        List<Operand> ends = List.of(
                number("5"),
                number("3"),
                new Operand.FieldOperand("low"),
                new Operand.FieldOperand("high"),
                new Operand.FormulaOperand("10 / (high - 5)"));
        for (Operand from : ends) {
            for (Operand to : ends) {
                boolean isNone = from.equals(to) && from instanceof Operand.NumberOperand;
                Clause.Between between = new Clause.Between("n", outside, from, true, to, false, whenBlank);
                if (!isNone && !between.isEmpty()) {
                    meansTheSame(between);
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"EQUAL", "NOT_EQUAL", "LESS", "AT_LEAST"})
    void comparisonsMeanTheSameWhateverIsNotThere(OrderTest test) {
        for (Boolean whenBlank : new Boolean[] {null, true, false}) {
            meansTheSame(new Clause.Comparison("ends", test, new Operand.TodayOperand(0), whenBlank));
            meansTheSame(new Clause.Comparison("n", test, new Operand.FieldOperand("low"), whenBlank));
            meansTheSame(new Clause.Comparison("n", test, new Operand.FormulaOperand("low"), whenBlank));
            meansTheSame(new Clause.Comparison("n", test, new Operand.FormulaOperand("10 / (high - 5)"), whenBlank));
        }
    }

    @Test
    void notTodayWithoutADayIsUndecidedAndNotMet() {
        Condition other = new Clause.Comparison("ends", OrderTest.NOT_EQUAL, new Operand.TodayOperand(0), null);
        assertThat(holds(other, Map.of("ends", "2026-12-01"), Context.UNDATED)).isFalse();
        assertThat(holds(other, Map.of("ends", "2026-12-01"), Context.filling(LocalDate.of(2026, 11, 27))))
                .isTrue();
        assertThat(holds(other, Map.of(), Context.UNDATED)).isTrue();
    }

    @Test
    void aChoiceOfACellOfNumbersIsComparedAsANumber() {
        Condition cheap = new Clause.ChoiceClause("rate", Clause.ChoiceClause.ChoiceTest.IS, List.of("4.50"), null);
        assertThat(new AsFormula(PreparedTemplate.of(template(cheap))).of(cheap))
                .isEqualTo("rate.rate = 4.5");
        meansTheSame(cheap);
        assertThat(new AsCondition(PreparedTemplate.of(template(cheap))).of("rate.rate = 4.5"))
                .isEqualTo(cheap);
        Condition some =
                new Clause.ChoiceClause("rate", Clause.ChoiceClause.ChoiceTest.IS_NOT, List.of("4.50", "12"), null);
        meansTheSame(some);
    }

    @Test
    void rowsAreAskedSharedConditionsOfRows() {
        Condition any =
                new Condition.OfRows("samples", Condition.OfRows.Quantity.ANY, new Condition.Shared("sour"), null);
        assertThat(new AsFormula(PreparedTemplate.of(template(any))).of(any)).isEqualTo("count(samples[sour]) > 0");
        assertThat(new AsCondition(PreparedTemplate.of(template(any))).of("count(samples[sour]) > 0"))
                .isEqualTo(any);
        for (Condition each : List.of(any, new Condition.Written("count(samples[sour]) > 0"))) {
            assertThat(holds(each, Map.of("samples", "r1,r2", "acid@r1", "7", "acid@r2", "4"), Context.UNDATED))
                    .isTrue();
            assertThat(holds(each, Map.of("samples", "r1,r2", "acid@r1", "7"), Context.UNDATED))
                    .isFalse();
        }
    }

    @Test
    void whatSaysTwoThingsOfABlankIsNotTakenForAClause() {
        String formula = "if n = null then true else n != null";
        Condition read = new AsCondition(PreparedTemplate.of(template(new Condition.Always()))).of(formula);
        assertThat(read).isEqualTo(new Condition.Written(formula));
        assertThat(holds(read, Map.of(), Context.UNDATED)).isTrue();
    }

    @Test
    void manyClausesStandInALineAndComeBack() {
        for (int count : List.of(50, 51, 200, 900)) {
            List<Condition> clauses = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                clauses.add(new Clause.Comparison("n", OrderTest.MORE, number(String.valueOf(i)), null));
            }
            for (Condition many :
                    List.of(new Condition.All(clauses), new Condition.Any(clauses), new Condition.None(clauses))) {
                Template template = template(many);
                String formula = new AsFormula(PreparedTemplate.of(template)).of(many);
                assertThat(new AsCondition(PreparedTemplate.of(template)).of(formula))
                        .isEqualTo(many);
                Map<String, String> answers = Map.of("n", String.valueOf(count - 2));
                assertThat(holds(new Condition.Written(formula), answers, Context.UNDATED))
                        .isEqualTo(holds(many, answers, Context.UNDATED));
            }
        }
    }
}
