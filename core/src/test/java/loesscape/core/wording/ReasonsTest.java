package loesscape.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Condition.OfRows.Quantity;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Why something is folded or a document cannot be finished, for every kind of condition. */
class ReasonsTest {

    private static Clause more(String field, int than) {
        return new Clause.Comparison(
                field, OrderTest.MORE, new Clause.Operand.NumberOperand(BigDecimal.valueOf(than)), null);
    }

    private static Field number(String key, String label, String unit) {
        return Field.of(key, label, new FieldKind.Number(1, unit, null, null));
    }

    private static final Answers ANSWERS = Answers.NONE
            .with("depth", "12")
            .withRows("wells", List.of("r1", "r2"))
            .with("yield@r1", "2");

    private static PreparedTemplate template(Condition shown, Condition inRows) {
        return PreparedTemplate.of(new Template(
                "T",
                "",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(
                                Section.of(
                                        "s",
                                        "Main",
                                        List.of(
                                                number("depth", "Depth", "m"),
                                                number("width", "Width", "m"),
                                                number("hidden", "Hidden", "m").withShown(new Clause.Answered("width")),
                                                number("told", "Told", "").withShown(shown))),
                                Section.of(
                                                "wells",
                                                "Wells",
                                                List.of(
                                                        number("yield", "Yield", "l/s"),
                                                        number("inside", "Inside", "")
                                                                .withShown(inRows)))
                                        .withRows(new Section.Rows(0, 5))))),
                List.of(new Role("owner", "Landowner", 1, null)),
                List.of(
                        new SharedCondition("deep", "Deep", more("depth", 30)),
                        new SharedCondition(
                                "twice",
                                "Twice",
                                new Condition.Any(
                                        List.of(new Condition.Shared("deep"), new Condition.Shared("deep"))))),
                List.of(),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of(),
                List.of()));
    }

    static Stream<Arguments> conditions() {
        Clause deep = more("depth", 30);
        Clause wide = more("width", 3);
        Clause shallow = more("depth", 3);
        return Stream.of(
                Arguments.of(deep, "Depth is 12 m"),
                Arguments.of(shallow, ""),
                Arguments.of(wide, "Width is blank"),
                Arguments.of(more("hidden", 3), "Hidden is folded"),
                Arguments.of(new Condition.Never(), "never shown"),
                Arguments.of(new Condition.Always(), ""),
                // Of several that are all wanted, the first that is not so is enough.
                Arguments.of(new Condition.All(List.of(shallow, wide, deep)), "Width is blank"),
                Arguments.of(new Condition.Any(List.of(deep, wide)), "Depth is 12 m, Width is blank"),
                Arguments.of(new Condition.None(List.of(shallow, wide)), "Depth is 12 m, Width is blank"),
                Arguments.of(new Condition.Any(List.of(deep, deep)), "Depth is 12 m"),
                Arguments.of(new Condition.Shared("deep"), "Depth is 12 m"),
                Arguments.of(new Condition.Shared("twice"), "Depth is 12 m"),
                Arguments.of(new Condition.StageIs(List.of(Stage.PRINT)), "the document is at another stage"),
                Arguments.of(new Condition.RoleIs(List.of("owner")), "another role is acting"),
                Arguments.of(new Condition.OfRows("wells", Quantity.ANY, more("yield", 9), null), "the rows of Wells"),
                Arguments.of(new Condition.RowCount("wells", OrderTest.MORE, 3), "Wells has 2 rows"),
                Arguments.of(new Condition.Written("depth > width"), "Depth is 12 m, Width is blank"),
                Arguments.of(new Condition.Written("sum(wells.yield) > 9"), "the rows of Wells"));
    }

    @ParameterizedTest
    @MethodSource("conditions")
    void tellWhatAnswersSay(Condition condition, String expected) {
        PreparedTemplate template = template(condition, new Condition.Always());
        Reasons reasons = new Reasons(template);
        var standing = CompiledTemplate.ofValid(template).standing(ANSWERS, Context.UNDATED);
        assertThat(reasons.folded("told", "", standing)).isEqualTo(expected);
        assertThat(reasons.notMet(condition, standing)).isEqualTo(expected.equals("never shown") ? "" : expected);
    }

    @ParameterizedTest
    @MethodSource("ofRows")
    void tellWhatIsSaidInTheRow(Condition condition, String row, String expected) {
        PreparedTemplate template = template(new Condition.Always(), condition);
        assertThat(new Reasons(template)
                        .folded(
                                "inside",
                                row,
                                CompiledTemplate.ofValid(template).standing(ANSWERS, Context.UNDATED)))
                .isEqualTo(expected);
    }

    static Stream<Arguments> ofRows() {
        return Stream.of(
                Arguments.of(more("yield", 3), "r1", "Yield is 2 l/s"),
                Arguments.of(more("yield", 3), "r2", "Yield is blank"),
                Arguments.of(more("depth", 30), "r2", "Depth is 12 m"));
    }

    @Test
    void nothingIsToldOfWhatHasNoConditionOrIsShown() {
        PreparedTemplate template = template(new Condition.Always(), new Condition.Always());
        var standing = CompiledTemplate.ofValid(template).standing(ANSWERS, Context.UNDATED);
        assertThat(new Reasons(template).folded("depth", "", standing)).isEmpty();
        assertThat(new Reasons(template).folded("told", "", standing)).isEmpty();
    }
}
