package loesscape.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Look;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Promised.HowMany;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What is promised, as it is read. */
class PromiseSentencesTest {

    private static final Clause DEEP = new Clause.Comparison(
            "depth", OrderTest.MORE, new Clause.Operand.NumberOperand(BigDecimal.valueOf(30)), null);
    private static final Condition ALWAYS = new Condition.Always();

    private static final Template TEMPLATE = new Template(
            "T",
            "",
            List.of(new Page(
                    "p",
                    "",
                    null,
                    List.of(Section.of(
                            "s",
                            "",
                            List.of(
                                    Field.of("depth", "Depth", new FieldKind.Number(1, "m", null, null)),
                                    Field.of("casing", "Casing", new FieldKind.Text("", 0)),
                                    Field.of("grout", "Grout", new FieldKind.Text("", 0))))))),
            List.of(new Role("owner", "Landowner", 1, null)),
            List.of(),
            List.of(),
            List.of(),
            PageSettings.PLAIN,
            List.of(),
            List.of(),
            List.of());

    static Stream<Arguments> promises() {
        return Stream.of(
                Arguments.of(
                        DEEP,
                        new Promised.NodeIs("casing", Aspect.REQUIRED, true),
                        "Whenever Depth is more than 30 m, Casing is always required."),
                Arguments.of(
                        ALWAYS, new Promised.NodeIs("casing", Aspect.EDITABLE, false), "Casing is never editable."),
                Arguments.of(
                        ALWAYS,
                        new Promised.NodeLooks("depth", Look.of(Look.Shade.CLAY, false, Look.Mark.NONE), false),
                        "Depth is never clay."),
                Arguments.of(
                        ALWAYS,
                        new Promised.SomeShown(List.of("depth", "casing", "grout"), HowMany.EXACTLY_ONE),
                        "Exactly one of Depth, Casing and Grout is always shown."),
                Arguments.of(
                        DEEP,
                        new Promised.SomeShown(List.of("casing", "gone"), HowMany.AT_LEAST_ONE),
                        "Whenever Depth is more than 30 m, at least one of Casing and gone is always shown."),
                Arguments.of(ALWAYS, new Promised.RoleSigns("owner", true), "Landowner always takes part."),
                Arguments.of(
                        DEEP,
                        new Promised.RoleSigns("gone", false),
                        "Whenever Depth is more than 30 m, gone never takes part."),
                Arguments.of(
                        ALWAYS, new Promised.CanFinish(true), "It can always be finished once nothing is missing."),
                Arguments.of(ALWAYS, new Promised.CanFinish(false), "It can never be finished."),
                Arguments.of(ALWAYS, new Promised.IsMet(DEEP, true), "It is always so that Depth is more than 30 m."),
                Arguments.of(
                        DEEP,
                        new Promised.IsMet(new Clause.Answered("casing"), false),
                        "Whenever Depth is more than 30 m, it is never so that Casing is answered."));
    }

    @ParameterizedTest
    @MethodSource("promises")
    void isASentence(Condition whenever, Promised promised, String expected) {
        assertThat(new PromiseSentences(PreparedTemplate.of(TEMPLATE))
                        .of(new PromiseRule(whenever, promised))
                        .text())
                .isEqualTo(expected);
    }
}
