package loesscape.core.reach;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Aspect;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Notice;
import loesscape.core.model.Phrase;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import loesscape.core.wording.Part;
import loesscape.core.wording.Sentences;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What is written from the table, in the words that stand in the margin then: of each kind of condition, and of each column. */
class ReachWritingTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 30);

    private static final FieldKind SOIL = FieldKind.OneChoice.of(
            List.of(Choice.of("clay", "clay"), Choice.of("loess", "loess"), Choice.of("sand", "sand")));

    // The lines of the table of the soil.
    private static final int BLANK = 0;
    private static final int CLAY = 1;
    private static final int LOESS = 2;
    private static final int SAND = 3;

    private static final Condition WET = new Clause.ChoiceClause("wet", ChoiceTest.IS, List.of("yes"), null);
    private static final Condition STEEP = new Clause.ChoiceClause("steep", ChoiceTest.IS, List.of("yes"), null);
    private static final Condition SHARED_SOIL = new Condition.Shared("heavy");
    private static final Condition NOTHING = new Condition.Always();
    private static final Look MOSS = Look.of(Look.Shade.MOSS, false, Look.Mark.NONE);
    private static final Look STRAW = Look.of(Look.Shade.STRAW, false, Look.Mark.NONE);

    private static Condition soil(String... choices) {
        return new Clause.ChoiceClause("soil", ChoiceTest.IS, List.of(choices), null);
    }

    private static Condition all(Condition... parts) {
        return new Condition.All(List.of(parts));
    }

    private static Condition any(Condition... parts) {
        return new Condition.Any(List.of(parts));
    }

    private static Template plot(Condition shown) {
        return Documents.sharing(
                Documents.of(
                        Documents.field("soil", SOIL),
                        Documents.yesNo("wet"),
                        Documents.yesNo("steep"),
                        Documents.text("log").withShown(shown)),
                new SharedCondition("heavy", "Heavy soil", soil("clay", "loess")));
    }

    private static Reach reach(Template template, String... besides) {
        return Reach.of(CompiledTemplate.compile(template), "soil", List.of(), Set.of(besides), TODAY);
    }

    private static Template set(Template template, String key, ReachAspect aspect, boolean is, Integer... rows) {
        ReachStroke stroke = new ReachStroke(key, aspect, Arrays.asList(rows), is);
        return Editing.apply(template, reach(template, key).set(List.of(stroke)));
    }

    private static String words(Template template, Condition condition) {
        return new Sentences(PreparedTemplate.of(template))
                .of(condition).stream().map(Part::text).collect(Collectors.joining());
    }

    /** A section can be closed from the table, where nothing of it followed the field before. */
    @Test
    void sectionIsClosedFromTheTable() {
        Template template = Documents.onePage(
                Section.of("plot", "Plot", List.of(Documents.field("soil", SOIL))),
                Section.of("more", "More", List.of(Documents.text("log"))));
        Reach reach = reach(template, "more open");
        assertThat(reach.columns())
                .extracting(ReachColumn::key, ReachColumn::yes, ReachColumn::no)
                .containsExactly(tuple("more", "opened out", "closed"));
        Template after = Editing.apply(
                template,
                reach.set(List.of(
                        new ReachStroke("more", new ReachAspect.OfNode(Aspect.OPEN), List.of(LOESS, SAND), false))));
        Section closed = (Section) CompiledTemplate.compile(after).node("more");
        assertThat(words(after, Objects.requireNonNull(closed.open()))).isEqualTo("soil is clay, also when blank");
    }

    private static Arguments row(Condition old, boolean is, List<Integer> rows, String fresh) {
        return Arguments.of(old, is, rows, fresh);
    }

    static Stream<Arguments> conditions() {
        return Stream.of(
                // What always is so, or never.
                row(NOTHING, true, List.of(CLAY), "soil is clay"),
                row(NOTHING, false, List.of(CLAY), "soil is not clay, also when blank"),
                row(new Condition.Never(), true, List.of(CLAY, SAND), "soil is not loess, and answered"),
                row(new Condition.Never(), false, List.of(CLAY), "never"),
                // What is said of others stays, and the soil is said before it.
                row(WET, true, List.of(CLAY), "soil is clay and wet is Yes"),
                row(WET, false, List.of(CLAY), "soil is not clay, also when blank and wet is Yes"),
                row(WET, true, List.of(BLANK, CLAY, LOESS, SAND), "wet is Yes"),
                row(WET, false, List.of(BLANK, CLAY, LOESS, SAND), "never"),
                row(all(WET, STEEP), true, List.of(CLAY), "soil is clay and wet is Yes and steep is Yes"),
                row(any(WET, STEEP), true, List.of(CLAY), "soil is clay and (wet is Yes or steep is Yes)"),
                // What is said of the soil alone becomes the shortest that says it.
                row(soil("clay"), true, List.of(SAND), "soil is not loess, and answered"),
                row(soil("clay", "sand"), false, List.of(SAND), "soil is clay"),
                row(soil("clay"), false, List.of(CLAY), "never"),
                row(SHARED_SOIL, true, List.of(SAND), "soil is answered"),
                row(all(SHARED_SOIL, soil("loess", "sand")), true, List.of(SAND), "soil is not clay, and answered"),
                row(any(soil("clay"), soil("loess")), true, List.of(SAND), "soil is answered"),
                row(new Condition.None(List.of(soil("clay"), soil("loess"))), false, List.of(SAND), "soil is blank"),
                row(
                        new Condition.AtLeast(2, List.of(soil("clay"), SHARED_SOIL, soil("sand"))),
                        true,
                        List.of(SAND),
                        "soil is not loess, and answered"),
                row(
                        new Condition.AtLeast(1, List.of(soil("clay"), soil("sand"))),
                        false,
                        List.of(SAND),
                        "soil is clay"),
                // In a group it changes in its place.
                row(
                        all(WET, soil("clay"), STEEP),
                        true,
                        List.of(SAND),
                        "wet is Yes and soil is not loess, and answered and steep is Yes"),
                row(all(WET, soil("clay"), STEEP), false, List.of(CLAY), "never"),
                row(all(WET, soil("clay")), true, List.of(BLANK, LOESS, SAND), "wet is Yes"),
                row(all(WET, soil("clay"), STEEP), true, List.of(BLANK, LOESS, SAND), "wet is Yes and steep is Yes"),
                row(
                        any(WET, soil("clay"), STEEP),
                        true,
                        List.of(SAND),
                        "wet is Yes or soil is not loess, and answered or steep is Yes"),
                row(any(WET, soil("clay"), STEEP), false, List.of(CLAY), "wet is Yes or steep is Yes"),
                row(any(WET, soil("clay")), false, List.of(CLAY), "wet is Yes"),
                row(any(WET, soil("clay")), true, List.of(BLANK, LOESS, SAND), "always"),
                row(any(WET, soil("clay"), soil("loess")), false, List.of(LOESS), "wet is Yes or soil is clay"),
                // What is said of the soil and of others in one part stays whole.
                row(
                        any(all(WET, soil("clay")), STEEP),
                        true,
                        List.of(SAND),
                        "((wet is Yes and soil is clay) or steep is Yes) or soil is sand"),
                row(
                        any(all(WET, soil("clay")), STEEP),
                        false,
                        List.of(SAND),
                        "((wet is Yes and soil is clay) or steep is Yes) and soil is not sand, also when blank"));
    }

    @ParameterizedTest
    @MethodSource("conditions")
    void aConditionIsWrittenAnew(Condition old, boolean is, List<Integer> rows, String fresh) {
        Template after = set(plot(old), "log", new ReachAspect.OfNode(Aspect.SHOWN), is, rows.toArray(Integer[]::new));
        Condition shown = ((Field) CompiledTemplate.compile(after).node("log")).shown();
        assertThat(shown == null ? "always" : words(after, shown)).isEqualTo(fresh);
    }

    // A document with a column of each sort that can be set.

    private static Template register() {
        return Documents.finishing(
                Documents.forRoles(
                        Documents.of(
                                Documents.field("soil", SOIL),
                                Documents.text("log")
                                        .withLooks(List.of(
                                                new LookRule(LOGGED, MOSS, LookRule.Extent.ITEM),
                                                new LookRule(soil("sand"), STRAW, LookRule.Extent.ITEM)))
                                        .withChecks(List.of(
                                                new Check(LOGGED, "Say something."),
                                                new Check(soil("sand"), "Not on sand."))),
                                Notice.of("told", "Dig. [on_clay: Slowly.] [on_sand: Fast.]")
                                        .withPhrases(List.of(
                                                new Phrase("on_clay", soil("clay")),
                                                new Phrase("on_sand", soil("sand"))))),
                        new Role("digger", "Digger", 1, null),
                        new Role("expert", "Expert", 2, soil("clay"))),
                new FinishRule(new Clause.Answered("log"), "Write the log."),
                new FinishRule(soil("clay", "loess"), "Not on sand."));
    }

    /** Clay or sand, with one choice instead of two. */
    private static final Condition NOT_LOESS =
            new Clause.ChoiceClause("soil", ChoiceTest.IS_NOT, List.of("loess"), false);

    private static final Condition LOGGED = new Clause.Answered("log");

    private static Template changed(String key, ReachAspect aspect, boolean is, Integer... rows) {
        return set(register(), key, aspect, is, rows);
    }

    @Test
    void thereIsAColumnForWhatFollowsAndForNothingElse() {
        assertThat(reach(register()).columns())
                .extracting(
                        ReachColumn::key, ReachColumn::name, ReachColumn::heading, ReachColumn::yes, ReachColumn::no)
                .containsExactly(
                        tuple("log", "log", Sentences.look(STRAW), Sentences.look(STRAW), "not so"),
                        tuple("log", "log", "refused: Not on sand.", "refused", "taken"),
                        tuple("told", "Dig. Slowly. Fast.", "says “on_clay”", "said", "left out"),
                        tuple("told", "Dig. Slowly. Fast.", "says “on_sand”", "said", "left out"),
                        tuple("", "Expert", "takes part", "takes part", "left out"),
                        tuple("", "Not on sand.", "can be finished", "can be finished", "held up"));
    }

    @Test
    void aLookIsSet() {
        Field log = (Field) CompiledTemplate.compile(changed("log", new ReachAspect.OfLook(1, STRAW), true, CLAY))
                .node("log");
        assertThat(log.looks())
                .containsExactly(
                        new LookRule(LOGGED, MOSS, LookRule.Extent.ITEM),
                        new LookRule(NOT_LOESS, STRAW, LookRule.Extent.ITEM));
    }

    @Test
    void aCheckIsSet() {
        Field log = (Field) CompiledTemplate.compile(changed("log", new ReachAspect.OfCheck(1), true, CLAY))
                .node("log");
        assertThat(log.checks())
                .containsExactly(new Check(LOGGED, "Say something."), new Check(NOT_LOESS, "Not on sand."));
    }

    @Test
    void aPhraseIsSet() {
        Notice told = (Notice) CompiledTemplate.compile(changed("told", new ReachAspect.OfPhrase(1), true, CLAY))
                .node("told");
        assertThat(told.phrases())
                .containsExactly(new Phrase("on_clay", soil("clay")), new Phrase("on_sand", NOT_LOESS));
    }

    @Test
    void aRoleIsSet() {
        assertThat(changed("", new ReachAspect.OfRole("expert"), true, SAND).roles())
                .containsExactly(new Role("digger", "Digger", 1, null), new Role("expert", "Expert", 2, NOT_LOESS));
        assertThat(changed("", new ReachAspect.OfRole("expert"), true, BLANK, LOESS, SAND)
                        .roles())
                .contains(new Role("expert", "Expert", 2, null));
        assertThat(changed("", new ReachAspect.OfRole("digger"), true, SAND).roles())
                .contains(new Role("digger", "Digger", 1, soil("sand")));
    }

    @Test
    void whatHasToHoldAtTheEndIsSet() {
        assertThat(changed("", new ReachAspect.OfFinish(1), false, LOESS).finish())
                .containsExactly(
                        new FinishRule(new Clause.Answered("log"), "Write the log."),
                        new FinishRule(soil("clay"), "Not on sand."));
    }

    @Test
    void whatIsSetIsTold() {
        Reach reach = reach(register());
        for (ReachTable table : List.of(reach.forAll(), reach.held(Answers.NONE, Context.filling(TODAY)))) {
            assertThat(table.lines())
                    .containsExactly(
                            List.of(
                                    "",
                                    "log: straw",
                                    "log: refused: Not on sand.",
                                    "Dig. Slowly. Fast.: says “on_clay”",
                                    "Dig. Slowly. Fast.: says “on_sand”",
                                    "Expert: takes part",
                                    "Not on sand.: can be finished"),
                            List.of("blank", "not so", "taken", "left out", "left out", "left out", "held up"),
                            List.of("clay", "not so", "taken", "said", "left out", "takes part", "can be finished"),
                            List.of("loess", "not so", "taken", "left out", "left out", "left out", "can be finished"),
                            List.of("sand", "straw", "refused", "left out", "said", "left out", "held up"));
        }
    }

    @Test
    void whatIsNoLongerThereIsRefused() {
        for (var gone : List.of(
                new ReachStroke("log", new ReachAspect.OfLook(2, STRAW), List.of(CLAY), true),
                new ReachStroke("log", new ReachAspect.OfLook(-1, STRAW), List.of(CLAY), true),
                new ReachStroke("soil", new ReachAspect.OfCheck(0), List.of(CLAY), true),
                new ReachStroke("told", new ReachAspect.OfCheck(0), List.of(CLAY), true),
                new ReachStroke("log", new ReachAspect.OfPhrase(0), List.of(CLAY), true),
                new ReachStroke("", new ReachAspect.OfFinish(2), List.of(CLAY), true))) {
            assertThatThrownBy(() -> reach(register()).set(List.of(gone)))
                    .as(gone.toString())
                    .isInstanceOf(Refusal.class)
                    .hasMessage("This is no longer in the document.");
        }
        assertThatThrownBy(() -> changed("", new ReachAspect.OfRole("nobody"), true, CLAY))
                .isInstanceOf(Refusal.class)
                .hasMessage("This role is no longer in the document.");
        assertThatThrownBy(() -> changed("log", new ReachAspect.OfChoice("clay"), true, CLAY))
                .isInstanceOf(Refusal.class)
                .hasMessage("The choices of “log” do not follow “soil” any more.");
    }

    @Test
    void linesThatAreNotThereAreRefused() {
        for (int line : List.of(-1, 4)) {
            assertThatThrownBy(() -> changed("log", new ReachAspect.OfCheck(1), true, line))
                    .isInstanceOf(Refusal.class)
                    .hasMessage("There is no such line any more.");
        }
    }

    @Test
    void soManyColumnsAreSetAtOnce() {
        ReachStroke stroke = new ReachStroke("", new ReachAspect.OfFinish(1), List.of(CLAY), true);
        Reach reach = reach(register());
        assertThat(reach.set(Collections.nCopies(Edit.Together.MOST, stroke))).isInstanceOf(Edit.Together.class);
        assertThatThrownBy(() -> reach.set(Collections.nCopies(Edit.Together.MOST + 1, stroke)))
                .isInstanceOf(Refusal.class)
                .hasMessage("Set at most 500 columns at once.");
    }
}
