package loesscape.core.reach;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.LookupList;
import loesscape.core.model.Notice;
import loesscape.core.model.Picture;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What stands in a cell of the table, of each sort of follower. */
class ReachCellsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 30);
    private static final Context FILLING = Context.filling(TODAY);

    private static Reach reach(Template template, String field) {
        return Reach.of(CompiledTemplate.compile(template), field, List.of(), Set.of(), TODAY);
    }

    /** What the cells say, line by line, each with the part of the answers before it. */
    private static List<List<String>> told(ReachTable table) {
        return table.lines().stream().skip(1).toList();
    }

    private static List<List<String>> told(ReachAcross across) {
        return across.cells().stream()
                .map(cells -> cells.stream().map(cell -> cell.becomes().name()).toList())
                .toList();
    }

    private static Field depth() {
        return field(
                "depth",
                new FieldKind.Number(0, "", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.valueOf(50), true)));
    }

    private static Condition from(int least) {
        return new Clause.Comparison(
                "depth",
                Clause.Comparison.OrderTest.AT_LEAST,
                new Clause.Operand.NumberOperand(BigDecimal.valueOf(least)),
                null);
    }

    private static Field worked(Field field, String formula) {
        return field.withValue(new FieldValue.WorkedOut(formula, false));
    }

    // In rows.

    private static Template samples(Item... items) {
        return Documents.onePage(
                Section.of("s", "", List.of(number("factor"), yesNo("wet"))), rows("samples", 0, 5, items));
    }

    private static Template drilled() {
        return samples(
                depth(),
                yesNo("core").withShown(from(30)),
                worked(number("twice"), "depth * factor"),
                worked(yesNo("deep"), "depth > 20"));
    }

    @Test
    void withoutAnyRowTheFirstThatThereCanBeIsLookedAt() {
        assertThat(told(reach(drilled(), "depth").held(new Answers(Map.of("factor", "2")), FILLING)))
                .containsExactly(
                        List.of("blank", "folded", "blank", "blank"),
                        List.of("under 0", "not accepted", "not accepted", "not accepted"),
                        List.of("from 0 to under 30", "folded", "0 to 58", "such as: No"),
                        List.of("exactly 30", "shown", "60", "Yes"),
                        List.of("over 30 up to 50", "shown", "62 to 100", "such as: Yes"),
                        List.of("over 50", "not accepted", "not accepted", "not accepted"));
    }

    @Test
    void withRowsTheFirstOfThemIsLookedAt() {
        Answers answers = new Answers(Map.of("samples", "ax3,b7", "factor", "3", "depth@ax3", "10", "depth@b7", "40"));
        assertThat(told(reach(drilled(), "depth").held(answers, FILLING)).get(3))
                .containsExactly("exactly 30", "shown", "90", "Yes");
        assertThat(told(reach(drilled(), "factor").held(answers, FILLING)).getLast())
                .containsExactly("answered", "such as: 10");
    }

    @Test
    void anotherAnswerOfTheRowIsLaidAcross() {
        Template template = samples(
                depth(),
                yesNo("dry"),
                field("log", new FieldKind.Text("", 0))
                        .withShown(new Condition.All(List.of(
                                from(30),
                                new Clause.ChoiceClause(
                                        "dry", Clause.ChoiceClause.ChoiceTest.IS, List.of("yes"), null)))));
        Reach reach = reach(template, "depth");
        for (ReachAcross across : List.of(
                reach.heldAcross("dry", reach.columns().getFirst(), Answers.NONE, FILLING),
                reach.heldAcross("dry", reach.columns().getFirst(), new Answers(Map.of("samples", "ax3,b7")), FILLING),
                reach.forAllAcross("dry", reach.columns().getFirst()))) {
            assertThat(told(across))
                    .filteredOn(line -> !line.isEmpty())
                    .containsExactly(
                            List.of("NO", "NO", "NO"),
                            List.of("NO", "NO", "NO"),
                            List.of("NO", "YES", "NO"),
                            List.of("NO", "YES", "NO"));
        }
    }

    @Test
    void ofAFoldedFieldIsSaidThatNoneOfItsAnswersCounts() {
        Template template = Documents.of(
                yesNo("wet"),
                depth().withShown(new Clause.Answered("wet")),
                field("log", new FieldKind.Text("", 0)).withShown(from(30)));
        Reach reach = reach(template, "depth");
        assertThat(reach.held(Answers.NONE, FILLING).note())
                .isEqualTo("“depth” is folded with the answers tried out, so that none of its answers counts.");
        assertThat(reach.held(new Answers(Map.of("wet", "no")), FILLING).note()).isEmpty();
    }

    // What is told with words of its own.

    private static List<String> last(Template template, String field) {
        return told(reach(template, field).held(Answers.NONE, FILLING)).getLast();
    }

    @Test
    void aSignWithoutWordsIsToldByItsBand() {
        Indicator indicator = Indicator.of(
                "class",
                "Class",
                "depth",
                List.of(
                        Band.of("low", "", Look.PLAIN, new Bound(BigDecimal.TEN, true)),
                        Band.of("high", "Deep", Look.PLAIN, null)));
        for (ReachTable table : List.of(
                reach(Documents.of(depth(), indicator), "depth").held(Answers.NONE, FILLING),
                reach(Documents.of(depth(), indicator), "depth").forAll())) {
            assertThat(told(table))
                    .containsExactly(
                            List.of("blank", "nothing"),
                            List.of("under 0", "not accepted"),
                            List.of("from 0 to under 10", "low"),
                            List.of("exactly 10", "low"),
                            List.of("over 10 up to 50", "Deep"),
                            List.of("over 50", "not accepted"));
        }
    }

    @Test
    void aPictureOfItsOwnStandsThereWhereNoneIsGiven() {
        Field plan = field("plan", new FieldKind.Picture(2));
        Picture shown = new Picture("shown", "Plan", "plan.png", "plan", null, Folding.PLAIN);
        assertThat(told(reach(Documents.of(plan, shown), "plan").held(Answers.NONE, FILLING)))
                .containsExactly(List.of("blank", "the usual one"), List.of("answered", "the one given"));
    }

    private static LookupList towns(String... towns) {
        return new LookupList(
                "towns",
                "Towns",
                List.of(new LookupList.Column("shire", "Shire", false), new LookupList.Column("town", "Town", false)),
                Stream.of(towns).map(town -> List.of("North", town)).toList());
    }

    @Test
    void threeEntriesOfAListAreToldAndOfMoreHowManyThereAre() {
        Template places = Documents.of(
                field("shire", new FieldKind.Lookup("towns", "shire", Map.of())),
                field("town", new FieldKind.Lookup("towns", "town", Map.of("shire", "shire"))));
        assertThat(last(Documents.listing(places, towns("Alden", "Brunn", "Corve")), "shire"))
                .containsExactly("North", "Alden, Brunn, Corve");
        assertThat(last(Documents.listing(places, towns("Alden", "Brunn", "Corve", "Dorn", "Elster")), "shire"))
                .containsExactly("North", "Alden, Brunn, Corve and 2 more");
    }

    /** What can be written over, or hangs on more, is not told by one example where all other answers are looked at. */
    @Test
    void whatHangsOnMoreDepends() {
        Field over = number("over").withValue(new FieldValue.WorkedOut("depth * 2", true));
        Template template = Documents.of(
                depth(),
                number("rate"),
                over,
                worked(number("plain"), "depth * 2"),
                worked(number("both"), "depth * rate"),
                Notice.of("one", "{depth}"),
                Notice.of("two", "{depth} at {rate}"));
        assertThat(told(reach(template, "depth").forAll()).get(2))
                .containsExactly("from 0 to 50", "it depends", "0 to 100", "it depends", "such as: 0", "it depends");
    }

    @Test
    void whatCannotBeAnsweredAtAllIsToldSo() {
        Template template = Documents.of(
                depth().withShown(new Condition.Never()),
                field("log", new FieldKind.Text("", 0)).withShown(from(30)));
        assertThat(told(reach(template, "depth").forAll())).contains(List.of("exactly 30", "never answered so"));
    }

    @Test
    void whatHangsTheOtherWayIsToldWithExamplesOfBoth() {
        Template template = Documents.of(
                depth(),
                yesNo("wet"),
                field("log", new FieldKind.Text("", 0))
                        .withShown(new Condition.All(List.of(from(30), new Clause.Answered("wet")))));
        Reach reach = reach(template, "depth");
        ReachColumn shown = reach.columns().getFirst();
        ReachExamples depends = reach.examples(4, shown);
        assertThat(depends.yes()).isNotNull();
        assertThat(depends.no()).isNotNull();
        ReachExamples no = reach.examples(2, shown);
        assertThat(no.yes()).isNull();
        assertThat(no.no()).isNotNull();
    }
}
