package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.analysis.Explaining;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.core.model.Value;
import loesscape.core.testing.Cases;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** Formulas that look at other rows, at the labels of choices and at lookup lists, and shared conditions of rows. */
class RowFormulasTest {

    private static final FieldKind NUMBER = new FieldKind.Number(2, "", null, null);

    private static Field worked(String key, FieldKind kind, String formula) {
        return Field.of(key, key, kind).withValue(new FieldValue.WorkedOut(formula, false));
    }

    private static Template template() {
        LookupList holidays = new LookupList(
                "holidays",
                "Holidays",
                List.of(new LookupList.Column("day", "Day", false)),
                List.of(List.of("2026-12-25"), List.of("2027-01-01"), List.of("")),
                null);
        Section bills = Section.of(
                        "bills",
                        "Bills",
                        List.of(
                                Field.of("amount", "Amount", NUMBER),
                                worked("place", NUMBER, "row number()"),
                                worked("before", NUMBER, "previous(amount)"),
                                worked("change", NUMBER, "amount - previous(amount)"),
                                worked("balance", NUMBER, "running total(amount)"),
                                Field.of("note", "Note", new FieldKind.Text("", 0))
                                        .withShown(new Condition.Shared("dear")),
                                Field.of("first", "First", new FieldKind.Text("", 0))
                                        .withShown(new Condition.Written("row number() = 1"))))
                .withRows(new Section.Rows(1, 20));
        Section main = Section.of(
                "main",
                "Main",
                List.of(
                        Field.of(
                                "purpose",
                                "Purpose",
                                new FieldKind.OneChoice(
                                        List.of(
                                                new Choice("irrigation", "Irrigation of fields", ""),
                                                new Choice("well", "House well", "")),
                                        FieldKind.ChoiceLayout.MARKS,
                                        FieldKind.ChoiceStyle.PLAIN,
                                        false,
                                        null)),
                        Field.of("start", "Start", new FieldKind.Date(null, null)),
                        Field.of("end", "End", new FieldKind.Date(null, null)),
                        worked("told", new FieldKind.Text("", 0), "\"For \" + label(purpose)"),
                        worked("weekday", new FieldKind.Text("", 0), "weekday name(start)"),
                        worked("paid", new FieldKind.Text("", 0), "format(total(bills.amount), \"#,##0.00\")"),
                        worked("days", NUMBER, "working days(start, end, list(\"holidays\").day)"),
                        worked("dear_ones", NUMBER, "count(bills[dear])")));
        return new Template(
                "Bills",
                "",
                List.of(new Page("page", "", null, List.of(main, bills))),
                List.of(),
                List.of(new SharedCondition(
                        "dear",
                        "Dear",
                        new Clause.Comparison(
                                "amount",
                                Clause.Comparison.OrderTest.MORE,
                                new Clause.Operand.NumberOperand(new BigDecimal(100)),
                                null))),
                List.of(holidays),
                List.of(),
                new PageSettings(
                        PageSettings.PLAIN.spacing(), PageSettings.PLAIN.paper(), PageSettings.PLAIN.numbering(), "de"),
                List.of(),
                List.of());
    }

    private static Map<String, String> values(State state) {
        Map<String, String> values = new HashMap<>();
        state.nodes().forEach((address, node) -> {
            if (node instanceof NodeState.FieldState field) {
                values.put(address, text(field.value()));
            }
        });
        return values;
    }

    private static String text(@Nullable Value value) {
        return switch (value) {
            case Value.Number(var number) -> number.toPlainString();
            case Value.Text(var text) -> text;
            case null, default -> "";
        };
    }

    @Test
    void rowsSeeTheRowsBeforeThem() {
        assertThat(Validation.of(template())).isEmpty();
        Map<String, String> answers = Map.of(
                "bills", "r1,r2,r3,r4",
                "amount@r1", "120",
                "amount@r2", "80,5",
                "amount@r4", "300",
                "purpose", "irrigation",
                "start", "2026-12-24",
                "end", "2027-01-04");
        State state = CompiledTemplate.compile(template())
                .evaluate(new Answers(answers), Context.filling(LocalDate.of(2026, 11, 27)));
        assertThat(values(state))
                .containsEntry("place@r1", "1")
                .containsEntry("place@r4", "4")
                .containsEntry("before@r1", "")
                .containsEntry("before@r2", "120")
                .containsEntry("before@r3", "80.5")
                .containsEntry("before@r4", "")
                .containsEntry("change@r2", "-39.5")
                .containsEntry("balance@r1", "120")
                .containsEntry("balance@r2", "200.5")
                .containsEntry("balance@r3", "200.5")
                .containsEntry("balance@r4", "500.5")
                .containsEntry("told", "For Irrigation of fields")
                .containsEntry("weekday", "Donnerstag")
                .containsEntry("paid", "500,50")
                .containsEntry("days", "6")
                .containsEntry("dear_ones", "2");
        assertThat(state.of("note@r1").shown()).isTrue();
        assertThat(state.of("note@r2").shown()).isFalse();
        assertThat(state.of("first@r1").shown()).isTrue();
        assertThat(state.of("first@r2").shown()).isFalse();
    }

    @Test
    void oneChangedAnswerGivesWhatAllOfThemGive() {
        CompiledTemplate compiled = CompiledTemplate.compile(template());
        Context context = Context.filling(LocalDate.of(2026, 11, 27));
        Cases.check("rows that are edited", 100, (random, size) -> {
            Session session = compiled.session(Answers.NONE, context);
            for (int i = 0; i < 20; i++) {
                String row = "r" + (1 + random.nextInt(5));
                if (random.nextInt(4) == 0) {
                    session.answer("bills", "r1,r2,r3,r4,r5".substring(0, 2 + 3 * random.nextInt(5)));
                } else {
                    session.answer("amount@" + row, random.nextInt(4) == 0 ? "" : String.valueOf(random.nextInt(200)));
                }
                assertThat(session.state().changedSince(compiled.evaluate(session.answers(), context)))
                        .isEmpty();
            }
        });
    }

    @Test
    void keysInTheNamesOfOtherRowsAndListsAreRenamedAndKept() {
        Template renamed = Editing.apply(template(), new Edit.RenameKey("amount", "sum_due"));
        assertThat(renamed.fields())
                .filteredOn(field -> field.value() instanceof FieldValue.WorkedOut)
                .extracting(field -> ((FieldValue.WorkedOut) Objects.requireNonNull(field.value())).formula())
                .contains("previous(sum_due)", "sum_due - previous(sum_due)", "running total(sum_due)");
        assertThat(Validation.of(renamed)).isEmpty();
        assertThatThrownBy(() -> Editing.apply(template(), new Edit.RemoveList("holidays")))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("is used");
    }

    @Test
    void whatHasAMeaningInRowsOnlyIsRefusedElsewhere() {
        for (String formula : List.of("row number()", "previous(amount)", "running total(amount)", "previous(start)")) {
            assertThatThrownBy(() -> Editing.apply(
                            template(), new Edit.SetValue("days", new FieldValue.WorkedOut(formula, false))))
                    .as(formula)
                    .hasMessageContaining("has a meaning in rows only");
        }
    }

    /** As a release that was made before a rule was added. */
    @Test
    void whatWasKeptBeforeItWasRefusedIsReadAndItsFormulaDecidesNothing() {
        Section section = Section.of(
                "main",
                "Main",
                List.of(
                        Field.of("n", "N", NUMBER),
                        Field.of("told", "Told", new FieldKind.Text("", 0))
                                .withShown(new Condition.Written("n = \"five\"")),
                        worked("twice", NUMBER, "2 * n + date(\"2026-02-30\").day"),
                        worked("more", NUMBER, "n + 1")));
        Template kept = Template.of("Kept", List.of(new Page("page", "", null, List.of(section))));
        assertThat(Validation.of(kept)).isNotEmpty();
        CompiledTemplate compiled = CompiledTemplate.ofValid(kept);
        Answers answers = new Answers(Map.of("n", "5"));
        State state = compiled.evaluate(answers);
        assertThat(state.of("told").shown()).isFalse();
        assertThat(state.counting("twice").isBlank()).isTrue();
        assertThat(state.counting("more")).isEqualTo(new Value.Number(new BigDecimal(6)));
        assertThat(new Explaining(compiled, answers, Context.UNDATED)
                        .why("twice")
                        .reasons()
                        .getFirst()
                        .says()
                        .blank())
                .contains("2026-02-30");
    }
}
