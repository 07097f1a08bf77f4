package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.tuple;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Aspect;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;

/** Edits on a small document: a purpose, a section that follows it, and fields that follow each other. */
class EditingTest {

    private static final FieldKind PURPOSES =
            FieldKind.OneChoice.of(List.of(Choice.of("household", "Household"), Choice.of("irrigation", "Irrigation")));
    private static final Clause IRRIGATION =
            new Clause.ChoiceClause("purpose", ChoiceTest.IS, List.of("irrigation"), null);
    private static final FieldKind NUMBER = new FieldKind.Number(1, "ha", null, null);

    private final Template permit = Template.of(
            "Permit",
            List.of(new Page(
                    "page",
                    "",
                    null,
                    List.of(
                            Section.of("start", "Start", List.of(field("purpose", PURPOSES))),
                            Section.of(
                                            "water",
                                            "Water",
                                            List.of(
                                                    field("area", NUMBER),
                                                    field("plan", new FieldKind.Text("", 0))
                                                            .withShown(new Clause.Answered("area"))))
                                    .withShown(IRRIGATION)))));

    @Test
    void aRenamedChoiceKeepsItsFollowers() {
        Template after = Editing.apply(permit, new Edit.RelabelChoice("purpose", "irrigation", "Watering of fields"));
        assertThat(section(after, "water").shown()).isEqualTo(IRRIGATION);
        assertThat(((FieldKind.OneChoice) field(after, "purpose").kind())
                        .choices()
                        .get(1)
                        .label())
                .isEqualTo("Watering of fields");
    }

    @Test
    void aRenamedKeyIsChangedEverywhere() {
        Template after = Editing.apply(permit, new Edit.RenameKey("purpose", "use"));
        assertThat(section(after, "water").shown())
                .isEqualTo(new Clause.ChoiceClause("use", ChoiceTest.IS, List.of("irrigation"), null));
        assertThatThrownBy(() -> Editing.apply(permit, new Edit.RenameKey("purpose", "area")))
                .isInstanceOf(Refusal.class)
                .hasMessage("The key “area” is already used by “area”.");
        assertThatThrownBy(() -> Editing.apply(permit, new Edit.RenameKey("purpose", "Not a key")))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void aRenamedKeyIsChangedInFormulasAndOnTheOtherSideOfComparisons() {
        Template formula = Editing.apply(
                permit,
                new Edit.SetCondition(
                        List.of("plan"),
                        List.of(Aspect.SHOWN),
                        new Condition.Written("area > 3 and count([1][item > area]) = 0")));
        assertThat(field(Editing.apply(formula, new Edit.RenameKey("area", "size")), "plan")
                        .shown())
                .isEqualTo(new Condition.Written("size > 3 and count([1][item > size]) = 0"));
        Template other = Editing.apply(
                Editing.apply(permit, new Edit.Add(Edit.Novelty.NUMBER, "Limit", "start", null)),
                new Edit.SetCondition(
                        List.of("plan"),
                        List.of(Aspect.SHOWN),
                        new Clause.Comparison(
                                "area",
                                Clause.Comparison.OrderTest.MORE,
                                new Clause.Operand.FieldOperand("limit"),
                                null)));
        assertThat(Editing.apply(other, new Edit.RenameKey("limit", "most")).toString())
                .doesNotContain("limit");
        assertThatThrownBy(() -> Editing.apply(other, new Edit.Delete(List.of("limit"), false)))
                .isInstanceOf(Refusal.class);
        assertThat(field(Editing.apply(other, new Edit.Delete(List.of("limit"), true)), "plan")
                        .shown())
                .isNull();
    }

    @Test
    void aConditionOfManyIsOneSharedThingAndAgainThatOfOneWhenOneIsLeft() {
        Condition when = new Clause.Answered("purpose");
        Template both = Editing.apply(
                permit, new Edit.SetCondition(List.of("area", "plan"), List.of(Aspect.SHOWN, Aspect.REQUIRED), when));
        assertThat(both.conditions()).containsExactly(new SharedCondition("condition_1", "", when));
        Condition use = new Condition.Shared("condition_1");
        assertThat(field(both, "area").shown()).isEqualTo(use);
        assertThat(field(both, "plan").required()).isEqualTo(use);
        Template one = Editing.apply(
                both, new Edit.SetCondition(List.of("plan"), List.of(Aspect.SHOWN, Aspect.REQUIRED), null));
        one = Editing.apply(one, new Edit.SetCondition(List.of("area"), List.of(Aspect.REQUIRED), null));
        assertThat(one.conditions()).isEmpty();
        assertThat(field(one, "area").shown()).isEqualTo(when);
    }

    @Test
    void oneWithoutANameThatAnotherWithoutANameUsesIsWrittenOutThroughBoth() {
        Condition when = new Clause.Answered("purpose");
        Page page = permit.pages().getFirst();
        Section water = section(permit, "water").withShown(new Condition.Shared("second"));
        Template chained = new Template(
                "Permit",
                "",
                List.of(new Page(page.key(), "", null, List.of(page.sections().getFirst(), water))),
                List.of(),
                List.of(
                        new SharedCondition("first", "", when),
                        new SharedCondition("second", "", new Condition.Shared("first"))),
                List.of(),
                List.of(),
                permit.pageSettings(),
                List.of(),
                List.of());
        Template after = Editing.apply(chained, new Edit.Relabel("area", "Acreage"));
        assertThat(after.conditions()).isEmpty();
        assertThat(section(after, "water").shown()).isEqualTo(when);
    }

    @Test
    void aSharedConditionIsTakenOutOfEveryPlaceAndWrittenOutAgain() {
        Template named = Editing.apply(permit, new Edit.Extract("water", Aspect.SHOWN, "Watering"));
        assertThat(named.conditions()).containsExactly(new SharedCondition("watering", "Watering", IRRIGATION));
        assertThat(section(named, "water").shown()).isEqualTo(new Condition.Shared("watering"));
        Template formula = Editing.apply(
                named,
                new Edit.SetCondition(
                        List.of("plan"), List.of(Aspect.REQUIRED), new Condition.Written("watering and area > 3")));
        assertThatThrownBy(() -> Editing.apply(formula, new Edit.Inline("watering")))
                .hasMessageContaining("Formulas use “Watering” by its name");
        assertThatThrownBy(() -> Editing.apply(formula, new Edit.RemoveShared("watering", false)))
                .hasMessageContaining("“Watering” is used");
        assertThat(Editing.apply(named, new Edit.Inline("watering"))).isEqualTo(permit);
    }

    @Test
    void aSharedConditionThatIsGivenANameGetsItsKeyFromIt() {
        Template both = Editing.apply(
                permit,
                new Edit.SetCondition(
                        List.of("plan"), List.of(Aspect.SHOWN, Aspect.REQUIRED), new Clause.Answered("area")));
        Template named =
                Editing.apply(both, new Edit.SetShared("condition_1", "Has an area", new Clause.Answered("purpose")));
        assertThat(named.conditions())
                .containsExactly(new SharedCondition("has_an_area", "Has an area", new Clause.Answered("purpose")));
        assertThat(field(named, "plan").required()).isEqualTo(new Condition.Shared("has_an_area"));
    }

    @Test
    void aCopiedSectionFollowsItselfThroughSharedConditionsToo() {
        Template shared = Editing.apply(
                permit,
                new Edit.SetCondition(
                        List.of("plan"), List.of(Aspect.SHOWN, Aspect.REQUIRED), new Clause.Answered("area")));
        shared = Editing.apply(shared, new Edit.Extract("plan", Aspect.SHOWN, "Has an area"));
        Template after = Editing.apply(shared, new Edit.Duplicate(List.of("water"), null, null));
        assertThat(field(after, "plan_2").shown()).isEqualTo(new Condition.Shared("has_an_area_2"));
        assertThat(after.conditions())
                .contains(new SharedCondition("has_an_area_2", "Has an area (copy)", new Clause.Answered("area_2")));
        assertThat(section(after, "water_2").shown()).isEqualTo(IRRIGATION);
    }

    @Test
    void logicIsCopiedToManyAndSharedWithThem() {
        Template noted = Editing.apply(permit, new Edit.Add(Edit.Novelty.NOTICE, "Notes", "water", "plan"));
        Template after = Editing.apply(noted, new Edit.CopyLogic("plan", List.of("notes")));
        assertThat(after.conditions())
                .containsExactly(new SharedCondition("condition_1", "", new Clause.Answered("area")));
        assertThat(after.nodes())
                .filteredOn(node -> new Condition.Shared("condition_1").equals(node.shown()))
                .hasSize(2);
    }

    @Test
    void oneChoiceBecomesSeveralAndBackWithWhatFollows() {
        FieldKind several = FieldKind.SeveralChoices.of(List.of());
        Template after = Editing.apply(permit, new Edit.SetKind("purpose", several));
        assertThat(section(after, "water").shown())
                .isEqualTo(new Clause.SetClause(
                        "purpose", Clause.SetClause.SetTest.INCLUDES, List.of("irrigation"), null));
        assertThat(Editing.apply(after, new Edit.SetKind("purpose", PURPOSES))).isEqualTo(permit);
    }

    @Test
    void whatIsWorkedOutOfRowsIsRenamedWithThemAndDroppedWithThem() {
        Template rows = Editing.apply(permit, new Edit.SetCondition(List.of("water"), List.of(Aspect.SHOWN), null));
        rows = Editing.apply(rows, new Edit.SetRows("water", new Section.Rows(1, 9)));
        rows = Editing.apply(rows, new Edit.Add(Edit.Novelty.WORKED_OUT, "Total", "start", "purpose"));
        rows = Editing.apply(
                rows, new Edit.SetValue("total", new FieldValue.WorkedOut("sum(water.area[item != null])", false)));
        Template renamed = Editing.apply(
                Editing.apply(rows, new Edit.RenameKey("area", "size")), new Edit.RenameKey("water", "plots"));
        assertThat(field(renamed, "total").value())
                .isEqualTo(new FieldValue.WorkedOut("sum(plots.size[item != null])", false));
        Template with = rows;
        Refusal refusal =
                catchThrowableOfType(Refusal.class, () -> Editing.apply(with, new Edit.Delete(List.of("area"), false)));
        assertThat(refusal.followers()).contains(new Refusal.Follower("total", "Total", "value"));
        assertThat(field(Editing.apply(rows, new Edit.Delete(List.of("area"), true)), "total")
                        .value())
                .isNull();
    }

    @Test
    void aRemovedChoiceIsTakenOutOfOffersAndIndicators() {
        Template towns = Editing.apply(permit, new Edit.Add(Edit.Novelty.ONE_CHOICE, "Town", "start", "purpose"));
        towns = Editing.apply(
                towns,
                new Edit.SetOffer("town", new Offer("purpose", Map.of("irrigation", List.of("first", "second")))));
        assertThatThrownBy(() -> Editing.apply(permit, new Edit.RemoveChoice("purpose", "irrigation", false)))
                .isInstanceOf(Refusal.class);
        Template without = Editing.apply(towns, new Edit.RemoveChoice("town", "first", true));
        assertThat(((FieldKind.OneChoice) field(without, "town").kind()).offer())
                .isEqualTo(new Offer("purpose", Map.of("irrigation", List.of("second"))));
    }

    @Test
    void aFieldThatOthersFollowIsDeletedOnlyWithTheirConditions() {
        Refusal refusal = catchThrowableOfType(
                Refusal.class, () -> Editing.apply(permit, new Edit.Delete(List.of("purpose"), false)));
        assertThat(refusal.followers()).containsExactly(new Refusal.Follower("water", "Water", "shown"));
        Template after = Editing.apply(permit, new Edit.Delete(List.of("purpose"), true));
        assertThat(section(after, "water").shown()).isNull();
        assertThat(after.fields()).extracting(Field::key).containsExactly("area", "plan");
    }

    @Test
    void aChoiceThatIsFollowedIsTakenAwayOnlyWithItsConditions() {
        assertThatThrownBy(() -> Editing.apply(permit, new Edit.RemoveChoice("purpose", "irrigation", false)))
                .isInstanceOf(Refusal.class)
                .hasMessage("Conditions name the choice “Irrigation” of “purpose”.");
        Template after = Editing.apply(permit, new Edit.RemoveChoice("purpose", "irrigation", true));
        assertThat(section(after, "water").shown()).isNull();
    }

    @Test
    void logicInsideACopyLooksAtTheCopy() {
        Template after = Editing.apply(permit, new Edit.Duplicate(List.of("water"), null, null));
        assertThat(after.pages().getFirst().sections())
                .extracting(Section::key)
                .containsExactly("start", "water", "water_2");
        assertThat(section(after, "water_2").shown()).isEqualTo(IRRIGATION);
        assertThat(field(after, "plan_2").shown()).isEqualTo(new Clause.Answered("area_2"));
        assertThat(field(after, "plan").shown()).isEqualTo(new Clause.Answered("area"));
    }

    @Test
    void aNewCircleIsRefused() {
        assertThatThrownBy(() -> Editing.apply(
                        permit,
                        new Edit.SetCondition(List.of("purpose"), List.of(Aspect.SHOWN), new Clause.Answered("plan"))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("go round in a circle");
    }

    @Test
    void anotherKindIsRefusedWhileConditionsCompareTheAnswer() {
        assertThatThrownBy(() -> Editing.apply(permit, new Edit.SetKind("purpose", new FieldKind.Text("", 0))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("cannot become another kind");
        Template after = Editing.apply(permit, new Edit.SetKind("area", new FieldKind.Text("", 0)));
        assertThat(field(after, "area").kind()).isEqualTo(new FieldKind.Text("", 0));
        assertThat(field(after, "plan").shown()).isEqualTo(new Clause.Answered("area"));
    }

    @Test
    void choicesAndWhenItIsShownAreWrittenBehindAQuestion() {
        Template machine = Editing.apply(
                permit,
                new Edit.Add(Edit.Novelty.ONE_CHOICE, "Which machine: Pump / Auger, 9 km/h / Pump", "start", null));
        assertThat(field(machine, "which_machine").label()).isEqualTo("Which machine");
        assertThat(((FieldKind.OneChoice) field(machine, "which_machine").kind()).choices())
                .extracting(Choice::id, Choice::label)
                .containsExactly(
                        tuple("pump", "Pump"), tuple("auger_9_km_h", "Auger, 9 km/h"), tuple("pump_2", "Pump"));
        Condition pump = new Clause.ChoiceClause("which_machine", ChoiceTest.IS, List.of("pump"), null);
        Template serial = Editing.apply(
                machine, new Edit.Add(Edit.Novelty.TEXT, "Serial: a/b or c", "start", "which_machine", pump));
        assertThat(field(serial, "serial_a_b_or_c").shown()).isEqualTo(pump);
    }

    @Test
    void aNewNumberTakesTheUnitAtTheEndOfItsLabel() {
        Template after = Editing.apply(permit, new Edit.Add(Edit.Novelty.NUMBER, "Planned depth, m", "start", null));
        Field added = field(after, "planned_depth");
        assertThat(added.label()).isEqualTo("Planned depth");
        assertThat(added.kind()).isEqualTo(new FieldKind.Number(2, "m", null, null));
        assertThat(section(after, "start").items()).extracting(Item::key).containsExactly("planned_depth", "purpose");
    }

    @Test
    void anIndicatorFollowsTheNearestNumberBeforeItAndNeedsOne() {
        Template after = Editing.apply(permit, new Edit.Add(Edit.Novelty.INDICATOR, "Size", "water", "area"));
        Indicator size = (Indicator) section(after, "water").items().get(1);
        assertThat(size.follows()).isEqualTo("area");
        Template without = Editing.apply(permit, new Edit.Delete(List.of("water"), false));
        assertThatThrownBy(() -> Editing.apply(without, new Edit.Add(Edit.Novelty.INDICATOR, "Size", "start", null)))
                .isInstanceOf(Refusal.class)
                .hasMessage("An indicator follows a number, and there is none yet. Add a number first.");
    }

    @Test
    void anEditIsTakenBackEvenAfterAnotherElsewhereButNotOverOneInTheSamePlace() {
        Template relabelled = Editing.apply(permit, new Edit.Relabel("area", "Irrigated area"));
        Change change = Change.between(TemplateIndex.of(permit), TemplateIndex.of(relabelled));
        Template elsewhere = Editing.apply(relabelled, new Edit.Relabel("plan", "Crop plan"));
        assertThat(change.reversed().applyTo(elsewhere))
                .isEqualTo(Editing.apply(permit, new Edit.Relabel("plan", "Crop plan")));
        Template same = Editing.apply(relabelled, new Edit.SetHelp("area", "All fields"));
        assertThatThrownBy(() -> change.reversed().applyTo(same))
                .isInstanceOf(Refusal.class)
                .hasMessage("Changed since by another edit: “Irrigated area”.");
    }

    @Test
    void oneConditionIsSetOnManyNodesAtOnce() {
        Template after = Editing.apply(
                permit,
                new Edit.SetCondition(List.of("area", "plan"), List.of(Aspect.REQUIRED), new Condition.Always()));
        assertThat(after.fields())
                .extracting(Field::required)
                .containsExactly(null, new Condition.Always(), new Condition.Always());
        assertThatThrownBy(() -> Editing.apply(
                        permit,
                        new Edit.SetCondition(List.of("water"), List.of(Aspect.REQUIRED), new Condition.Always())))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void editsThatAreMadeTogetherAreMadeInTheirOrderOrNotAtAll() {
        String field = permit.fields().getFirst().key();
        Edit renamed = new Edit.RenameKey(field, "anew");
        Edit labelled = new Edit.Relabel("anew", "Labelled by its new key");
        Template edited = Editing.apply(permit, new Edit.Together(List.of(renamed, labelled)));
        assertThat(field(edited, "anew").label()).isEqualTo("Labelled by its new key");
        for (List<Edit> refused : List.of(
                List.<Edit>of(labelled, renamed),
                List.<Edit>of(),
                List.<Edit>of(new Edit.Together(List.of(renamed))),
                Collections.<Edit>nCopies(Edit.Together.MOST + 1, new Edit.Retitle("T", "")))) {
            assertThatThrownBy(() -> Editing.apply(permit, new Edit.Together(refused)))
                    .isInstanceOf(Refusal.class);
        }
    }

    private static Field field(String key, FieldKind kind) {
        return Field.of(key, key, kind);
    }

    private static Field field(Template template, String key) {
        return template.fields().stream()
                .filter(it -> it.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static Section section(Template template, String key) {
        return template.pages().stream()
                .flatMap(page -> page.sections().stream())
                .filter(it -> it.key().equals(key))
                .findFirst()
                .orElseThrow();
    }
}
