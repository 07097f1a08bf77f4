package loesscape.core.evaluation;

import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.rows;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** Asking a document that stands: conditions and formulas one by one, from outside and from a row. */
class StandingTest {

    private static final Condition DEEP =
            new Clause.Comparison("depth", OrderTest.MORE, new Clause.Operand.NumberOperand(BigDecimal.TEN), null);
    private static final Condition IS_YES =
            new Clause.ChoiceClause("b", Clause.ChoiceClause.ChoiceTest.IS, List.of("yes"), null);
    private static final Template TEMPLATE = Documents.of(
            yesNo("b"),
            number("n"),
            rows("wells", 0, 5, number("depth"), text("remark").withShown(DEEP)));
    private static final Context ON_A_DAY = Context.filling(LocalDate.of(2027, 5, 4));

    private static Standing standing() {
        Answers answers = Answers.NONE
                .with("b", "yes")
                .with("wells", "r1,r2,r3")
                .with("depth@r1", "5")
                .with("depth@r2", "25")
                .with("remark@r2", "dry");
        return CompiledTemplate.compile(TEMPLATE).standing(answers, ON_A_DAY);
    }

    @Test
    void valuesAreSeenFromARow() {
        Standing standing = standing();
        assertThat(standing.context()).isEqualTo(ON_A_DAY);
        assertThat(standing.rows("wells")).containsExactly("r1", "r2", "r3");
        assertThat(standing.counting("depth", "r1")).isEqualTo(new Value.Number(new BigDecimal("5")));
        assertThat(standing.counting("depth", "r2")).isEqualTo(new Value.Number(new BigDecimal("25")));
        assertThat(standing.counting("depth", "r3")).isEqualTo(Value.blank());
        assertThat(standing.counting("b", "r2")).isEqualTo(new Value.YesNo(true));
        assertThat(standing.counting("b", "")).isEqualTo(new Value.YesNo(true));
        assertThatThrownBy(() -> standing.counting("depth", "r9"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("There is no row r9");
    }

    @Test
    void whatIsFoldedIsToldByRow() {
        Standing standing = standing();
        assertThat(standing.shown("remark", "r1")).isFalse();
        assertThat(standing.shown("remark", "r2")).isTrue();
        assertThat(standing.shown("b", "")).isTrue();
        assertThat(standing.state().of("remark@r2").shown()).isTrue();
    }

    @Test
    void conditionsAreAskedFromARow() {
        Standing standing = standing();
        assertThat(standing.holds(DEEP, "wells", "r1")).isFalse();
        assertThat(standing.holds(DEEP, "wells", "r2")).isTrue();
        assertThat(standing.holds(DEEP, "wells", "r3")).isFalse();
        assertThat(standing.holds(IS_YES, null, "")).isTrue();
        assertThat(standing.holds(new Condition.None(List.of(IS_YES)), null, ""))
                .isFalse();
    }

    @Test
    void formulasGiveSomethingOrSayWhatIsMissing() {
        Standing standing = standing();
        assertThat(standing.gives("sum(wells[depth != null].depth)")).isEqualTo(new BigDecimal("30"));
        assertThat(standing.gives("n")).isNull();
        assertThat(standing.gives("b")).isEqualTo(true);
        assertThatThrownBy(() -> standing.gives("n +")).isInstanceOf(FormulaProblem.class);
        assertThat(standing.blankPart("depth + 1", "wells", "r1")).isNull();
        assertThat(standing.blankPart("depth + 1", "wells", "r3")).contains("depth");
        assertThat(standing.blankPart("n * 2", null, "")).contains("n");
        assertThat(standing.blankPart("n +", null, "")).isNotBlank();
    }
}
