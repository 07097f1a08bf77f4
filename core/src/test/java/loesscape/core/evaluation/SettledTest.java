package loesscape.core.evaluation;

import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.SectionState;
import loesscape.core.model.Aspect;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Offer;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What stands as it stood when somebody's turn ended, whatever is answered afterwards. */
class SettledTest {

    private static final Condition DEEP = over("depth");
    private static final Template TEMPLATE = Documents.onePage(
            Section.of(
                    "site",
                    "Site",
                    List.of(
                            number("depth"),
                            text("remark").withShown(DEEP),
                            number("twice").withValue(new FieldValue.WorkedOut("depth * 2", false)),
                            number("once").withValue(new FieldValue.WorkedOut("depth", true)))),
            Section.of("more", "More", List.of(text("beside"))).withShown(DEEP),
            rows("wells", 0, 5, number("bore"), text("note").withShown(over("bore"))));
    private static final CompiledTemplate COMPILED = CompiledTemplate.compile(TEMPLATE);
    private static final Answers ANSWERS = Answers.NONE
            .with("depth", "5")
            .with("remark", "dry")
            .with("twice", "40")
            .with("beside", "a road")
            .with("wells", "r1,r2")
            .with("bore@r1", "1")
            .with("note@r1", "old")
            .with("bore@r2", "1")
            .with("note@r2", "new");

    private static Condition over(String field) {
        return new Clause.Comparison(field, OrderTest.MORE, new Clause.Operand.NumberOperand(BigDecimal.TEN), null);
    }

    private static State state(String... settled) {
        return COMPILED.evaluate(ANSWERS, Context.UNDATED, new Settled(List.of(settled), Map.of()));
    }

    private static Value words(String text) {
        return Value.Text.of(text);
    }

    @Test
    void withNothingSettledConditionsDecide() {
        State state = state();
        assertThat(state.of("remark").shown()).isFalse();
        assertThat(state.counting("remark")).isEqualTo(Value.blank());
        assertThat(state.of("note@r1").shown()).isFalse();
        assertThat(state.of("more").shown()).isFalse();
    }

    @Test
    void whatIsSettledIsShownAndCountsAsItWasGiven() {
        State state = state("remark");
        assertThat(state.of("remark").shown()).isTrue();
        assertThat(state.counting("remark")).isEqualTo(words("dry"));
        assertThat(state.of("remark").met())
                .as("its own condition does not hold for that")
                .isEmpty();
        assertThat(state.of("beside").shown()).isFalse();
    }

    @Test
    void inRowsItIsSettledRowByRow() {
        State state = state("note@r2");
        assertThat(state.of("note@r1").shown()).isFalse();
        assertThat(state.counting("note@r1")).isEqualTo(Value.blank());
        assertThat(state.of("note@r2").shown()).isTrue();
        assertThat(state.counting("note@r2")).isEqualTo(words("new"));
    }

    @Test
    void aSectionThatIsSettledShowsWhatHasNoConditionOfItsOwn() {
        State state = state("more");
        assertThat(state.of("more"))
                .isInstanceOfSatisfying(
                        SectionState.class, more -> assertThat(more.shown()).isTrue());
        assertThat(state.counting("beside")).isEqualTo(words("a road"));
        assertThat(state("beside").of("more").shown()).isFalse();
        assertThat(state("beside").counting("beside")).isEqualTo(words("a road"));
    }

    @Test
    void whatWasWorkedOutIsWhatItWasThen() {
        assertThat(state().counting("twice")).isEqualTo(new Value.Number(new BigDecimal("10")));
        assertThat(state("twice").counting("twice")).isEqualTo(new Value.Number(new BigDecimal("40")));
        assertThat(state("once").counting("once")).as("nothing was given then").isEqualTo(Value.blank());
    }

    @Test
    void conditionsOfAllThatStandsOtherwiseAreToldAsTheyHoldNow() {
        Template looser = Documents.of(
                number("depth"), text("remark").withShown(DEEP), text("other").withShown(DEEP));
        Answers answers = Answers.NONE.with("depth", "11");
        CompiledTemplate compiled = CompiledTemplate.compile(looser);
        for (Settled settled : List.of(Settled.NOTHING, new Settled(List.of("remark"), Map.of()))) {
            State state = compiled.evaluate(answers, Context.UNDATED, settled);
            assertThat(state.of("remark").met()).containsExactly(Aspect.SHOWN);
            assertThat(state.of("other").met()).containsExactly(Aspect.SHOWN);
        }
    }

    @Test
    void aChoiceThatIsNoLongerOfferedStaysMade() {
        List<Choice> choices = List.of(new Choice("a", "A", ""), new Choice("b", "B", ""));
        FieldKind kind = FieldKind.OneChoice.of(choices)
                .withOffer(new Offer("deep", Map.of("yes", List.of("b"), "no", List.of("a"))));
        CompiledTemplate compiled =
                CompiledTemplate.compile(Documents.of(yesNo("deep"), Documents.field("pump", kind)));
        Answers answers = Answers.NONE.with("deep", "yes").with("pump", "a");
        assertThat(compiled.evaluate(answers).counting("pump")).isEqualTo(Value.blank());
        State settled = compiled.evaluate(answers, Context.UNDATED, new Settled(List.of("pump"), Map.of()));
        assertThat(settled.counting("pump")).isEqualTo(new Value.Chosen("a"));
        assertThat(((FieldState) settled.of("pump")).problem()).isNull();
    }

    @Test
    void oneChangedAnswerLeavesItSettled() {
        Settled settled = new Settled(List.of("remark", "note@r2"), Map.of());
        Session session = COMPILED.session(ANSWERS, Context.UNDATED, settled);
        Answers answers = ANSWERS;
        for (String[] change : new String[][] {
            {"depth", "20"}, {"bore@r2", "20"}, {"wells", "r2,r3"}, {"depth", "x"}, {"remark", "wet"}, {"bore@r2", ""}
        }) {
            answers = answers.with(change[0], change[1]);
            session.answer(change[0], change[1]);
            assertThat(session.state())
                    .as(String.join(" = ", change))
                    .isEqualTo(COMPILED.evaluate(answers, Context.UNDATED, settled));
        }
    }
}
