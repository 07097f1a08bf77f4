package loesscape.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** The margin in words. */
class SentencesTest {

    private static final Field PURPOSE = field(
            "purpose",
            "What will the water be used for?",
            FieldKind.OneChoice.of(List.of(
                    Choice.of("house", "Household"), Choice.of("irr", "Irrigation"), Choice.of("li", "Livestock"))));
    private static final Field DEPTH = field(
            "depth",
            "Depth",
            new FieldKind.Number(1, "m", new Bound(BigDecimal.ZERO, false), new Bound(BigDecimal.valueOf(400), true)));
    private static final Field START = field("start", "Start", new FieldKind.Date(null, null));
    private static final Field NAME = field("name", "Name", new FieldKind.Text("", 0));
    private static final Clause IRRIGATION = new Clause.ChoiceClause("purpose", ChoiceTest.IS, List.of("irr"), null);
    private static final Clause DEEP = depth(OrderTest.AT_LEAST, 30, null);

    @Test
    void aspectsWithTheSameConditionShareASentenceAndOthersDoNot() {
        assertThat(sentences(NAME.withShown(DEEP).withRequired(DEEP)))
                .containsExactly("Shown and required when Depth is at least 30 m.");
        assertThat(sentences(NAME.withRequired(new Condition.Always()))).containsExactly("Always required.");
        assertThat(sentences(NAME.withShown(IRRIGATION)
                        .withRequired(new Condition.Always())
                        .withEditable(DEEP)))
                .containsExactly(
                        "Shown when Purpose is Irrigation.",
                        "Always required.",
                        "Editable when Depth is at least 30 m.");
    }

    @Test
    void groupsInGroupsAreBracketed() {
        Condition nested =
                new Condition.Any(List.of(IRRIGATION, new Condition.All(List.of(DEEP, new Clause.Answered("name")))));
        assertThat(sentences(START.withShown(nested)))
                .containsExactly("Shown when Purpose is Irrigation or (Depth is at least 30 m and Name is answered).");
    }

    @Test
    void blankIsSaidWhereItCouldSurprise() {
        assertThat(sentences(START.withShown(
                        new Clause.ChoiceClause("purpose", ChoiceTest.IS_NOT, List.of("house", "li"), null))))
                .containsExactly("Shown when Purpose is none of Household, Livestock, also when blank.");
        assertThat(sentences(START.withShown(
                        new Clause.ChoiceClause("purpose", ChoiceTest.IS_NOT, List.of("house"), false))))
                .containsExactly("Shown when Purpose is not Household, and answered.");
        assertThat(sentences(START.withShown(depth(OrderTest.LESS, 30, true))))
                .containsExactly("Shown when Depth is less than 30 m, also when blank.");
    }

    @Test
    void datesHaveVerbsOfTheirOwn() {
        Operand day = new Operand.DateOperand(LocalDate.of(2026, 11, 24));
        assertThat(sentences(NAME.withShown(new Clause.Comparison("start", OrderTest.MORE, day, null))))
                .containsExactly("Shown when Start is after 24 November 2026.");
    }

    @Test
    void everyOtherKindOfConditionHasItsWords() {
        Condition.None none = new Condition.None(List.of(IRRIGATION, DEEP));
        assertThat(sentences(START.withShown(none)))
                .containsExactly("Shown when none of (Purpose is Irrigation, Depth is at least 30 m).");
        assertThat(sentences(START.withShown(new Condition.AtLeast(1, List.of(IRRIGATION, DEEP)))))
                .containsExactly("Shown when at least 1 of (Purpose is Irrigation, Depth is at least 30 m).");
        assertThat(sentences(START.withShown(new Condition.Written("depth > 30"))))
                .containsExactly("Shown when depth > 30.");
        assertThat(sentences(NAME.withShown(
                        new Clause.Comparison("start", OrderTest.LESS, new Operand.TodayOperand(-1), null))))
                .containsExactly("Shown when Start is before 1 day before today.");
        assertThat(sentences(START.withShown(new Clause.LengthClause("name", OrderTest.AT_LEAST, 3, null))))
                .containsExactly("Shown when Name has a length that is at least 3 characters.");
    }

    @Test
    void bandsAndLimitsSayTheirEdges() {
        Band low = Band.of("low", "Shallow", Look.PLAIN, new Bound(BigDecimal.valueOf(30), true));
        Band high = Band.of("high", "Deep", Look.of(Look.Shade.OCHRE, true, Look.Mark.WARNING), null);
        assertThat(sentences(DEPTH.withBands(List.of(low, high))))
                .containsExactly("Checked: more than 0 m and at most 400 m.", "Turns ochre and bold when over 30.");
        assertThat(sentences(Indicator.of("i", "Class", "depth", List.of(low, high))))
                .containsExactly("Follows Depth: Shallow up to 30, Deep over 30. Blank shows nothing.");
    }

    @Test
    void aFoldedNodeSaysWhatKeepsItFolded() {
        Field plan = NAME.withShown(new Condition.All(List.of(IRRIGATION, DEEP)));
        Template template = template(PURPOSE, DEPTH, plan);
        assertThat(reason(template, Answers.NONE)).isEqualTo("Purpose is blank");
        assertThat(reason(template, Answers.NONE.with("purpose", "irr").with("depth", "12")))
                .isEqualTo("Depth is 12 m");
        assertThat(reason(template, Answers.NONE.with("purpose", "irr").with("depth", "30")))
                .isEmpty();
    }

    @Test
    void whatFollowsRowsSaysHowManyThereAreAndWhatTheyAddUpTo() {
        Section rows = Section.of("wells", "Wells", List.of(DEPTH)).withRows(new Section.Rows(0, 5));
        Operand more = new Operand.NumberOperand(BigDecimal.valueOf(100));
        Template many = template(rows, NAME.withShown(new Condition.RowCount("wells", OrderTest.AT_LEAST, 3)));
        Template deep = template(rows, NAME.withShown(new Condition.Total("depth", OrderTest.MORE, more, null)));
        Answers two = Answers.NONE.withRows("wells", List.of("r1", "r2"));
        assertThat(reason(many, Answers.NONE.withRows("wells", List.of("r1")))).isEqualTo("Wells has 1 row");
        assertThat(reason(many, two)).isEqualTo("Wells has 2 rows");
        assertThat(reason(deep, two)).isEqualTo("the total of Depth is blank");
        assertThat(reason(deep, two.with("depth@r1", "12.5").with("depth@r2", "30")))
                .isEqualTo("the total of Depth is 42.5 m");
    }

    private static String reason(Template template, Answers answers) {
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        return new Reasons(PreparedTemplate.of(template))
                .folded("name", "", compiled.standing(answers, Context.UNDATED));
    }

    private static List<String> sentences(Item item) {
        return new Sentences(PreparedTemplate.of(template(PURPOSE, DEPTH, START, NAME)))
                .of(item).stream().map(Sentence::text).toList();
    }

    private static Template template(Item... items) {
        Section section = Section.of("s", "", List.of(items));
        return Documents.onePage(section);
    }

    private static Clause depth(OrderTest test, int number, @org.jspecify.annotations.Nullable Boolean whenBlank) {
        return new Clause.Comparison("depth", test, new Operand.NumberOperand(BigDecimal.valueOf(number)), whenBlank);
    }

    private static Field field(String key, String label, FieldKind kind) {
        return Field.of(key, label, kind);
    }
}
