package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Look;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Promised.HowMany;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.wording.PromiseSentences;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Promises: how they are written and refused, and what becomes of them where what they are about changes. */
class PromiseEditsTest {

    private static final Condition ALWAYS = new Condition.Always();
    private static final Look RED = Look.of(Look.Shade.CLAY, true, Look.Mark.WARNING);

    private final Template well = Editing.apply(
            Template.of(
                    "Well",
                    List.of(new Page(
                            "page",
                            "Page",
                            null,
                            List.of(
                                    Section.of(
                                            "well",
                                            "The well",
                                            List.of(
                                                    Field.of(
                                                            "depth", "Depth", new FieldKind.Number(0, "m", null, null)),
                                                    Field.of("casing", "Casing", new FieldKind.Text("", 0)),
                                                    new Divider("line", null))),
                                    Section.of(
                                                    "layers",
                                                    "Layers",
                                                    List.of(Field.of(
                                                            "thickness",
                                                            "Thickness",
                                                            new FieldKind.Number(0, "m", null, null))))
                                            .withRows(new Section.Rows(0, 5)))))),
            new Edit.PutRole(new Role("witness", "Witness", 1, deeper("depth"))));

    private static Condition deeper(String field) {
        return new Clause.Comparison(field, OrderTest.MORE, new Operand.NumberOperand(new BigDecimal("30")), null);
    }

    private Template promising(Condition whenever, Promised promised) {
        return Editing.apply(well, new Edit.SetPromises(List.of(new PromiseRule(whenever, promised))));
    }

    private static Promised shown(String key) {
        return new Promised.NodeIs(key, Aspect.SHOWN, true);
    }

    private static String said(Template template) {
        return new PromiseSentences(PreparedTemplate.of(template))
                .of(template.promises().getFirst())
                .text();
    }

    static Stream<Arguments> sentences() {
        return Stream.of(
                Arguments.of(
                        ALWAYS, new Promised.NodeIs("casing", Aspect.REQUIRED, true), "Casing is always required."),
                Arguments.of(
                        deeper("depth"),
                        new Promised.NodeIs("casing", Aspect.EDITABLE, false),
                        "Whenever Depth is more than 30 m, Casing is never editable."),
                Arguments.of(
                        deeper("depth"),
                        new Promised.NodeLooks("casing", RED, true),
                        "Whenever Depth is more than 30 m, Casing is always clay and bold."),
                Arguments.of(
                        ALWAYS,
                        new Promised.SomeShown(List.of("depth", "casing", "line"), HowMany.AT_MOST_ONE),
                        "At most one of Depth, Casing and Divider is always shown."),
                Arguments.of(
                        deeper("depth"),
                        new Promised.RoleSigns("witness", true),
                        "Whenever Depth is more than 30 m, Witness always takes part."),
                Arguments.of(
                        ALWAYS, new Promised.CanFinish(true), "It can always be finished once nothing is missing."),
                Arguments.of(ALWAYS, new Promised.CanFinish(false), "It can never be finished."),
                Arguments.of(
                        new Clause.Answered("casing"),
                        new Promised.IsMet(deeper("depth"), true),
                        "Whenever Casing is answered, it is always so that Depth is more than 30 m."),
                Arguments.of(
                        deeper("thickness"),
                        shown("thickness"),
                        "Whenever Thickness is more than 30 m, Thickness is always shown."));
    }

    @ParameterizedTest
    @MethodSource("sentences")
    void aPromiseIsASentence(Condition whenever, Promised promised, String sentence) {
        assertThat(said(promising(whenever, promised))).isEqualTo(sentence);
    }

    static Stream<Arguments> refusals() {
        return Stream.of(
                Arguments.of(ALWAYS, shown("gone"), "There is no page, section or item “gone”."),
                Arguments.of(
                        ALWAYS,
                        new Promised.NodeIs("well", Aspect.REQUIRED, true),
                        "“The well” cannot be required; only a field can."),
                Arguments.of(ALWAYS, new Promised.NodeLooks("line", RED, true), "“Divider” has no looks."),
                Arguments.of(
                        ALWAYS,
                        new Promised.SomeShown(List.of("depth"), HowMany.EXACTLY_ONE),
                        "Name two items or more, each once."),
                Arguments.of(
                        ALWAYS,
                        new Promised.SomeShown(List.of("depth", "depth"), HowMany.EXACTLY_ONE),
                        "Name two items or more, each once."),
                Arguments.of(
                        ALWAYS,
                        new Promised.SomeShown(List.of("depth", "thickness"), HowMany.EXACTLY_ONE),
                        "They stand in different rows, so they are never beside each other."),
                Arguments.of(ALWAYS, new Promised.RoleSigns("driller", true), "There is no role “driller”."));
    }

    @ParameterizedTest
    @MethodSource("refusals")
    void aPromiseAboutWhatIsNotThereIsRefused(Condition whenever, Promised promised, String message) {
        Refusal refusal = catchThrowableOfType(Refusal.class, () -> promising(whenever, promised));
        assertThat(refusal).hasMessageContaining(message);
    }

    @Test
    void aConditionIsAskedWhereThePromiseStands() {
        assertThat(promising(deeper("thickness"), shown("thickness")).promises())
                .hasSize(1);
        assertThat(catchThrowableOfType(Refusal.class, () -> promising(deeper("thickness"), shown("casing"))))
                .isNotNull();
        assertThat(catchThrowableOfType(
                        Refusal.class, () -> promising(ALWAYS, new Promised.IsMet(deeper("thickness"), true))))
                .isNotNull();
    }

    @Test
    void aRenamedKeyIsRenamedInPromises() {
        Template template =
                promising(deeper("depth"), new Promised.SomeShown(List.of("depth", "casing"), HowMany.AT_LEAST_ONE));
        Template renamed = Editing.apply(template, new Edit.RenameKey("depth", "total_depth"));
        assertThat(renamed.promises())
                .containsExactly(new PromiseRule(
                        deeper("total_depth"),
                        new Promised.SomeShown(List.of("total_depth", "casing"), HowMany.AT_LEAST_ONE)));
        Template met = promising(ALWAYS, new Promised.IsMet(deeper("depth"), false));
        assertThat(Editing.apply(met, new Edit.RenameKey("depth", "total_depth"))
                        .promises())
                .containsExactly(new PromiseRule(ALWAYS, new Promised.IsMet(deeper("total_depth"), false)));
    }

    @Test
    void whatAPromiseIsAboutIsDeletedOnlyWithThePromise() {
        List<Promised> about = List.of(
                shown("casing"),
                new Promised.NodeLooks("casing", RED, true),
                new Promised.SomeShown(List.of("casing", "line"), HowMany.EXACTLY_ONE),
                new Promised.IsMet(new Clause.Answered("casing"), true));
        for (Promised promised : about) {
            Template template = promising(deeper("depth"), promised);
            Refusal refusal = catchThrowableOfType(
                    Refusal.class, () -> Editing.apply(template, new Edit.Delete(List.of("casing"), false)));
            assertThat(refusal.followers()).extracting(Refusal.Follower::what).containsExactly("promise");
            assertThat(Editing.apply(template, new Edit.Delete(List.of("casing"), true))
                            .promises())
                    .isEmpty();
        }
    }

    /** Whenever this or that: without that it would promise something else. */
    @Test
    void aPromiseThatLosesAPartOfItsConditionGoesAltogether() {
        Condition either = new Condition.Any(List.of(deeper("depth"), new Clause.Answered("casing")));
        Template template = promising(either, shown("line"));
        assertThat(Editing.apply(template, new Edit.Delete(List.of("casing"), true))
                        .promises())
                .isEmpty();
    }

    @Test
    void aRoleThatIsPromisedIsTakenAwayOnlyWithThePromise() {
        Template template = promising(deeper("depth"), new Promised.RoleSigns("witness", true));
        Refusal refusal = catchThrowableOfType(
                Refusal.class, () -> Editing.apply(template, new Edit.RemoveRole("witness", false)));
        assertThat(refusal.followers()).extracting(Refusal.Follower::what).containsExactly("promise");
        assertThat(Editing.apply(template, new Edit.RemoveRole("witness", true)).promises())
                .isEmpty();
    }

    @Test
    void promisesAreUndoneAsOneAndTellWhenTheyMoved() {
        Template template = promising(deeper("depth"), shown("casing"));
        Change change = Change.between(TemplateIndex.of(well), TemplateIndex.of(template));
        assertThat(ChangeWords.of(change)).isEqualTo("Promises");
        assertThat(change.reversed().applyTo(template)).isEqualTo(well);
        Template other = promising(ALWAYS, shown("casing"));
        assertThat(catchThrowableOfType(Refusal.class, () -> change.reversed().applyTo(other)))
                .hasMessageContaining("the promises");
    }
}
