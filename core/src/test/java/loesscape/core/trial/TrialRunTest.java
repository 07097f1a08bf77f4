package loesscape.core.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.RowNames;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Expectation;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import loesscape.core.trial.TrialOutcome.Missed;
import org.junit.jupiter.api.Test;

/** Trials: recorded from how a document stands, run against what became of it. */
class TrialRunTest {

    private static final LocalDate TODAY = LocalDate.of(2028, 2, 28);
    private static final Look RED = Look.of(Look.Shade.CLAY, true, Look.Mark.WARNING);

    private static Condition deep(String least) {
        return new Clause.Comparison(
                "depth", OrderTest.AT_LEAST, new Operand.NumberOperand(new BigDecimal(least)), null);
    }

    private static Template well(String least) {
        Field depth = Field.of("depth", "Depth", new FieldKind.Number(0, "m", null, null))
                .withChecks(List.of(new Check(deep("500"), "Nobody drills so deep.")));
        Field casing = Field.of("casing", "Casing", new FieldKind.Text("", 0))
                .withShown(deep(least))
                .withRequired(deep("100"))
                .withLooks(List.of(new LookRule(deep("200"), RED, LookRule.Extent.ITEM)));
        Field cost = Field.of("cost", "Cost", new FieldKind.Number(0, "", null, null))
                .withValue(new FieldValue.WorkedOut("depth * 3", false));
        Indicator shade = Indicator.of(
                "shade",
                "Shade",
                "depth",
                List.of(
                        Band.of("low", "Low", Look.PLAIN, new Bound(new BigDecimal("50"), true)),
                        Band.of("high", "High", RED, null)));
        return Template.of(
                "Well",
                List.of(new Page(
                        "page", "", null, List.of(Section.of("s", "S", List.of(depth, casing, cost, shade))))));
    }

    private static Template with(Template template, Trial... trials) {
        Template with = template;
        for (Trial trial : trials) {
            with = Editing.apply(with, new Edit.PutTrials(List.of(trial)));
        }
        return with;
    }

    private static List<Missed> missed(Template template) {
        return TrialRun.of(CompiledTemplate.compile(template), TODAY).stream()
                .flatMap(outcome -> outcome.missed().stream())
                .toList();
    }

    private static Trial recorded(Template template, Map<String, String> answers) {
        return TrialRecording.of(
                "A trial", CompiledTemplate.compile(template), new Answers(answers), Context.filling(TODAY));
    }

    @Test
    void allThatSomeRuleDecidesIsRecorded() {
        assertThat(recorded(well("30"), Map.of("depth", "40")).expected())
                .containsExactly(
                        new Expectation.Refuses("depth", false),
                        new Expectation.Is("casing", Aspect.SHOWN, true),
                        new Expectation.Is("casing", Aspect.REQUIRED, false),
                        new Expectation.Looks("casing", Look.PLAIN),
                        new Expectation.Counts("cost", "120"),
                        new Expectation.Tells("shade", "low"),
                        new Expectation.Finishes(true));
        assertThat(recorded(well("30"), Map.of()).expected())
                .containsExactly(
                        new Expectation.Is("casing", Aspect.SHOWN, false),
                        new Expectation.Counts("cost", ""),
                        new Expectation.Tells("shade", ""),
                        new Expectation.Finishes(true));
    }

    @Test
    void whatCameOtherwiseIsToldWithTheSentenceThatDecidesIt() {
        Trial trial = recorded(well("30"), Map.of("depth", "40"));
        assertThat(missed(with(well("30"), trial))).isEmpty();
        assertThat(missed(with(well("41"), trial)))
                .containsExactly(
                        new Missed("casing", "Casing", "shown", "folded", "Shown when Depth is at least 41 m."));
    }

    @Test
    void aTrialWithoutANameIsCalledByItsAnswers() {
        Template template = well("30");
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        Context context = Context.filling(TODAY);
        Answers answers = new Answers(Map.of("casing", "Steel", "depth", "40", "cost", "7"));
        String name = TrialRecording.name(compiled, answers, context);
        assertThat(name).isEqualTo("Depth 40 m, Casing Steel");
        CompiledTemplate again = CompiledTemplate.compile(with(template, Trial.of(name, Map.of())));
        assertThat(TrialRecording.name(again, answers, context)).isEqualTo("Depth 40 m, Casing Steel (2)");
        assertThat(TrialRecording.name(compiled, Answers.NONE, context)).isEqualTo("Nothing answered");
        assertThat(TrialRecording.name(
                        compiled, new Answers(Map.of("depth", "40", "casing", "x".repeat(500))), context))
                .startsWith("Depth 40 m, Casing xxx")
                .endsWith("…")
                .hasSizeLessThan(70);
    }

    @Test
    void everyKindOfExpectationIsToldInWords() {
        Template template = Editing.apply(well("30"), new Edit.PutRole(new Role("", "Witness", 1, deep("100"))));
        List<Expectation> wrong = List.of(
                new Expectation.Is("casing", Aspect.SHOWN, false),
                new Expectation.Is("casing", Aspect.REQUIRED, false),
                new Expectation.Is("casing", Aspect.EDITABLE, false),
                new Expectation.Is("s", Aspect.OPEN, false),
                new Expectation.Counts("cost", "1"),
                new Expectation.Counts("depth", ""),
                new Expectation.Looks("casing", Look.PLAIN),
                new Expectation.Tells("shade", "low"),
                new Expectation.Tells("shade", ""),
                new Expectation.Refuses("depth", true),
                new Expectation.TakesPart("witness", false),
                new Expectation.Finishes(true),
                new Expectation.Is("gone", Aspect.SHOWN, true),
                new Expectation.Counts("gone", "1"),
                new Expectation.Offered("depth", List.of()),
                new Expectation.TakesPart("gone", true));
        Trial trial = new Trial("Wrong", Map.of("depth", "200"), Stage.FILLING, "", TODAY, wrong);
        assertThat(missed(with(template, trial)).stream()
                        .map(it -> "%s: %s, not %s".formatted(it.about(), it.actual(), it.expected())))
                .containsExactly(
                        "Casing: shown, not folded",
                        "Casing: required, not optional",
                        "Casing: editable, not locked",
                        "S: opened out, not closed",
                        "Cost: 600, not 1",
                        "Depth: 200 m, not blank",
                        "Casing: clay and bold, not plain",
                        "Shade: High, not Low",
                        "Shade: High, not nothing",
                        "Depth: accepted, not refused",
                        "Witness: takes part, not takes no part",
                        "The document: cannot be finished, not can be finished",
                        "gone: not there, not shown",
                        "gone: not there, not 1",
                        "Depth: all choices, not no choices",
                        "gone: not there, not takes part");
    }

    @Test
    void theDayOfATrialIsItsOwnOrToday() {
        Field until = Field.of("until", "Until", new FieldKind.Date(null, null));
        Field late = Field.of("late", "Late", new FieldKind.YesNo())
                .withShown(new Clause.Comparison("until", OrderTest.LESS, new Operand.TodayOperand(0), null));
        Template template = Template.of(
                "Dates", List.of(new Page("p", "", null, List.of(Section.of("s", "S", List.of(until, late))))));
        Map<String, String> answers = Map.of("until", "2028-02-28");
        List<Expectation> onTime = List.of(new Expectation.Is("late", Aspect.SHOWN, false));
        Trial fixed = new Trial("Fixed", answers, Stage.FILLING, "", TODAY, onTime);
        Trial moving = new Trial("Moving", answers, Stage.FILLING, "", null, onTime);
        CompiledTemplate compiled = CompiledTemplate.compile(with(template, fixed, moving));
        assertThat(TrialRun.of(compiled, TODAY)).allMatch(TrialOutcome::isPassed);
        assertThat(TrialRun.of(compiled, TODAY.plusDays(1)))
                .extracting(outcome -> outcome.trial().name(), TrialOutcome::isPassed)
                .containsExactly(
                        org.assertj.core.api.Assertions.tuple("Fixed", true),
                        org.assertj.core.api.Assertions.tuple("Moving", false));
    }

    /** Whatever stands in a document, a trial recorded of it passes, and passes under other keys. */
    @Test
    void whatWasRecordedComesAgain() {
        Cases.check("trials recorded", 300, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            Answers answers = RandomTemplates.answers(random, template);
            Trial trial = TrialRecording.of(
                    "Recorded",
                    compiled,
                    answers,
                    new Context(TODAY, List.of(Stage.values()).get(random.nextInt(4)), ""));
            Template with = with(template, trial);
            assertThat(missed(with)).isEmpty();
            List<Node> nodes = with.nodes();
            Node renamed = nodes.get(random.nextInt(nodes.size()));
            assertThat(missed(Editing.apply(with, new Edit.RenameKey(renamed.key(), "renamed_key"))))
                    .isEmpty();
        });
    }

    @Test
    void ofWhatIsDeletedNothingIsExpected() {
        Template with = with(well("30"), recorded(well("30"), Map.of("depth", "40")));
        Template without = Editing.apply(with, new Edit.Delete(List.of("casing"), true));
        assertThat(without.trials().getFirst().expected())
                .extracting(expectation -> RowNames.key(expectation.address()))
                .doesNotContain("casing")
                .contains("cost");
        assertThat(missed(without)).isEmpty();
        assertThat(new TreeMap<>(without.trials().getFirst().answers())).containsEntry("depth", "40");
    }

    @Test
    void aRoleThatIsTakenAwayActsInNoTrial() {
        Template with = Editing.apply(well("30"), new Edit.PutRole(new Role("", "Witness", 1, deep("100"))));
        CompiledTemplate compiled = CompiledTemplate.compile(with);
        Trial trial = TrialRecording.of(
                "Seen by the witness",
                compiled,
                new Answers(Map.of("depth", "40")),
                new Context(TODAY, Stage.FILLING, "witness"));
        assertThat(trial.expected()).contains(new Expectation.TakesPart("witness", false));
        Template without = Editing.apply(with(with, trial), new Edit.RemoveRole("witness", true));
        assertThat(without.trials().getFirst().role()).isEmpty();
        assertThat(missed(without)).isEmpty();
    }
}
