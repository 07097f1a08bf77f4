package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Sign;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.Documents;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

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
        return Documents.onePage(Section.of("s", "S", List.of(items)));
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
        assertThat(Objects.requireNonNull(gap.getFirst().example()).answers()).isEqualTo(Map.of("depth", "30"));
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
        Condition outside = new Condition.Any(List.of(depth(OrderTest.LESS, "30"), depth(OrderTest.MORE, "60")));
        Condition notWithin = new Condition.None(List.of(
                new Clause.IsBlank("depth"),
                new Condition.All(List.of(depth(OrderTest.AT_LEAST, "30"), depth(OrderTest.AT_MOST, "60")))));
        List<Template> faulty = List.of(
                template(depthField(), text("one", outside), text("other", notWithin)),
                template(
                        depthField(),
                        text("one", outside),
                        Field.of("other", "Other", new FieldKind.Text("", 0)).withRequired(notWithin)),
                template(
                        depthField(),
                        Field.of("one", "One", new FieldKind.Text("", 0))
                                .withRequired(outside)
                                .withEditable(notWithin)),
                template(Field.of("depth", "Depth", TO_200)
                        .withChecks(List.of(new Check(depth(OrderTest.MORE, "200"), "Too deep.")))),
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
        assertThat(Objects.requireNonNull(found.getLast().example()).answers()).isEqualTo(Map.of("use", "field"));
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
        Map<String, String> answers = Objects.requireNonNull(gap.example()).answers();
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

    private static Field number(String key) {
        return Field.of(key, key, new FieldKind.Number(0, "", null, null));
    }

    private static Field workedOut(String formula, FieldKind kind) {
        return Field.of("sum", "Sum", kind).withValue(new FieldValue.WorkedOut(formula, false));
    }

    /** What divides by nothing for some answers does not do so because another answer, that chose the division, is blank. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "if extra = null then 100 / fee else fee",
                "if extra > 3 then fee else 100 / fee",
                "if extra = null then 100 / (fee + 1) else fee",
                "if extra = null then 100 / (fee - 1) else fee"
            })
    void anAnswerIsNotBlamedForWhatAnotherOneDoes(String formula) {
        Field fee = Field.of("fee", "fee", new FieldKind.Number(0, "", bound(-1), bound(1)))
                .withRequired(new Condition.Always());
        assertThat(found(fee, number("extra"), workedOut(formula, new FieldKind.Number(2, "", null, null))))
                .noneMatch(message -> message.startsWith("Nothing is worked out while"));
    }

    private static Bound bound(int at) {
        return new Bound(BigDecimal.valueOf(at), true);
    }

    @Test
    void anAnswerThatNobodyAsksForAndAFormulaNeedsIsFound() {
        FieldKind plain = new FieldKind.Number(0, "", null, null);
        Condition always = new Condition.Always();
        List<Finding> found = findings(
                template(number("fee").withRequired(always), number("extra"), workedOut("fee + extra", plain)));
        assertThat(found)
                .extracting(Finding::key, Finding::message)
                .containsExactly(
                        tuple(
                                "sum",
                                "Nothing is worked out while “extra” is blank, and nobody need answer there; require it, or say in the formula what comes of a blank."));
        assertThat(Objects.requireNonNull(found.getFirst().example()).answers())
                .containsKey("fee")
                .doesNotContainEntry("fee", "");
        // Where blanks count as nothing, where it is asked for, and where it is the only source, all is well.
        assertThat(found(number("fee").withRequired(always), number("extra"), workedOut("total([fee, extra])", plain)))
                .isEmpty();
        assertThat(found(
                        number("fee").withRequired(always),
                        number("extra").withRequired(always),
                        workedOut("fee + extra", plain)))
                .isEmpty();
        assertThat(found(number("fee"), workedOut("fee * 2", plain))).isEmpty();
        // What only some formulas leave blank in a list is found by trying an answer there.
        assertThat(found(number("fee").withRequired(always), number("extra"), workedOut("sum([fee, extra])", plain)))
                .singleElement()
                .asString()
                .startsWith("Nothing is worked out while “extra” is blank");
    }

    /** A choice that is asked for and cannot be made yet waits for an answer that is asked for itself. */
    @Test
    void aChoiceThatIsAskedForAndNotOfferedYetIsNoneThatNobodyAsksFor() {
        Condition always = new Condition.Always();
        List<Choice> grades = List.of(Choice.of("a", "A"), Choice.of("b", "B"));
        Field kind = Field.of("kind", "Kind", FieldKind.OneChoice.of(grades)).withRequired(always);
        FieldKind.Choosing offered = FieldKind.OneChoice.of(grades);
        Field grade = Field.of(
                        "grade",
                        "Grade",
                        offered.withOffer(new Offer("kind", Map.of("a", List.of("a"), "b", List.of("a", "b")))))
                .withRequired(always);
        Field fee = Field.of("fee", "Fee", new FieldKind.Rating(5)).withRequired(always);
        String formula = "fee * string length(grade)";
        assertThat(found(kind, grade, fee, workedOut(formula, new FieldKind.Number(0, "", null, null))))
                .isEmpty();
    }

    @Test
    void aFormulaThatGivesNothingForAnswersIsFound() {
        Condition always = new Condition.Always();
        List<Finding> found = findings(template(
                number("fee").withRequired(always),
                number("pieces").withRequired(always),
                workedOut("fee / pieces", new FieldKind.Number(2, "", null, null))));
        assertThat(found)
                .extracting(Finding::message)
                .containsExactly(
                        "For some answers nothing is worked out, although all that it is worked out of is answered. “fee / pieces” gives nothing.");
        assertThat(Objects.requireNonNull(found.getFirst().example()).answers()).containsEntry("pieces", "0");
        Field some = Field.of("pieces", "pieces", new FieldKind.Number(0, "", new Bound(BigDecimal.ONE, true), null))
                .withRequired(always);
        assertThat(found(
                        number("fee").withRequired(always),
                        some,
                        workedOut("fee / pieces", new FieldKind.Number(2, "", null, null))))
                .isEmpty();
        // What says itself that it gives nothing is meant.
        assertThat(found(
                        number("fee").withRequired(always),
                        number("pieces").withRequired(always),
                        workedOut(
                                "if pieces = 0 then null else fee / pieces", new FieldKind.Number(2, "", null, null))))
                .isEmpty();
    }

    /** In rows, of the answers in a row and of those outside; one row stands for any. */
    @Test
    void aFormulaInRowsIsTriedInOneOfThem() {
        Condition always = new Condition.Always();
        FieldKind plain = new FieldKind.Number(2, "", null, new Bound(BigDecimal.valueOf(1_000), true));
        Section rows = Section.of(
                        "parts",
                        "Parts",
                        List.of(
                                number("pieces").withRequired(always),
                                number("extra"),
                                workedOut("fee / pieces", plain)))
                .withRows(new Section.Rows(0, 3));
        List<Finding> found = findings(template(number("fee").withRequired(always), rows));
        assertThat(found)
                .extracting(Finding::message)
                .containsExactlyInAnyOrder(
                        "For some answers nothing is worked out, although all that it is worked out of is answered. “fee / pieces” gives nothing.",
                        "For some answers 1000000 is worked out, which this field does not take (at most 1000), so that the document cannot be finished.");
        assertThat(found)
                .allSatisfy(finding -> assertThat(
                                Objects.requireNonNull(finding.example()).answers())
                        .containsKeys("parts", "pieces@r1", "fee"));
        Section left = Section.of(
                        "parts",
                        "Parts",
                        List.of(
                                number("pieces").withRequired(always),
                                number("extra"),
                                workedOut("pieces + extra", new FieldKind.Number(0, "", null, null))))
                .withRows(new Section.Rows(0, 3));
        assertThat(found(left))
                .containsExactly(
                        "Nothing is worked out while “extra” is blank, and nobody need answer there; require it, or say in the formula what comes of a blank.");
    }

    @Test
    void aValueWorkedOutThatItsFieldDoesNotTakeIsFound() {
        Field depth = Field.of("depth", "Depth", TO_200);
        List<Finding> found = findings(template(
                depth,
                workedOut(
                        "depth * 3", new FieldKind.Number(0, "EUR", null, new Bound(BigDecimal.valueOf(500), true)))));
        assertThat(found)
                .extracting(Finding::message)
                .containsExactly(
                        "For some answers 501 EUR is worked out, which this field does not take (at most 500 EUR), so that the document cannot be finished.");
        Finding beyond = found.getFirst();
        Template template = template(
                depth,
                workedOut("depth * 3", new FieldKind.Number(0, "EUR", null, new Bound(BigDecimal.valueOf(500), true))));
        var state = CompiledTemplate.compile(template)
                .evaluate(new Answers(Objects.requireNonNull(beyond.example()).answers()));
        assertThat(state.of("sum").problem()).isNotNull();
        assertThat(found(
                        depth,
                        workedOut(
                                "depth * 3",
                                new FieldKind.Number(0, "EUR", null, new Bound(BigDecimal.valueOf(600), true)))))
                .isEmpty();
    }

    @Test
    void anAnswerWithWhichNothingCanBeFinishedIsFound() {
        Field agreed = Field.of("agreed", "Agreed", new FieldKind.YesNo()).withShown(use("house"));
        Template plain = template(useField(), agreed);
        FinishRule rule = new FinishRule(
                new Clause.ChoiceClause("agreed", ChoiceTest.IS, List.of(FieldKind.YesNo.YES), null), "Agree first.");
        Template template = new Template(
                "T",
                "",
                plain.pages(),
                List.of(),
                List.of(),
                List.of(),
                List.of(rule),
                PageSettings.PLAIN,
                List.of(),
                List.of());
        List<Finding> found = findings(template);
        assertThat(found)
                .extracting(Finding::message)
                .containsExactly(
                        "Where “Use” is Field, the document can never be finished, whatever else is answered: “Agree first.”");
        assertThat(Objects.requireNonNull(found.getFirst().example()).answers()).containsEntry("use", "field");
        // A no is what the rule itself is about.
        Template always = new Template(
                "T",
                "",
                template(useField(), agreed.withShown(null)).pages(),
                List.of(),
                List.of(),
                List.of(),
                List.of(rule),
                PageSettings.PLAIN,
                List.of(),
                List.of());
        assertThat(findings(always)).isEmpty();
    }

    @Test
    void anAnswerAfterWhichNoneIsTakenIsFound() {
        Condition always = new Condition.Always();
        FieldKind tens = new FieldKind.Number(0, "m", new Bound(BigDecimal.TEN, true), null);
        FieldKind any = new FieldKind.Number(0, "m", new Bound(BigDecimal.ZERO, true), null);
        Check deeper = new Check(
                new Clause.Comparison("screen", OrderTest.MORE, new Clause.Operand.FieldOperand("depth"), null),
                "The screen is in the well.");
        Field screen = Field.of("screen", "Screen", tens).withRequired(always).withChecks(List.of(deeper));
        List<Finding> found = findings(template(Field.of("depth", "Depth", any), screen));
        assertThat(found)
                .extracting(Finding::key, Finding::message)
                .containsExactly(
                        tuple(
                                "screen",
                                "Where “Depth” is exactly 0 m or between 0 m and 10 m, an answer is required here and none is taken, so that the document cannot be finished."));
        assertThat(found(Field.of("depth", "Depth", tens), screen)).isEmpty();
        assertThat(found(Field.of("depth", "Depth", any), screen.withRequired(null)))
                .isEmpty();
    }

    /** A range whose sides are other answers is looked through, too. */
    @Test
    void aRangeBetweenTwoAnswersThatCannotBeIsFound() {
        Condition inside = new Clause.Between(
                "depth",
                false,
                new Clause.Operand.FieldOperand("top"),
                true,
                new Clause.Operand.FieldOperand("bottom"),
                true,
                null);
        Item top = Field.of("top", "Top", new FieldKind.Number(0, "m", new Bound(BigDecimal.valueOf(30), true), null));
        Item bottom = Field.of("bottom", "Bottom", METRES);
        assertThat(found(
                        depthField(),
                        top,
                        bottom,
                        text("screen", new Condition.All(List.of(inside, depth(OrderTest.LESS, "30"))))))
                .containsExactly("The condition for “shown” can never be met, whatever is answered.");
        assertThat(found(
                        depthField(),
                        top,
                        bottom,
                        text("screen", new Condition.All(List.of(inside, depth(OrderTest.AT_MOST, "30"))))))
                .isEmpty();
        // Where it is in the range, all three are answered.
        assertThat(found(
                        depthField(),
                        top,
                        bottom,
                        text("screen", new Condition.All(List.of(inside, new Clause.Answered("bottom"))))))
                .containsExactly(
                        "In the condition for “shown”, “Bottom is answered” never matters: the same is met without it.");
    }

    /** A score over a few answers is gone through, so that its conditions are looked through like any others. */
    @Test
    void aScoreThatNoAnswersReachIsFound() {
        Field peat = Field.of("peat", "Peat", new FieldKind.YesNo());
        Field dike = Field.of("dike", "Dike", new FieldKind.YesNo());
        Field grade = Field.of("grade", "Grade", new FieldKind.Rating(3));
        Field score = Field.of("score", "Score", new FieldKind.Number(0, "", null, null))
                .withValue(new FieldValue.WorkedOut(
                        "(if peat = true then 4 else 0) + (if dike = true then 2 else 0) + total([grade])", false));
        assertThat(found(peat, dike, grade, score, text("board", score(OrderTest.MORE, "9"))))
                .containsExactly("The condition for “shown” can never be met, whatever is answered.");
        List<Finding> fine =
                findings(template(peat, dike, grade, score, text("board", score(OrderTest.AT_LEAST, "9"))));
        assertThat(fine).isEmpty();
        assertThat(found(
                        peat,
                        dike,
                        grade,
                        score,
                        text(
                                "board",
                                new Condition.Written(
                                        "peat = true and dike = true and total([grade]) > 3 and score > 0"))))
                .as("a formula that looks at what is worked out")
                .containsExactly("The condition for “shown” can never be met, whatever is answered.");
        assertThat(found(peat, dike, grade, score, text("board", new Condition.Written("score * score > 100"))))
                .as("what does not follow the score one way is out of reach")
                .isEmpty();
        assertThat(found(peat, dike, text("board", new Condition.Written("peat = true and peat = false"))))
                .containsExactly("The condition for “shown” can never be met, whatever is answered.");
    }

    private static Condition score(OrderTest test, String to) {
        return new Clause.Comparison("score", test, new Clause.Operand.NumberOperand(new BigDecimal(to)), null);
    }

    @Test
    void aRequiredAnswerWithNothingToChooseFromSaysSo() {
        FieldKind wells = FieldKind.OneChoice.of(List.of(Choice.of("dug", "Dug")))
                .withOffer(new Offer("use", Map.of("house", List.of("dug"))));
        assertThat(found(useField(), Field.of("well", "Well", wells).withRequired(new Condition.Always())))
                .containsExactly(
                        "There is nothing to choose from where “Use” is Field, although an answer is required there; it is not asked for then.");
        assertThat(found(useField(), Field.of("well", "Well", wells).withRequired(use("house"))))
                .contains("There is nothing to choose from where “Use” is Field.");
    }

    @Test
    void anIndicatorThatShowsNothingForAChoiceIsFound() {
        Indicator house = new Indicator(
                "told",
                "Told",
                "use",
                List.of(),
                List.of(new Indicator.ChoiceSign("house", Sign.saying("For a house"))),
                null,
                null,
                Folding.PLAIN);
        List<Finding> found = findings(template(useField(), house));
        assertThat(found)
                .extracting(Finding::key, Finding::message)
                .containsExactly(tuple(
                        "told",
                        "Where “Use” is “Field”, nothing is shown here; say what is, or when the whole is folded."));
        Indicator both = new Indicator(
                "told",
                "Told",
                "use",
                List.of(),
                List.of(
                        new Indicator.ChoiceSign("house", Sign.saying("For a house")),
                        new Indicator.ChoiceSign("field", Sign.saying("For a field"))),
                null,
                null,
                Folding.PLAIN);
        assertThat(found(useField(), both)).isEmpty();
        Indicator folded =
                new Indicator("told", "Told", "use", List.of(), house.choices(), null, use("house"), Folding.PLAIN);
        assertThat(found(useField(), folded)).isEmpty();
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

    /** What is always met says nothing of what is shown; of what is required it says always. */
    @Test
    void whatIsMetWhateverIsAnsweredIsMendedByWhatItSays() {
        Condition always = new Condition.Any(List.of(new Clause.Answered("depth"), new Clause.IsBlank("depth")));
        Field note = Field.of("note", "Note", new FieldKind.Text("", 0));
        for (Field it : List.of(note.withShown(always), note.withEditable(always), note.withRequired(always))) {
            List<Finding> found = findings(template(depthField(), it));
            assertThat(found)
                    .singleElement()
                    .satisfies(finding -> assertThat(finding.message()).contains("is met whatever is answered"));
            Template mended = Editing.apply(
                    template(depthField(), it),
                    found.getFirst().mends().getFirst().edit());
            Field now = (Field) CompiledTemplate.compile(mended).node("note");
            assertThat(now.shown()).isNull();
            assertThat(now.editable()).isNull();
            assertThat(now.required()).isEqualTo(it.required() == null ? null : new Condition.Always());
        }
    }
}
