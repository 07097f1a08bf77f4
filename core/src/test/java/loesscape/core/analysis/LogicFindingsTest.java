package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

/** What is found about all possible answers, and that the nearest thing without fault is left in peace. */
class LogicFindingsTest {

    private static final FieldKind METRES = new FieldKind.Number(1, "m", null, null);
    private static final FieldKind TO_200 =
            new FieldKind.Number(0, "m", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.valueOf(200), true));
    private static final FieldKind.OneChoice USES =
            FieldKind.OneChoice.of(List.of(Choice.of("house", "House"), Choice.of("field", "Field")));

    private static Condition depth(OrderTest test, String to) {
        return new Clause.Comparison("depth", test, new Clause.Operand.NumberOperand(new BigDecimal(to)), null);
    }

    private static Condition use(String choice) {
        return new Clause.ChoiceClause("use", ChoiceTest.IS, List.of(choice), null);
    }

    private static Field text(String key, Condition shown) {
        return Field.of(key, key, new FieldKind.Text("", 0)).withShown(shown);
    }

    private static Template template(Item... items) {
        return Template.of("T", List.of(new Page("p", "", null, List.of(Section.of("s", "S", List.of(items))))));
    }

    private static Field depthField() {
        return Field.of("depth", "Depth", METRES);
    }

    private static Field useField() {
        return Field.of("use", "Use", USES);
    }

    private static List<Finding> findings(Template template) {
        return LogicFindings.of(EveryFilling.of(CompiledTemplate.compile(template), LocalDate.of(2026, 11, 1)));
    }

    private static List<String> found(Item... items) {
        return findings(template(items)).stream().map(Finding::message).toList();
    }

    @Test
    void aConditionBeyondTheLimitsIsNeverMet() {
        Field limited = Field.of("depth", "Depth", TO_200);
        assertThat(found(limited, text("deep", depth(OrderTest.MORE, "200"))))
                .containsExactly("The condition for “shown” can never be met, whatever is answered.");
        assertThat(found(limited, text("deep", depth(OrderTest.AT_LEAST, "200"))))
                .isEmpty();
        // Between two whole numbers there is nothing.
        assertThat(found(
                        limited,
                        text(
                                "gap",
                                new Condition.All(List.of(depth(OrderTest.MORE, "30"), depth(OrderTest.LESS, "31"))))))
                .containsExactly("The condition for “shown” can never be met, whatever is answered.");
    }

    @Test
    void whatIsInSomethingFoldedIsNeverShown() {
        Section inner = Section.of("inner", "Inner", List.of(text("house", use("house"))))
                .withShown(use("field"));
        assertThat(found(useField(), inner))
                .containsExactly(
                        "“house” is never shown: whenever its condition is met, “Inner”, which holds it, is folded.");
        Section fine = Section.of("inner", "Inner", List.of(text("house", new Clause.Answered("use"))))
                .withShown(use("field"));
        // Where the section is shown, the answer is there.
        assertThat(found(useField(), fine))
                .containsExactly("The condition for “shown” is met whatever is answered; it says nothing, and can go.");
    }

    @Test
    void aPartThatChangesNothingIsFound() {
        assertThat(found(
                        depthField(),
                        text(
                                "deep",
                                new Condition.All(
                                        List.of(depth(OrderTest.AT_LEAST, "30"), depth(OrderTest.MORE, "10"))))))
                .containsExactly(
                        "In the condition for “shown”, “Depth is more than 10 m” never matters: the same is met without it.");
        assertThat(found(
                        depthField(),
                        text(
                                "deep",
                                new Condition.All(
                                        List.of(depth(OrderTest.AT_LEAST, "10"), depth(OrderTest.LESS, "30"))))))
                .isEmpty();
    }

    @Test
    void anAnswerThatNobodyCanGiveIsFound() {
        Field locked = Field.of("note", "Note", new FieldKind.Text("", 0))
                .withRequired(depth(OrderTest.AT_LEAST, "30"))
                .withEditable(depth(OrderTest.LESS, "30"));
        assertThat(found(depthField(), locked))
                .containsExactly(
                        "An answer is required only while nobody can give it: whenever it is, the field is locked.");
        Field atTheEdge = locked.withEditable(depth(OrderTest.AT_MOST, "30"));
        assertThat(found(depthField(), atTheEdge)).isEmpty();
    }

    @Test
    void gapsAndOverlapsAtEdgesAreFoundWithTheAnswer() {
        List<Finding> gap = findings(template(
                depthField(), text("shallow", depth(OrderTest.LESS, "30")), text("deep", depth(OrderTest.MORE, "30"))));
        assertThat(gap).hasSize(1);
        assertThat(gap.getFirst().message())
                .isEqualTo(
                        "Where Depth is 30 m, neither “shallow” nor “deep” is shown; let one of them take the edge.");
        assertThat(java.util.Objects.requireNonNull(gap.getFirst().example()).answers())
                .isEqualTo(Map.of("depth", "30"));
        assertThat(found(
                        depthField(),
                        text("shallow", depth(OrderTest.AT_MOST, "30")),
                        text("deep", depth(OrderTest.AT_LEAST, "30"))))
                .containsExactly(
                        "Where Depth is 30 m, both “shallow” and “deep” are shown; let the edge belong to one of them.");
        assertThat(found(
                        depthField(),
                        text("shallow", depth(OrderTest.LESS, "30")),
                        text("deep", depth(OrderTest.AT_LEAST, "30"))))
                .isEmpty();
    }

    @Test
    void anEditThatMendsIsWhatItSays() {
        Condition twice = new Condition.All(List.of(depth(OrderTest.AT_LEAST, "30"), depth(OrderTest.MORE, "10")));
        List<Template> faulty = List.of(
                template(
                        depthField(),
                        text("shallow", depth(OrderTest.LESS, "30")),
                        text("deep", depth(OrderTest.MORE, "30"))),
                template(
                        depthField(),
                        text("shallow", depth(OrderTest.AT_MOST, "30")),
                        text("deep", depth(OrderTest.AT_LEAST, "30"))),
                template(depthField(), text("deep", twice)),
                template(
                        depthField(),
                        text(
                                "always",
                                new Condition.Any(
                                        List.of(new Clause.Answered("depth"), new Clause.IsBlank("depth"))))));
        for (Template template : faulty) {
            Finding finding = findings(template).getFirst();
            assertThat(finding.mends()).as(finding.message()).isNotEmpty();
            for (Mend mend : finding.mends()) {
                Template mended = Editing.apply(template, mend.edit());
                assertThat(findings(mended))
                        .as(finding.message() + " " + mend.words())
                        .isEmpty();
            }
        }
    }

    @Test
    void oneWholeNumberBetweenTwoRangesIsAGapAndAWholeStretchIsNot() {
        Field whole = Field.of("depth", "Depth", TO_200);
        assertThat(found(
                        whole,
                        text("shallow", depth(OrderTest.AT_MOST, "29")),
                        text("deep", depth(OrderTest.AT_LEAST, "31"))))
                .containsExactly(
                        "Where Depth is 30 m, neither “shallow” nor “deep” is shown; let one of them take the edge.");
        assertThat(found(
                        whole,
                        text("shallow", depth(OrderTest.AT_MOST, "29")),
                        text("deep", depth(OrderTest.AT_LEAST, "50"))))
                .isEmpty();
    }

    @Test
    void choicesNobodyCanPickAndEmptyListsAreFound() {
        FieldKind wells = FieldKind.OneChoice.of(List.of(Choice.of("dug", "Dug"), Choice.of("bored", "Bored")))
                .withOffer(new Offer("use", Map.of("house", List.of("dug"))));
        List<Finding> found = findings(template(useField(), Field.of("well", "Well", wells)));
        assertThat(found)
                .extracting(Finding::message)
                .containsExactly(
                        "Nobody can choose “Bored”: it is never offered.",
                        "There is nothing to choose from where “Use” is Field.");
        assertThat(java.util.Objects.requireNonNull(found.getLast().example()).answers())
                .isEqualTo(Map.of("use", "field"));
    }

    @Test
    void bandsNobodyReachesAndIdleChecksAreFound() {
        Field banded = Field.of("depth", "Depth", TO_200)
                .withBands(List.of(
                        Band.of("low", "Low", Look.PLAIN, new Bound(BigDecimal.valueOf(200), true)),
                        Band.of("high", "High", Look.PLAIN, null)));
        assertThat(found(banded))
                .containsExactly("Nobody reaches the band “High”: no answer that is accepted lies in it.");
        Field checked = Field.of("depth", "Depth", TO_200)
                .withChecks(List.of(
                        new Check(depth(OrderTest.MORE, "200"), "Too deep."),
                        new Check(depth(OrderTest.AT_MOST, "200"), "Too shallow."),
                        new Check(depth(OrderTest.MORE, "100"), "Ask first.")));
        assertThat(found(checked))
                .containsExactly(
                        "The check “Too deep.” refuses nothing.", "The check “Too shallow.” refuses every answer.");
    }

    @Test
    void theSameWrittenOtherwiseIsFound() {
        Condition either = new Condition.Any(List.of(use("house"), use("field")));
        Condition notNone = new Condition.None(
                List.of(new Clause.IsBlank("use"), new Condition.All(List.of(use("house"), use("field")))));
        assertThat(found(useField(), text("one", either), text("other", notNone)))
                .contains(
                        "The condition for “shown” is met by the same answers as that for “shown” of “one”, written otherwise; share one, so that both are changed at once.");
    }

    @Test
    void whatBelongsToTheDocumentIsFound() {
        Template plain = template(useField());
        Condition never = new Condition.All(List.of(use("house"), use("field")));
        Template template = new Template(
                "T",
                "",
                plain.pages(),
                List.of(),
                List.of(new SharedCondition("both", "Both", never)),
                List.of(),
                List.of(new FinishRule(never, "Choose both.")),
                PageSettings.PLAIN,
                List.of(),
                List.of());
        assertThat(findings(template))
                .extracting(Finding::message)
                .containsExactly(
                        "The shared condition “Both” can never be met, whatever is answered.",
                        "The document can never be finished, whatever is answered: “Choose both.”");
    }

    @Test
    void anExampleIsWhatItSays() {
        Template template = template(
                useField(),
                Section.of(
                                "wells",
                                "Wells",
                                List.of(
                                        Field.of("inner", "Inner", METRES),
                                        text(
                                                "low",
                                                new Clause.Comparison(
                                                        "inner",
                                                        OrderTest.LESS,
                                                        new Clause.Operand.NumberOperand(BigDecimal.ONE),
                                                        null)),
                                        text(
                                                "high",
                                                new Clause.Comparison(
                                                        "inner",
                                                        OrderTest.MORE,
                                                        new Clause.Operand.NumberOperand(BigDecimal.ONE),
                                                        null))))
                        .withShown(use("house")));
        Finding gap = findings(template).getFirst();
        Map<String, String> answers =
                java.util.Objects.requireNonNull(gap.example()).answers();
        // The section has to be shown for the gap to be seen.
        assertThat(answers).isEqualTo(Map.of("use", "house", "inner", "1"));
        var state = CompiledTemplate.compile(template).evaluate(new Answers(answers));
        assertThat(state.of("inner").shown()).isTrue();
        assertThat(state.of("low").shown()).isFalse();
        assertThat(state.of("high").shown()).isFalse();
    }

    @Test
    void whatItsAuthorPutAwayIsLeftInPeace() {
        Template template = template(depthField(), text("away", new Condition.Never()));
        assertThat(findings(template)).isEmpty();
        Page page = template.pages().getFirst();
        assertThat(findings(template.withPages(List.of(page.withShown(new Condition.Never())))))
                .isEmpty();
    }

    @Test
    void anyTemplateCanBeLookedThroughAndItsMendsAreEditsThatItTakes() {
        Cases.check("findings of random templates", 300, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            for (Finding finding : findings(template)) {
                assertThat(finding.message()).isNotBlank();
                for (Mend mend : finding.mends()) {
                    assertThat(Editing.apply(template, mend.edit())).isNotEqualTo(template);
                }
            }
        });
    }
}
