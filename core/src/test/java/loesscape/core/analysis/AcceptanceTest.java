package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Change;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.editing.TemplateIndex;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Aspect;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Findings that are meant: they stay quiet with their reason until what they are about changes. */
class AcceptanceTest {

    private static final String NEVER = "The condition for “shown” can never be met, whatever is answered.";

    private static Condition below(int to) {
        return new Clause.Comparison(
                "depth", OrderTest.LESS, new Clause.Operand.NumberOperand(BigDecimal.valueOf(to)), null);
    }

    private static final Template WELL = Template.of(
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
                                                    "depth",
                                                    "Depth",
                                                    new FieldKind.Number(
                                                            0, "m", new Bound(BigDecimal.TEN, true), null)),
                                            Field.of("casing", "Casing", new FieldKind.Text("", 0))
                                                    .withShown(below(5)),
                                            Field.of("cost", "Cost", new FieldKind.Number(0, "", null, null))
                                                    .withValue(new FieldValue.WorkedOut("depth * 3", false)))),
                            Section.of(
                                    "rest",
                                    "The rest",
                                    List.of(Field.of("note", "Note", new FieldKind.Text("", 0))))))));

    private static final Template ACCEPTED =
            Editing.apply(WELL, new Edit.AcceptFinding("casing", NEVER, " It comes next year. "));

    private static List<Finding> found(Template template) {
        return LogicFindings.of(EveryFilling.of(CompiledTemplate.compile(template), LocalDate.of(2026, 11, 1)));
    }

    private static List<String> reasons(Template template) {
        return found(template).stream()
                .filter(finding -> finding.message().equals(NEVER))
                .map(Finding::accepted)
                .toList();
    }

    @Test
    void whatIsAcceptedIsStillFoundAndSaysWhy() {
        assertThat(reasons(WELL)).containsExactly("");
        assertThat(reasons(ACCEPTED)).containsExactly("It comes next year.");
    }

    @Test
    void itStaysQuietWhileSomethingElseChanges() {
        Template other = Editing.apply(ACCEPTED, new Edit.Relabel("note", "Remark"));
        other = Editing.apply(other, new Edit.SetCondition(List.of("note"), List.of(Aspect.SHOWN), below(20)));
        other = Editing.apply(other, new Edit.SetFinish(List.of(new FinishRule(below(30), "Not so deep."))));
        assertThat(reasons(other)).containsExactly("It comes next year.");
    }

    @Test
    void itIsToldAgainOnceItsConditionChanges() {
        Template other =
                Editing.apply(ACCEPTED, new Edit.SetCondition(List.of("casing"), List.of(Aspect.SHOWN), below(6)));
        assertThat(reasons(other)).containsExactly("");
        Template back = Editing.apply(other, new Edit.SetCondition(List.of("casing"), List.of(Aspect.SHOWN), below(5)));
        assertThat(reasons(back)).containsExactly("It comes next year.");
    }

    @Test
    void itIsToldAgainOnceWhatItFollowsOrWhatHoldsItChanges() {
        FieldKind deeper = new FieldKind.Number(0, "m", new Bound(BigDecimal.valueOf(12), true), null);
        assertThat(reasons(Editing.apply(ACCEPTED, new Edit.SetKind("depth", deeper))))
                .containsExactly("");
        Condition answered = new Clause.Answered("note");
        Template held = Editing.apply(
                Editing.apply(ACCEPTED, new Edit.Move("rest", "page", null)),
                new Edit.SetCondition(List.of("well"), List.of(Aspect.SHOWN), answered));
        assertThat(reasons(held)).containsExactly("");
    }

    @Test
    void itIsToldAgainOnceSomethingItNamesChanges() {
        String message = "“Casing” says the same as “Note”.";
        Template told = Editing.apply(WELL, new Edit.AcceptFinding("casing", message, "Meant."));
        Template other = Editing.apply(told, new Edit.SetCondition(List.of("note"), List.of(Aspect.SHOWN), below(20)));
        Finding found = new Finding(FindingTopic.CONTENT, "casing", message);
        assertThat(Acceptance.marked(PreparedTemplate.of(told), List.of(found)))
                .extracting(Finding::accepted)
                .containsExactly("Meant.");
        assertThat(Acceptance.marked(PreparedTemplate.of(other), List.of(found)))
                .extracting(Finding::accepted)
                .containsExactly("");
    }

    @Test
    void itIsToldAgainOnceASharedConditionSaysSomethingElse() {
        Template shared = Editing.apply(
                WELL,
                new Edit.SetCondition(
                        List.of("casing", "note"),
                        List.of(Aspect.SHOWN),
                        new Condition.All(List.of(below(5), below(4)))));
        shared = Editing.apply(shared, new Edit.Extract("casing", Aspect.SHOWN, "Shallow"));
        String key = shared.conditions().getFirst().key();
        shared = Editing.apply(shared, new Edit.AcceptFinding("casing", NEVER, "Meant."));
        assertThat(reasons(shared)).contains("Meant.");
        Template other = Editing.apply(shared, new Edit.SetShared(key, "Shallow", below(3)));
        assertThat(reasons(other)).isNotEmpty().doesNotContain("Meant.");
    }

    @Test
    void renamedKeysAreTheSameThing() {
        Template renamed = Editing.apply(
                Editing.apply(ACCEPTED, new Edit.RenameKey("casing", "tube")), new Edit.RenameKey("depth", "deep"));
        assertThat(reasons(renamed)).containsExactly("It comes next year.");
        String cost = "Something about the cost.";
        Template told = Editing.apply(WELL, new Edit.AcceptFinding("cost", cost, "Meant."));
        Template anew = Editing.apply(told, new Edit.RenameKey("depth", "deep"));
        List<Finding> marked =
                Acceptance.marked(PreparedTemplate.of(anew), List.of(new Finding(FindingTopic.CONTENT, "cost", cost)));
        assertThat(marked.getFirst().accepted()).isEqualTo("Meant.");
    }

    @Test
    void itGoesWithItsItemAndComesBackWithIt() {
        Template gone = Editing.apply(ACCEPTED, new Edit.Delete(List.of("casing"), false));
        assertThat(gone.accepted()).isEmpty();
        Change change = Change.between(TemplateIndex.of(ACCEPTED), TemplateIndex.of(gone));
        assertThat(reasons(change.reversed().applyTo(gone))).containsExactly("It comes next year.");
    }

    @Test
    void itIsTakenBackWithoutAReason() {
        Template back = Editing.apply(ACCEPTED, new Edit.AcceptFinding("casing", NEVER, "  "));
        assertThat(back).isEqualTo(WELL);
    }

    @Test
    void whatNoLongerStandsForAnythingIsPutAway() {
        Template changed =
                Editing.apply(ACCEPTED, new Edit.SetCondition(List.of("casing"), List.of(Aspect.SHOWN), below(6)));
        Template anew = Editing.apply(changed, new Edit.AcceptFinding("casing", "Something else.", "Meant too."));
        assertThat(anew.accepted()).hasSize(1);
        Template both = Editing.apply(ACCEPTED, new Edit.AcceptFinding("casing", "Something else.", "Meant too."));
        assertThat(both.accepted()).hasSize(2);
    }

    @Test
    void whatIsAboutTheDocumentHangsOnItsRolesAndConditions() {
        Template told = Editing.apply(WELL, new Edit.AcceptFinding("", "Something.", "Meant."));
        Finding something = new Finding(FindingTopic.CONTENT, "", "Something.", true);
        assertThat(Acceptance.marked(PreparedTemplate.of(told), List.of(something)))
                .singleElement()
                .satisfies(finding -> {
                    assertThat(finding.accepted()).isEqualTo("Meant.");
                    assertThat(finding.holdsUp()).isFalse();
                });
        Template other = Editing.apply(told, new Edit.SetFinish(List.of(new FinishRule(below(30), "Not so deep."))));
        assertThat(Acceptance.marked(PreparedTemplate.of(other), List.of(something)))
                .allMatch(Finding::holdsUp);
    }

    @ParameterizedTest
    @CsvSource({"gone, Found., Meant., gone", "casing, '', Meant., Say what was found."})
    void whatCannotBeAcceptedIsRefused(String key, String message, String reason, String said) {
        assertThatThrownBy(() -> Editing.apply(WELL, new Edit.AcceptFinding(key, message, reason)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(said);
    }
}
