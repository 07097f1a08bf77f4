package loesscape.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.testing.Cases;
import loesscape.core.testing.Documents;
import loesscape.core.testing.RandomTemplates;
import loesscape.core.trial.SuggestedTrials.SuggestedTrial;
import loesscape.core.trial.TrialCoverage.TriedClause;
import loesscape.core.trial.TrialCoverage.TriedEdge;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What trials have tried, against tables worked out by hand. */
class TrialCoverageTest {

    private static final LocalDate TODAY = LocalDate.of(2028, 2, 28);

    private static Condition yes(String field) {
        return new Clause.ChoiceClause(field, ChoiceTest.IS, List.of("yes"), null);
    }

    /** A or (B and C), the decision of the table. */
    private static Template table() {
        List<Item> items = new ArrayList<>();
        for (String key : List.of("a", "b", "c")) {
            items.add(Field.of(key, key.toUpperCase(Locale.ROOT), new FieldKind.YesNo()));
        }
        items.add(Field.of("d", "D", new FieldKind.Text("", 0))
                .withShown(new Condition.Any(List.of(yes("a"), new Condition.All(List.of(yes("b"), yes("c")))))));
        return Template.of("Table", List.of(new Page("p", "", null, List.of(Section.of("s", "S", items)))));
    }

    private static TrialCoverage covered(Template template, List<Map<String, String>> tried) {
        Template with = template;
        for (Map<String, String> answers : tried) {
            with = Editing.apply(
                    with,
                    new Edit.PutTrials(List.of(Trial.of("Trial " + with.trials().size(), answers))));
        }
        return TrialCoverage.of(CompiledTemplate.compile(with), TODAY);
    }

    private static Map<String, String> row(String truth) {
        return Map.of(
                "a", truth.charAt(0) == 'T' ? "yes" : "no",
                "b", truth.charAt(1) == 'T' ? "yes" : "no",
                "c", truth.charAt(2) == 'T' ? "yes" : "no");
    }

    /**
     * A or (B and C), as in modified condition/decision testing of ISO/IEC/IEEE 29119-4 (the table is worked out by hand): A
     * decides where B and C are not both true; B where A is false and C true; C where A is false and B true. The last row of
     * each case says what was tried: met, not met, decided met, decided not met of A, B and C.
     */
    @ParameterizedTest
    @CsvSource({
        // One row: A is met and decides, B and C are not met; they decide nothing while A is true.
        "TFF, 1010 0100 0100",
        // All true: A is met, but B and C would do without it; neither do they decide, for A does.
        "TTT, 1000 1000 1000",
        // B and C decide where A is false and both are true; A is not met, and would not change anything.
        "FTT, 0100 1010 1010",
        // A and B decide not met; C is met and B false, so it decides nothing.
        "FFT, 0101 0101 1000",
        // n + 1 rows are enough for n clauses.
        "TFT FFT FTT FTF, 1111 1111 1111",
        // Every clause both ways, and yet C never decided where it is not met.
        "TTF FFT FTT, 1111 1111 1110",
        "TTT FFF, 1101 1100 1100",
    })
    void whatRowsOfTheTableTry(String rows, String expected) {
        List<String> told =
                covered(
                                table(),
                                List.of(rows.split(" ")).stream()
                                        .map(TrialCoverageTest::row)
                                        .toList())
                        .clauses()
                        .stream()
                        .map(each -> bit(each.isMet())
                                + bit(each.isNotMet())
                                + bit(each.decidesMet())
                                + bit(each.decidesNotMet()))
                        .toList();
        assertThat(told).containsExactly(expected.split(" "));
    }

    private static String bit(boolean is) {
        return is ? "1" : "0";
    }

    @Test
    void whatIsFoldedWithItsSectionIsNotTried() {
        Template template = Template.of(
                "Folded",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(
                                Section.of("s", "S", List.of(Field.of("a", "A", new FieldKind.YesNo()))),
                                Section.of(
                                                "t",
                                                "T",
                                                List.of(Field.of("d", "D", new FieldKind.Text("", 0))
                                                        .withShown(yes("a"))
                                                        .withRequired(yes("a"))))
                                        .withShown(new Clause.Answered("a"))))));
        assertThat(covered(template, List.of(Map.of())).clauses())
                .extracting(TriedClause::key, TriedClause::what, TriedClause::isMet, TriedClause::isNotMet)
                .containsExactly(
                        tuple("t", "shown", false, true),
                        tuple("d", "shown", false, false),
                        tuple("d", "required", false, false));
        // What is required is asked only where the field is shown.
        assertThat(covered(template, List.of(Map.of("a", "no"))).clauses())
                .extracting(TriedClause::key, TriedClause::what, TriedClause::isMet, TriedClause::isNotMet)
                .containsExactly(
                        tuple("t", "shown", true, false),
                        tuple("d", "shown", false, true),
                        tuple("d", "required", false, false));
    }

    @Test
    void edgesAreTriedExactlyAndEachOnce() {
        Condition deep = new Clause.Between(
                "depth",
                false,
                new Operand.NumberOperand(new BigDecimal("30.0")),
                true,
                new Operand.NumberOperand(new BigDecimal("100")),
                false,
                null);
        Template template = Template.of(
                "Edges",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "S",
                                List.of(
                                        Field.of("depth", "Depth", new FieldKind.Number(1, "m", null, null)),
                                        Field.of("casing", "Casing", new FieldKind.Text("", 0))
                                                .withShown(deep)
                                                .withRequired(new Clause.Comparison(
                                                        "depth",
                                                        OrderTest.MORE,
                                                        new Operand.NumberOperand(new BigDecimal("30")),
                                                        null))))))));
        TrialCoverage coverage = covered(template, List.of(Map.of("depth", "30"), Map.of("depth", "99.9")));
        assertThat(coverage.edges())
                .extracting(TriedEdge::field, TriedEdge::edge, TriedEdge::isTried)
                .containsExactly(tuple("depth", "30 m", true), tuple("depth", "100 m", false));
        assertThat(coverage.exactly()).isEqualTo(1);
        assertThat(coverage.bothWays()).isEqualTo(1);
        assertThat(coverage.deciding()).isEqualTo(1);
    }

    @Test
    void rowsTryTheirClausesTogether() {
        Template template = Template.of(
                "Rows",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                        "layers",
                                        "Layers",
                                        List.of(
                                                Field.of("wet", "Wet", new FieldKind.YesNo()),
                                                Field.of("why", "Why", new FieldKind.Text("", 0))
                                                        .withShown(yes("wet"))))
                                .withRows(new Section.Rows(0, 5))))));
        assertThat(covered(template, List.of(Map.of("layers", "r1,r2", "wet@r1", "yes", "wet@r2", "no")))
                        .deciding())
                .isEqualTo(1);
        assertThat(covered(template, List.of(Map.of())).bothWays()).isZero();
    }

    private static TrialCoverage withSuggested(Template template) {
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        Template with = template;
        for (SuggestedTrial each :
                SuggestedTrials.of(EveryFilling.of(compiled, TODAY), TODAY).trials()) {
            with = Editing.apply(with, new Edit.PutTrials(List.of(each.trial())));
        }
        assertThat(TrialRun.of(CompiledTemplate.compile(with), TODAY)).allMatch(TrialOutcome::isPassed);
        return TrialCoverage.of(CompiledTemplate.compile(with), TODAY);
    }

    @Test
    void fourTrialsAreSuggestedForThreeClauses() {
        CompiledTemplate compiled = CompiledTemplate.compile(table());
        List<SuggestedTrial> suggested =
                SuggestedTrials.of(EveryFilling.of(compiled, TODAY), TODAY).trials();
        assertThat(suggested).hasSize(4).allMatch(each -> !each.tries().isEmpty());
        // Each clause met and not met, and each time said which.
        assertThat(suggested.stream().flatMap(each -> each.tries().stream()))
                .hasSize(6)
                .doesNotHaveDuplicates()
                .allMatch(words -> words.endsWith(" met decides"));
        assertThat(withSuggested(table()).deciding()).isEqualTo(3);
    }

    /** Required in the same case as shown: where it is shown, it is required. */
    @Test
    void whatCanNeverComeAboutIsSaidAndNotSuggested() {
        Template template = Template.of(
                "Twice",
                List.of(new Page(
                        "p",
                        "",
                        null,
                        List.of(Section.of(
                                "s",
                                "S",
                                List.of(
                                        Field.of("a", "A", new FieldKind.YesNo()),
                                        Field.of("d", "D", new FieldKind.Text("", 0))
                                                .withShown(yes("a"))
                                                .withRequired(yes("a"))))))));
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        SuggestedTrials.Suggestions suggested = SuggestedTrials.of(EveryFilling.of(compiled, TODAY), TODAY);
        assertThat(suggested.impossible()).containsExactly("D, required: “A is Yes” not met decides");
        assertThat(suggested.trials()).isNotEmpty();
    }

    /** A template takes only so many; what is suggested stops before that. */
    @Test
    void noMoreIsSuggestedThanATemplateTakes() {
        List<Trial> full = new ArrayList<>();
        for (int i = 0; i < Trial.MOST - 1; i++) {
            full.add(Trial.of("Trial " + i, Map.of()));
        }
        CompiledTemplate compiled = CompiledTemplate.compile(Editing.apply(table(), new Edit.PutTrials(full)));
        SuggestedTrials.Suggestions suggested = SuggestedTrials.of(EveryFilling.of(compiled, TODAY), TODAY);
        assertThat(suggested.trials()).hasSize(1);
        assertThat(suggested.isWhole()).isFalse();
        assertThat(SuggestedTrials.of(EveryFilling.of(CompiledTemplate.compile(table()), TODAY), TODAY)
                        .isWhole())
                .isTrue();
    }

    @Test
    void nothingIsSuggestedThatWasTried() {
        Template template = table();
        for (String row : List.of("TFT", "FFT", "FTT", "FTF")) {
            template = Editing.apply(template, new Edit.PutTrials(List.of(Trial.of(row, row(row)))));
        }
        assertThat(SuggestedTrials.of(EveryFilling.of(CompiledTemplate.compile(template), TODAY), TODAY)
                        .trials())
                .isEmpty();
    }

    /** Whatever can be tried at all is tried by what is suggested. */
    @Test
    void whatIsSuggestedTriesAllThatCanBe() {
        Cases.check("suggested trials", 40, (random, size) -> {
            // Edited once, so that shared conditions without a name are tidied up as every edit does.
            Template template =
                    Editing.apply(RandomTemplates.template(random, Math.min(size, 12)), new Edit.Retitle("Tidied", ""));
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            EveryFilling every = EveryFilling.of(compiled, TODAY);
            TrialCoverage coverage = withSuggested(template);
            List<StandingClause> clauses = StandingClause.of(compiled.prepared());
            for (int i = 0; i < clauses.size(); i++) {
                StandingClause clause = clauses.get(i);
                for (boolean met : new boolean[] {true, false}) {
                    boolean isTried = met
                            ? coverage.clauses().get(i).decidesMet()
                            : coverage.clauses().get(i).decidesNotMet();
                    List<Claim> claims = new ArrayList<>();
                    if (!clause.key().isEmpty()) {
                        claims.add(
                                clause.what().equals("shown")
                                        ? new Claim.Stands(clause.key())
                                        : new Claim.Shows(clause.key(), true));
                    }
                    claims.add(new Claim.Meets(clause.leaf(), clause.within(), met));
                    claims.add(new Claim.Differ(clause.ifMet(), clause.ifNotMet(), clause.within()));
                    if (every.decide(claims) instanceof Decision.Possible) {
                        assertThat(isTried)
                                .as("%s met %s in %s", clause, met, template)
                                .isTrue();
                    }
                }
            }
        });
    }

    /** Clauses stand in shared conditions, in roles and in what has to hold at the end too. */
    @Test
    void clausesOfTheWholeDocumentAreTriedToo() {
        Template template = Documents.finishing(
                Documents.forRoles(
                        Documents.sharing(
                                Documents.of(
                                        Documents.yesNo("a"),
                                        Documents.yesNo("b"),
                                        Documents.text("d").withShown(new Condition.Shared("both"))),
                                new SharedCondition("both", "Both", new Condition.All(List.of(yes("a"), yes("b"))))),
                        new Role("witness", "Witness", 1, yes("b"))),
                new FinishRule(yes("a"), "A has to be so."));
        assertThat(covered(template, List.of(Map.of("a", "yes", "b", "no"))).clauses())
                .extracting(TriedClause::key, TriedClause::what, TriedClause::isMet, TriedClause::isNotMet)
                .containsExactly(
                        tuple("d", "shown", false, true),
                        tuple("", "Both", true, false),
                        tuple("", "Both", false, true),
                        tuple("", "Witness takes part", false, true),
                        tuple("", "can be finished", true, false));
    }
}
