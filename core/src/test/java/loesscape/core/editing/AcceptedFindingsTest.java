package loesscape.core.editing;

import static loesscape.core.testing.Documents.text;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import loesscape.core.model.AcceptedFinding;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Expectation;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.testing.Documents;
import loesscape.core.wording.Subject;
import org.junit.jupiter.api.Test;

/** What was found and is meant, and what is tried, through edits of what it is about. */
class AcceptedFindingsTest {

    private static final Template TEMPLATE =
            Documents.of(text("x"), text("y").withShown(new Clause.Answered("x")), text("z"));

    private static Template accept(Template template, String key, String message, String reason) {
        return Editing.apply(template, new Edit.AcceptFinding(key, message, reason));
    }

    private static List<String> told(Template template) {
        return template.accepted().stream()
                .map(it -> it.key() + ": " + it.message() + " (" + it.reason() + ")")
                .toList();
    }

    private static boolean stands(Template template, AcceptedFinding finding) {
        return finding.about()
                .equals(new Subject(PreparedTemplate.of(template)).fingerprint(finding.key(), finding.message()));
    }

    @Test
    void aReasonTakesThePlaceOfAnEarlierOneAndNoneTakesItAway() {
        Template once = accept(accept(TEMPLATE, "y", "Odd.", " Meant. "), "z", "Odd.", "So too.");
        assertThat(told(once)).containsExactly("y: Odd. (Meant.)", "z: Odd. (So too.)");
        Template again = accept(once, "y", "Odd.", "Meant indeed.");
        assertThat(told(again)).containsExactly("z: Odd. (So too.)", "y: Odd. (Meant indeed.)");
        Template twice = accept(again, "y", "Rare.", "As it should be.");
        assertThat(told(twice))
                .containsExactly("z: Odd. (So too.)", "y: Odd. (Meant indeed.)", "y: Rare. (As it should be.)");
        assertThat(told(accept(twice, "y", "Odd.", " ")))
                .containsExactly("z: Odd. (So too.)", "y: Rare. (As it should be.)");
    }

    @Test
    void whatIsAboutTheWholeHasNoKeyAndOtherKeysHaveToBeThere() {
        Template whole = accept(TEMPLATE, "", "Nobody signs.", "It is a note.");
        assertThat(told(whole)).containsExactly(": Nobody signs. (It is a note.)");
        assertThat(told(Editing.apply(whole, new Edit.Delete(List.of("z"), false))))
                .hasSize(1);
        assertThat(told(Editing.apply(whole, new Edit.RenameKey("z", "w")))).hasSize(1);
        assertThatThrownBy(() -> accept(TEMPLATE, "nowhere", "Odd.", "Meant.")).isInstanceOf(Refusal.class);
    }

    @Test
    void whatNoLongerStandsGivesWayToWhatIsAcceptedOfTheSamePlace() {
        Template accepted = accept(accept(TEMPLATE, "y", "Odd.", "Meant."), "z", "Odd.", "Meant.");
        Template changed = Editing.apply(
                accepted, new Edit.SetCondition(List.of("y"), List.of(Aspect.SHOWN), new Clause.IsBlank("x")));
        assertThat(stands(changed, changed.accepted().getFirst())).isFalse();
        assertThat(told(accept(changed, "y", "Rare.", "Meant.")))
                .containsExactly("z: Odd. (Meant.)", "y: Rare. (Meant.)");
    }

    @Test
    void otherKeysAreTakenOverAndWhatIsGoneIsGone() {
        Template accepted = accept(accept(TEMPLATE, "y", "Odd.", "Meant."), "z", "Odd.", "Meant.");
        Template renamed = Editing.apply(accepted, new Edit.RenameKey("y", "w"));
        assertThat(told(renamed)).containsExactly("w: Odd. (Meant.)", "z: Odd. (Meant.)");
        assertThat(renamed.accepted()).allMatch(it -> stands(renamed, it));
        assertThat(Editing.apply(renamed, new Edit.RenameKey("w", "y"))).isEqualTo(accepted);
        Template source = Editing.apply(accepted, new Edit.RenameKey("x", "w"));
        assertThat(source.accepted()).hasSize(2).allMatch(it -> stands(source, it));
        assertThat(told(Editing.apply(accepted, new Edit.Delete(List.of("y"), false))))
                .containsExactly("z: Odd. (Meant.)");
    }

    @Test
    void whatNoLongerStoodBeforeARenameDoesNotStandAfterIt() {
        Template accepted = accept(TEMPLATE, "y", "Odd.", "Meant.");
        Template changed = Editing.apply(
                accepted, new Edit.SetCondition(List.of("y"), List.of(Aspect.SHOWN), new Clause.IsBlank("x")));
        Template renamed = Editing.apply(changed, new Edit.RenameKey("x", "w"));
        assertThat(stands(renamed, renamed.accepted().getFirst())).isFalse();
    }

    @Test
    void trialsAnswerUnderOtherKeysAndExpectNothingOfWhatIsGone() {
        Template rows = Documents.of(text("x"), Documents.rows("r", 0, 5, text("m")));
        Trial trial = new Trial(
                "Dry",
                Map.of("x", "1", "r", "r1", "m@r1", "2"),
                Stage.FILLING,
                "",
                null,
                List.of(
                        new Expectation.Is("x", Aspect.SHOWN, true),
                        new Expectation.Counts("m@r1", "2"),
                        new Expectation.Finishes(true)));
        Template tried = Editing.apply(rows, new Edit.PutTrials(List.of(trial)));
        Trial renamed =
                Editing.apply(tried, new Edit.RenameKey("m", "n")).trials().getFirst();
        assertThat(renamed.answers()).containsOnlyKeys("x", "r", "n@r1");
        assertThat(renamed.expected())
                .isEqualTo(List.of(
                        new Expectation.Is("x", Aspect.SHOWN, true),
                        new Expectation.Counts("n@r1", "2"),
                        new Expectation.Finishes(true)));
        Trial less = Editing.apply(tried, new Edit.Delete(List.of("m"), false))
                .trials()
                .getFirst();
        assertThat(less.expected())
                .isEqualTo(List.of(new Expectation.Is("x", Aspect.SHOWN, true), new Expectation.Finishes(true)));
        assertThat(Editing.apply(tried, new Edit.RemoveTrial("Dry")).trials()).isEmpty();
    }

    @Test
    void aConditionOfSeveralPlacesIsSharedAndOneOfOnePlaceIsNot() {
        Condition asked = new Clause.Answered("x");
        Template one = Editing.apply(
                Documents.of(text("x"), text("y"), text("z")),
                new Edit.SetCondition(List.of("y"), List.of(Aspect.SHOWN), asked));
        assertThat(one.conditions()).isEmpty();
        Template two = Editing.apply(
                Documents.of(text("x"), text("y"), text("z")),
                new Edit.SetCondition(List.of("y", "z"), List.of(Aspect.SHOWN), asked));
        assertThat(two.conditions()).hasSize(1);
        assertThat(two.conditions().getFirst().condition()).isEqualTo(asked);
        Template both = Editing.apply(
                Documents.of(text("x"), text("y"), text("z")),
                new Edit.SetCondition(List.of("y"), List.of(Aspect.SHOWN, Aspect.REQUIRED), asked));
        assertThat(both.conditions()).hasSize(1);
    }
}
