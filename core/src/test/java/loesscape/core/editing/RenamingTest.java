package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Keys that are renamed or copied change in formulas where they mean a field, and nowhere else. */
class RenamingTest {

    private static final FieldKind NUMBER = new FieldKind.Number(2, "", null, null);

    private static Template template(String formula, List<SharedCondition> shared) {
        LookupList machines = new LookupList(
                "machines",
                "Machines",
                List.of(
                        new LookupList.Column("name", "Name", false),
                        new LookupList.Column("amount", "Amount", true),
                        new LookupList.Column("month", "Month", true)),
                List.of(List.of("Auger", "5", "4")),
                null);
        Section bills = Section.of(
                        "bills", "Bills", List.of(field("amount", NUMBER), field("name", new FieldKind.Text("", 0))))
                .withRows(new Section.Rows(1, 20));
        Section main = Section.of(
                "main",
                "Main",
                List.of(
                        field("month", NUMBER),
                        field("start", new FieldKind.Date(null, null)),
                        field("machine", new FieldKind.Lookup("machines", "name", Map.of())),
                        field("told", new FieldKind.Text("", 0)).withShown(new Condition.Written(formula))));
        return new Template(
                "Renaming",
                "",
                List.of(new Page("page", "", null, List.of(main, bills))),
                List.of(),
                shared,
                List.of(machines),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }

    private static Field field(String key, FieldKind kind) {
        return Field.of(key, key, kind);
    }

    private static String shown(Template template, String key) {
        return template.fields().stream()
                .filter(field -> field.key().equals(key) && field.shown() != null)
                .map(field -> ((Condition.Written) field.shown()).formula())
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            start.month > month                                | month  | start.month > month_due
            start.month>month // the month of work             | month  | start.month>month_due // the month of work
            month > 120.00                                     | month  | month_due > 120.00
            machine.month > month                              | month  | machine.month > month_due
            machine.amount > sum(bills.amount)                 | amount | machine.amount > sum(bills.amount_due)
            count(bills[amount > 3]) > month                   | amount | count(bills[amount_due > 3]) > month
            count(bills[item.amount > 3]) > 1                  | amount | count(bills[item.amount_due > 3]) > 1
            sum(for x in bills return x.amount) > 2            | amount | sum(for x in bills return x.amount_due) > 2
            some month in [1, 2] satisfies month > 1           | month  | some month in [1, 2] satisfies month > 1
            {month: 4, more: month}.month > month              | month  | {month: 4, more: month}.month > month_due
            sum(bills[name = "month"].amount) > month          | month  | sum(bills[name = "month"].amount) > month_due
            date(2026, month, 1).month > 3 and start.day > 1   | month  | date(2026, month_due, 1).month > 3 and start.day > 1
            sum(append(bills, {amount: month}).amount) > month | month  | sum(append(bills, {amount: month_due}).amount) > month_due
            sum(append(bills, bills[1]).amount) > 1            | amount | sum(append(bills, bills[1]).amount_due) > 1
            count(bills[name = "a"][amount > 1]) > 0           | name   | count(bills[name_due = "a"][amount > 1]) > 0
            (bills[1].amount > 1) or (bills[-1].amount > 1)    | amount | (bills[1].amount_due > 1) or (bills[-1].amount_due > 1)
            """)
    void onlyWhatMeansTheFieldIsRenamed(String formula, String key, String renamed) {
        Template after = Editing.apply(template(formula, List.of()), new Edit.RenameKey(key, key + "_due"));
        assertThat(shown(after, "told")).isEqualTo(renamed);
    }

    @Test
    void lineBreaksAndCommentsStayAsTheyWereWritten() {
        String formula = "/* why */ month\n  >\t1.50  // at least";
        Template after = Editing.apply(template(formula, List.of()), new Edit.RenameKey("month", "when"));
        assertThat(shown(after, "told")).isEqualTo("/* why */ when\n  >\t1.50  // at least");
    }

    @Test
    void aNameThatTheFormulaBindsItselfIsNotTaken() {
        Template template = template("some due in [1, 2] satisfies due > month", List.of());
        assertThatThrownBy(() -> Editing.apply(template, new Edit.RenameKey("month", "due")))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("some due in [1, 2]");
        assertThat(shown(Editing.apply(template, new Edit.RenameKey("month", "due_on")), "told"))
                .isEqualTo("some due in [1, 2] satisfies due > due_on");
    }

    @Test
    void copiesLookAtCopiesAndElseAtWhatTheyLookedAt() {
        Template before = template("start.month > month and machine.month > 1", List.of());
        Template after = Editing.apply(before, new Edit.Duplicate(List.of("main"), null, null));
        assertThat(shown(after, "told_2")).isEqualTo("start_2.month > month_2 and machine_2.month > 1");
        assertThat(shown(after, "told")).isEqualTo("start.month > month and machine.month > 1");
    }

    @Test
    void aSharedConditionThatComparesARowWithAllRowsIsAskedOfEachRow() {
        SharedCondition largest =
                new SharedCondition("largest", "The largest bill", new Condition.Written("max(bills.amount) = amount"));
        Template template = Editing.apply(
                template("month > 1", List.of(largest)),
                new Edit.SetCondition(List.of("name"), List.of(Aspect.SHOWN), new Condition.Shared("largest")));
        var state = CompiledTemplate.compile(template)
                .evaluate(new Answers(Map.of("bills", "r1,r2", "amount@r1", "3", "amount@r2", "5")));
        assertThat(state.of("name@r1").shown()).isFalse();
        assertThat(state.of("name@r2").shown()).isTrue();
    }
}
