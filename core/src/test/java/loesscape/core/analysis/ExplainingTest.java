package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.State;
import loesscape.core.model.Aspect;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.Documents;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Why a document stands as it does, and the smallest change that opens what is folded or locked. */
class ExplainingTest {

    private static final Field PURPOSE = Field.of(
            "purpose",
            "Purpose",
            FieldKind.OneChoice.of(List.of(Choice.of("house", "House water"), Choice.of("irrigation", "Irrigation"))));
    private static final Field DEPTH = Field.of("depth", "Depth", new FieldKind.Number(1, "m", null, null))
            .withShown(
                    new Clause.ChoiceClause("purpose", Clause.ChoiceClause.ChoiceTest.IS, List.of("irrigation"), null));
    private static final Field PLAN = Field.of("plan", "Plan", new FieldKind.Text("", 0))
            .withShown(new Condition.All(List.of(
                    new Clause.Comparison(
                            "depth",
                            Clause.Comparison.OrderTest.MORE,
                            new Operand.NumberOperand(BigDecimal.valueOf(30)),
                            null),
                    new Clause.Answered("purpose"))));

    private static Explaining explaining(Answers answers, Item... items) {
        Template template = Documents.onePage(Section.of("s", "Well", List.of(items)));
        return new Explaining(CompiledTemplate.compile(template), answers, Context.UNDATED);
    }

    @Test
    void aFoldedFieldSaysWhatItsClausesSawAndWhatWouldOpenIt() {
        Why why = explaining(Answers.NONE, PURPOSE, DEPTH, PLAN).why("plan");
        assertThat(why.reasons()).singleElement().satisfies(reason -> {
            assertThat(reason.what()).isEqualTo("shown");
            assertThat(reason.says().holds()).isFalse();
            assertThat(reason.says().parts())
                    .extracting(Why.Explained::text)
                    .containsExactly("Depth is more than 30 m", "Purpose is answered");
            assertThat(reason.says().parts().getFirst().seen())
                    .containsExactly(new Why.SeenAnswer("depth", "Depth", "", false));
        });
        assertThat(why.ways()).singleElement().satisfies(way -> {
            assertThat(way.opens()).isEqualTo(Aspect.SHOWN);
            assertThat(way.changes())
                    .containsExactlyInAnyOrder(
                            new Why.AnswerChange("depth", "30.1", "Depth is 30.1 m"),
                            new Why.AnswerChange("purpose", "irrigation", "Purpose is Irrigation"));
        });
    }

    @Test
    void aLockedFieldSaysWhatWouldUnlockIt() {
        Field locked =
                Field.of("notes", "Notes", new FieldKind.Text("", 0)).withEditable(new Clause.IsBlank("purpose"));
        Why why = explaining(Answers.NONE.with("purpose", "house"), PURPOSE, locked)
                .why("notes");
        assertThat(why.ways())
                .containsExactly(
                        new Why.Way(Aspect.EDITABLE, List.of(new Why.AnswerChange("purpose", "", "Purpose is blank"))));
    }

    @Test
    void whatStandsInAFoldedSectionNamesIt() {
        Section inner =
                Section.of("inner", "Details", List.of(PLAN.withShown(null))).withShown(new Condition.Never());
        Why why = explaining(Answers.NONE, PURPOSE, inner).why("plan");
        assertThat(why.foldedIn()).containsExactly("Details");
        assertThat(why.ways()).isEmpty();
    }

    @Test
    void inRowsTheRowIsAsked() {
        Field grain = Field.of("grain", "Grain", new FieldKind.YesNo());
        Field size = Field.of("size", "Size", new FieldKind.Number(0, "", null, null))
                .withShown(new Clause.ChoiceClause("grain", Clause.ChoiceClause.ChoiceTest.IS, List.of("yes"), null));
        Section rows = Section.of("samples", "Samples", List.of(grain, size)).withRows(new Section.Rows(2, 5));
        Why why = explaining(Answers.NONE.with("grain@r1", "yes"), rows).why("size@r2");
        assertThat(why.reasons().getFirst().says().seen())
                .containsExactly(new Why.SeenAnswer("grain", "Grain", "", true));
        assertThat(why.ways().getFirst().changes())
                .containsExactly(new Why.AnswerChange("grain@r2", "yes", "Grain is Yes"));
    }

    @Test
    void whatIsComparedWithAnotherAnswerOpensAroundThat() {
        Field limit = Field.of("limit", "Limit", new FieldKind.Number(0, "m", null, null));
        Field length = Field.of("length", "Length", new FieldKind.Number(0, "m", null, null));
        Field core = Field.of("core", "Core", new FieldKind.Text("", 0))
                .withShown(new Clause.Comparison(
                        "length", Clause.Comparison.OrderTest.MORE, new Operand.FieldOperand("limit"), null));
        Section rows = Section.of("samples", "Samples", List.of(length, core)).withRows(new Section.Rows(2, 5));
        Answers answers =
                Answers.NONE.with("limit", "40").with("length@r1", "50").with("length@r2", "7");
        assertThat(explaining(answers, limit, rows).why("core@r1").ways()).isEmpty();
        Why why = explaining(answers, limit, rows).why("core@r2");
        assertThat(why.ways().getFirst().changes())
                .containsExactly(new Why.AnswerChange("length@r2", "41", "Length is 41 m"));
        assertThat(why.reasons().getFirst().says().seen())
                .containsExactlyInAnyOrder(
                        new Why.SeenAnswer("length", "Length", "7 m", true),
                        new Why.SeenAnswer("limit", "Limit", "40 m", true));
        // Beside it in the row.
        Field least = Field.of("least", "Least", new FieldKind.Number(0, "m", null, null));
        Field more = Field.of("more", "More", new FieldKind.Text("", 0))
                .withShown(new Clause.Comparison(
                        "length", Clause.Comparison.OrderTest.AT_LEAST, new Operand.FieldOperand("least"), null));
        Section beside =
                Section.of("samples", "Samples", List.of(least, length, more)).withRows(new Section.Rows(2, 5));
        assertThat(explaining(answers.with("least@r2", "9").with("least@r1", "3"), beside)
                        .why("more@r2")
                        .ways()
                        .getFirst()
                        .changes())
                .containsExactly(new Why.AnswerChange("length@r2", "9", "Length is 9 m"));
    }

    @Test
    void aSharedConditionSaysWhatItHoldsOf() {
        Field told = Field.of("told", "Told", new FieldKind.Text("", 0)).withShown(new Condition.Shared("outer"));
        Template template = Documents.sharing(
                Documents.of(PURPOSE, told),
                new SharedCondition("inner", "Known", new Clause.Answered("purpose")),
                new SharedCondition("outer", "Ready", new Condition.Shared("inner")));
        Why.Explained says = new Explaining(CompiledTemplate.compile(template), Answers.NONE, Context.UNDATED)
                .why("told")
                .reasons()
                .getFirst()
                .says();
        assertThat(says.text()).isEqualTo("Ready");
        assertThat(says.holds()).isFalse();
        assertThat(says.parts()).extracting(Why.Explained::text).containsExactly("Known");
        assertThat(says.parts().getFirst().parts())
                .extracting(Why.Explained::text)
                .containsExactly("Purpose is answered");
        assertThat(says.parts().getFirst().parts().getFirst().seen())
                .containsExactly(new Why.SeenAnswer("purpose", "Purpose", "", true));
    }

    @Test
    void whatIsAskedOfRowsSaysHowEachStands() {
        Field length = Field.of("length", "Length", new FieldKind.Number(0, "m", null, null));
        Section rows = Section.of("samples", "Samples", List.of(length)).withRows(new Section.Rows(0, 5));
        Condition longOne = new Clause.Comparison(
                "length", Clause.Comparison.OrderTest.MORE, new Operand.NumberOperand(BigDecimal.TEN), null);
        Field any = Field.of("any", "Any", new FieldKind.Text("", 0))
                .withShown(new Condition.OfRows("samples", Condition.OfRows.Quantity.ANY, longOne, null));
        Field sum = Field.of("sum", "Sum", new FieldKind.Number(0, "m", null, null))
                .withValue(new FieldValue.WorkedOut("sum(samples.length)", false));
        Answers answers = new Answers(Map.of("samples", "a,b,c", "length@a", "4", "length@b", "40"));
        Explaining explaining = explaining(answers, rows, any, sum);
        Why.Explained says = explaining.why("any").reasons().getFirst().says();
        assertThat(says.holds()).isTrue();
        assertThat(says.seen()).containsExactly(new Why.SeenAnswer("samples", "Samples", "3 rows", true));
        assertThat(says.parts()).extracting(Why.Explained::holds).containsExactly(false, true, false);
        assertThat(says.parts().get(1).seen()).containsExactly(new Why.SeenAnswer("length", "Length", "40 m", true));
        assertThat(explaining.why("sum").reasons().getFirst().says().seen())
                .containsExactly(
                        new Why.SeenAnswer("samples", "Samples", "3 rows", true),
                        new Why.SeenAnswer("length", "Length", "4 m, 40 m, –", true));
        assertThat(explaining(answers.with("samples", "a"), rows, any)
                        .why("any")
                        .reasons()
                        .getFirst()
                        .says()
                        .seen())
                .containsExactly(new Why.SeenAnswer("samples", "Samples", "1 row", true));
    }

    @Test
    void everyWayThatIsToldOpensAndNoShorterOneDoes() {
        int[] found = {0};
        Cases.check("ways to open", 400, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            Answers answers = RandomTemplates.answers(random, template);
            Context context = RandomTemplates.context(random);
            State state = compiled.evaluate(answers, context);
            Explaining explaining = new Explaining(compiled, answers, context);
            for (Map.Entry<String, NodeState> entry : state.nodes().entrySet()) {
                if (entry.getValue() instanceof NodeState.RowState || random.nextInt(3) > 0) {
                    continue;
                }
                for (Why.Way way : explaining.why(entry.getKey()).ways()) {
                    Answers changed = answers;
                    for (Why.AnswerChange change : way.changes()) {
                        changed = changed.with(change.address(), change.typed());
                    }
                    assertThat(isSo(compiled.evaluate(changed, context), entry.getKey(), way.opens()))
                            .as("%s of %s by %s", way.opens(), entry.getKey(), way.changes())
                            .isTrue();
                    assertThat(way.changes().stream()
                                    .map(Why.AnswerChange::address)
                                    .toList())
                            .doesNotHaveDuplicates();
                    if (way.changes().size() > 1) {
                        assertThat(oneOfThemDoes(compiled, answers, context, entry.getKey(), way))
                                .isFalse();
                    }
                    found[0]++;
                }
            }
        });
        assertThat(found[0]).isGreaterThan(Cases.areAll() ? 60 : 0);
    }

    private static boolean oneOfThemDoes(
            CompiledTemplate compiled, Answers answers, Context context, String address, Why.Way way) {
        return way.changes().stream()
                .anyMatch(change -> isSo(
                        compiled.evaluate(answers.with(change.address(), change.typed()), context),
                        address,
                        way.opens()));
    }

    /** A change may take away the row that the address is in: then nothing of it is so. */
    private static boolean isSo(State state, String address, Aspect aspect) {
        NodeState node = state.nodes().get(address);
        return switch (aspect) {
            case SHOWN -> node != null && node.shown();
            case EDITABLE -> node instanceof NodeState.FieldState field && field.editable();
            case OPEN -> node instanceof NodeState.SectionState section && section.open();
            case REQUIRED -> false;
        };
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            fee / pieces                              | “fee / pieces” gives nothing.
            fee + left                                | “left” is blank.
            if pieces = 0 then left * 2 else fee      | “left” is blank.
            sum([fee, left])                          | “sum([fee, left])” gives nothing, because there is a blank among them. total(…) counts blanks as 0.
            count(for i in 1..1900000 return [i, i])  | It does more than a formula may, and was stopped.
            10 ** 60 * fee                            | What it gives is no answer that this field can have.
            [1, 2, 3][fee]                            | “[1, 2, 3][fee]” gives nothing.
            number("1" + "x")                         | “number("1" + "x")” gives nothing.
            if fee = null then 1 else null            | It gives nothing, as is written there.
            fee + pieces                              | ''
            """)
    void aFormulaThatGivesNothingSaysWhichPartDoes(String formula, String expected) {
        Field fee = Field.of("fee", "Fee", new FieldKind.Number(0, "", null, null));
        Field pieces = Field.of("pieces", "Pieces", new FieldKind.Number(0, "", null, null));
        Field left = Field.of("left", "Left", new FieldKind.Number(0, "", null, null));
        Field worked = Field.of("worked", "Worked out", new FieldKind.Number(0, "", null, null))
                .withValue(new FieldValue.WorkedOut(formula, false));
        Why why = explaining(new Answers(Map.of("fee", "7", "pieces", "0")), fee, pieces, left, worked)
                .why("worked");
        assertThat(why.reasons())
                .singleElement()
                .satisfies(reason -> assertThat(reason.says().blank()).isEqualTo(expected));
    }

    @Test
    void anUndecidedConditionSaysWhatLeavesItSo() {
        Field fee = Field.of("fee", "Fee", new FieldKind.Number(0, "", null, null));
        Field told = Field.of("told", "Told", new FieldKind.Text("", 0)).withShown(new Condition.Written("fee > 3"));
        Field compared = Field.of("compared", "Compared", new FieldKind.Text("", 0))
                .withShown(new Clause.Comparison(
                        "fee",
                        Clause.Comparison.OrderTest.NOT_EQUAL,
                        new Operand.FormulaOperand("1 / (fee - 7)"),
                        null));
        assertThat(explaining(Answers.NONE, fee, told)
                        .why("told")
                        .reasons()
                        .getFirst()
                        .says()
                        .blank())
                .isEqualTo("“fee” is blank.");
        Why why = explaining(new Answers(Map.of("fee", "7")), fee, compared).why("compared");
        assertThat(why.reasons().getFirst().says().holds()).isFalse();
        assertThat(why.reasons().getFirst().says().blank()).isEqualTo("“1 / (fee - 7)” gives nothing.");
    }
}
