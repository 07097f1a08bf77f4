package loesscape.core.evaluation;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.SectionState;
import loesscape.core.evaluation.State.Obstacle;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How single nodes stand: which aspects are so, which conditions hold, what is told of them. */
class NodeStateTest {

    private static final Condition IS_YES =
            new Clause.ChoiceClause("b", Clause.ChoiceClause.ChoiceTest.IS, List.of(FieldKind.YesNo.YES), null);

    private static State state(Answers answers, Template template) {
        return CompiledTemplate.compile(template).evaluate(answers);
    }

    private static Template following(String aspects) {
        Field field = text("x");
        field = aspects.contains("S") ? field.withShown(IS_YES) : field;
        field = aspects.contains("R") ? field.withRequired(IS_YES) : field;
        field = aspects.contains("E") ? field.withEditable(IS_YES) : field;
        return Documents.of(yesNo("b"), field);
    }

    @ParameterizedTest
    @CsvSource({
        // conditions; answer; shown required editable; conditions that hold
        "-, no, S-E, ''",
        "S, no, ---, ''",
        "S, yes, S-E, SHOWN",
        "R, yes, SRE, REQUIRED",
        "R, no, S-E, ''",
        "E, yes, S-E, EDITABLE",
        "E, no, S--, ''",
        "SR, yes, SRE, SHOWN REQUIRED",
        "SE, yes, S-E, SHOWN EDITABLE",
        "RE, yes, SRE, REQUIRED EDITABLE",
        "RE, no, S--, ''",
        "SRE, yes, SRE, SHOWN REQUIRED EDITABLE",
        "SRE, no, ---, ''",
    })
    void aspectsAreSoWhereTheirConditionsHold(String conditions, String answer, String so, String met) {
        NodeState field =
                state(Answers.NONE.with("b", answer), following(conditions)).of("x");
        assertThat((field.is(Aspect.SHOWN) ? "S" : "-")
                        + (field.is(Aspect.REQUIRED) ? "R" : "-")
                        + (field.is(Aspect.EDITABLE) ? "E" : "-"))
                .isEqualTo(so);
        assertThat(field.is(Aspect.OPEN)).isFalse();
        assertThat(field.met().stream().map(Aspect::name))
                .containsExactly(met.isEmpty() ? new String[0] : met.split(" ", -1));
    }

    @Test
    void whatHasNoAspectIsNeverSo() {
        State state = state(Answers.NONE, Documents.of(number("n"), new Divider("line", null)));
        for (String key : List.of("p", "line")) {
            assertThat(state.of(key).is(Aspect.SHOWN)).isTrue();
            assertThat(state.of(key).is(Aspect.REQUIRED)).isFalse();
            assertThat(state.of(key).is(Aspect.EDITABLE)).isFalse();
            assertThat(state.of(key).is(Aspect.OPEN)).isFalse();
            assertThat(state.of(key).problem()).isNull();
            assertThat(state.of(key).look()).isNull();
        }
        assertThat(state.of("s").is(Aspect.OPEN)).isTrue();
        assertThat(state.of("s").is(Aspect.EDITABLE)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"yes, true, OPEN", "no, false, ''"})
    void aSectionIsOpenedOutByItsCondition(String answer, boolean isOpen, String met) {
        Section opening = Section.of("inner", "", List.of(text("x"))).withOpen(IS_YES);
        State state = state(Answers.NONE.with("b", answer), Documents.of(yesNo("b"), opening));
        assertThat(state.of("inner").is(Aspect.OPEN)).isEqualTo(isOpen);
        assertThat(state.of("inner").met().stream().map(Aspect::name).toList())
                .isEqualTo(met.isEmpty() ? List.of() : List.of(met));
    }

    @Test
    void whatIsFoldedTellsStillWhichOfItsConditionsHold() {
        Section folded = Section.of(
                        "inner", "", List.of(text("x").withShown(IS_YES).withRequired(IS_YES)))
                .withShown(new Condition.None(List.of(IS_YES)));
        State state = state(Answers.NONE.with("b", "yes"), Documents.of(yesNo("b"), folded));
        assertThat(state.of("x").shown()).isFalse();
        assertThat(state.of("x").met()).containsExactly(Aspect.SHOWN, Aspect.REQUIRED);
        State shown = state(Answers.NONE.with("b", "no"), Documents.of(yesNo("b"), folded));
        assertThat(shown.of("inner").shown()).isTrue();
        assertThat(shown.of("x").met()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "1, r1, -",
                "1, 'r1,r2', At most 1 row fits here.",
                "2, 'r1,r2', -",
                "2, 'r1,r2,r3', At most 2 rows fit here.",
            })
    void moreRowsThanFitAreAProblemOfTheirSection(int most, String rows, String problem) {
        Template template = Documents.of(rows("visits", 0, most, text("x")));
        SectionState visits = (SectionState)
                state(Answers.NONE.with("visits", rows), template).of("visits");
        assertThat(visits.problem()).isEqualTo(problem);
        assertThat(visits.rows()).containsExactly(rows.split(",", -1));
        Template folded =
                Documents.of(yesNo("b"), rows("visits", 0, most, text("x")).withShown(IS_YES));
        assertThat(state(Answers.NONE.with("visits", rows), folded).of("visits").problem())
                .isNull();
    }

    @Test
    void aFieldLooksAsItsBandDoes() {
        Look warning = Look.of(Look.Shade.CLAY, true, Look.Mark.WARNING);
        Field deep = number("n")
                .withBands(List.of(
                        Band.of("low", "", Look.PLAIN, new Bound(BigDecimal.TEN, true)),
                        Band.of("high", "", warning, null)));
        Template template = Documents.of(deep);
        assertThat(state(Answers.NONE.with("n", "10"), template).of("n").look()).isEqualTo(Look.PLAIN);
        assertThat(state(Answers.NONE.with("n", "11"), template).of("n").look()).isEqualTo(warning);
        assertThat(((FieldState) state(Answers.NONE.with("n", "11"), template).of("n")).band())
                .isEqualTo("high");
        assertThat(state(Answers.NONE, template).of("n").look()).isEqualTo(Look.PLAIN);
    }

    @Test
    void whoCannotAnswerSeesTheSameLockedAndNothingIsAskedOfThem() {
        Template template = Documents.of(number("n").withRequired(new Condition.Always()));
        FieldState missing = (FieldState) state(Answers.NONE, template).of("n");
        assertThat(missing.missing()).isTrue();
        FieldState locked = missing.locked();
        assertThat(locked.shown()).isTrue();
        assertThat(locked.editable()).isFalse();
        assertThat(locked.required()).isFalse();
        assertThat(locked.missing()).isFalse();
        FieldState unreadable =
                (FieldState) state(Answers.NONE.with("n", "many"), template).of("n");
        assertThat(unreadable.problem()).isNotNull();
        assertThat(unreadable.locked().problem()).isNull();
    }

    @Test
    void valuesOfAFieldAreToldForAllOfItsRows() {
        Template template = Documents.of(number("n"), rows("visits", 0, 3, number("m")));
        State state = state(Answers.NONE.with("n", "1").with("visits", "r1,r2").with("m@r2", "5"), template);
        assertThat(state.answers("n")).containsExactly(new Value.Number(BigDecimal.ONE));
        assertThat(state.answers("m")).containsExactly(Value.blank(), new Value.Number(new BigDecimal("5")));
        assertThat(state.answers("visits")).isEmpty();
        assertThat(state.answers("nobody")).isEmpty();
        assertThat(state.counting("visits")).isEqualTo(Value.blank());
    }

    @Test
    void whatKeepsADocumentFromBeingFinishedIsToldInItsOrder() {
        Template template = Documents.finishing(
                Documents.of(
                        text("x").withRequired(new Condition.Always()),
                        number("n").withRequired(new Condition.Always()),
                        rows("visits", 0, 1, text("y").withRequired(new Condition.Always()))),
                new FinishRule(new Clause.Answered("x"), "Somebody has to be named."));
        State state = state(Answers.NONE.with("n", "many").with("visits", "r1,r2"), template);
        assertThat(state.obstacles()).extracting(Obstacle::key).containsExactly("x", "n", "visits", "y@r1", "y@r2", "");
        assertThat(state.obstacles().getFirst().message()).isEqualTo(Obstacle.MISSING);
        assertThat(state.obstacles().getLast().message()).isEqualTo("Somebody has to be named.");
        assertThat(state(Answers.NONE.with("x", "Mira").with("n", "1"), template)
                        .obstacles())
                .isEmpty();
    }

    @Test
    void anIndicatorShowsTheBandOfWhatItFollows() {
        Indicator indicator = Indicator.of(
                "i",
                "I",
                "n",
                List.of(
                        Band.of("low", "Low", Look.PLAIN, new Bound(BigDecimal.TEN, true)),
                        Band.of("high", "High", Look.PLAIN, null)));
        Template template = Documents.of(number("n"), indicator, field("d", new FieldKind.Date(null, null)));
        assertThat(state(Answers.NONE.with("n", "3"), template).of("i"))
                .isEqualTo(new NodeState.IndicatorState(true, List.of(), "low"));
        assertThat(state(Answers.NONE, template).of("i"))
                .isEqualTo(new NodeState.IndicatorState(true, List.of(), null));
    }
}
