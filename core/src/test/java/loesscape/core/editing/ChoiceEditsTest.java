package loesscape.core.editing;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldKind.Choosing;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.Offer;
import loesscape.core.model.Role;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Sign;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Choices: added, moved, stored and taken away, with all that names them. */
class ChoiceEditsTest {

    private static final List<Choice> CHOICES =
            List.of(Choice.of("oak", "Oak"), Choice.of("elm", "Elm"), Choice.of("ash", "Ash"));

    private static Field wood() {
        return field("wood", FieldKind.OneChoice.of(CHOICES));
    }

    private static Field woods() {
        return field("woods", FieldKind.SeveralChoices.of(CHOICES));
    }

    private static Node node(Template template, String key) {
        return template.nodes().stream()
                .filter(it -> it.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static List<String> told(Template template, String key) {
        return ((Choosing) ((Field) node(template, key)).kind())
                .choices().stream()
                        .map(it -> it.id() + " " + it.label() + (it.stored().isEmpty() ? "" : " as " + it.stored()))
                        .toList();
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "Birch, -, birch Birch/oak Oak/elm Elm/ash Ash", "Birch, oak, oak Oak/birch Birch/elm Elm/ash Ash",
                "Birch, ash, oak Oak/elm Elm/ash Ash/birch Birch",
                        "' Birch ', elm, oak Oak/elm Elm/birch Birch/ash Ash",
                "Birch, nowhere, oak Oak/elm Elm/ash Ash/birch Birch", "Oak, oak, oak Oak/oak_2 Oak/elm Elm/ash Ash",
                "Ash, ash, oak Oak/elm Elm/ash Ash/ash_2 Ash", "Other, -, other_2 Other/oak Oak/elm Elm/ash Ash",
                "水, ash, oak Oak/elm Elm/ash Ash/choice 水",
            })
    void aChoiceIsAddedWhereItIsWanted(String label, @Nullable String after, String choices) {
        Template with = Editing.apply(Documents.of(wood()), new Edit.AddChoice("wood", label, after));
        assertThat(String.join("/", told(with, "wood"))).isEqualTo(choices);
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "oak, ash, elm Elm/ash Ash/oak Oak",
                "ash, -, ash Ash/oak Oak/elm Elm",
                "oak, elm, elm Elm/oak Oak/ash Ash",
                "elm, nowhere, oak Oak/ash Ash/elm Elm",
            })
    void aChoiceIsMovedWithAllThatItIs(String choice, @Nullable String after, String choices) {
        Template with = Editing.apply(Documents.of(wood()), new Edit.MoveChoice("wood", choice, after));
        assertThat(String.join("/", told(with, "wood"))).isEqualTo(choices);
    }

    @Test
    void whatIsStoredAndWhatIsSaidAreChangedByThemselves() {
        Template stored = Editing.apply(Documents.of(wood()), new Edit.StoreChoice("wood", "elm", " E "));
        assertThat(told(stored, "wood")).containsExactly("oak Oak", "elm Elm as E", "ash Ash");
        assertThat(told(Editing.apply(stored, new Edit.RelabelChoice("wood", "elm", " Wych elm ")), "wood"))
                .containsExactly("oak Oak", "elm Wych elm as E", "ash Ash");
    }

    @Test
    void whatIsNotThereIsRefused() {
        Template template = Documents.of(field("one", FieldKind.OneChoice.of(CHOICES.subList(0, 1))), text("x"));
        assertThatThrownBy(() -> Editing.apply(template, new Edit.AddChoice("x", "Birch", null)))
                .hasMessage("“x” has no choices of its own.");
        assertThatThrownBy(() -> Editing.apply(template, new Edit.StoreChoice("one", "elm", "E")))
                .hasMessage("“one” no longer has this choice.");
        assertThatThrownBy(() -> Editing.apply(template, new Edit.RemoveChoice("one", "oak", true)))
                .hasMessage("“Oak” is the last choice; a field needs at least one.");
    }

    private static Clause is(String... choices) {
        return new Clause.ChoiceClause("wood", ChoiceTest.IS, List.of(choices), true);
    }

    private static Clause includes(String... choices) {
        return new Clause.SetClause("woods", SetTest.INCLUDES, List.of(choices), false);
    }

    /** All that can name a choice of “wood”, and beside it what names the same of another field. */
    private static Template named() {
        return Documents.finishing(
                Documents.forRoles(
                        Documents.sharing(
                                Documents.of(
                                        wood(),
                                        woods(),
                                        text("a").withShown(is("oak")),
                                        text("b").withShown(is("oak", "elm")).withRequired(is("elm")),
                                        text("c").withShown(new Condition.Written("wood = \"oak\"")),
                                        text("d").withShown(includes("oak")),
                                        text("e").withShown(new Condition.Written("wood = \"elm\"")),
                                        Indicator.of("i", "", "wood", List.of())
                                                .withChoices(List.of(
                                                        new Indicator.ChoiceSign("oak", Sign.saying("Hard")),
                                                        new Indicator.ChoiceSign("elm", Sign.saying("Tough")))),
                                        Indicator.of("j", "", "woods", List.of())
                                                .withChoices(
                                                        List.of(new Indicator.ChoiceSign("oak", Sign.saying("Hard")))),
                                        field(
                                                "finish",
                                                FieldKind.OneChoice.of(CHOICES)
                                                        .withOffer(new Offer(
                                                                "wood",
                                                                Map.of(
                                                                        "oak",
                                                                        List.of("oak"),
                                                                        "elm",
                                                                        List.of("oak", "ash")))))),
                                new SharedCondition("hard", "", is("oak")),
                                new SharedCondition("tough", "Tough", is("elm"))),
                        new Role("owner", "Owner", 1, is("oak")),
                        new Role("tenant", "Tenant", 2, null)),
                new FinishRule(is("oak", "ash"), "Choose oak or ash."),
                new FinishRule(is("elm"), "Choose elm."));
    }

    @Test
    void whatNamesAChoiceIsToldBeforeItIsTakenAway() {
        assertThatThrownBy(() -> Editing.apply(named(), new Edit.RemoveChoice("wood", "oak", false)))
                .isInstanceOfSatisfying(Refusal.class, refused -> {
                    assertThat(refused).hasMessage("Conditions name the choice “Oak” of “wood”.");
                    assertThat(refused.followers())
                            .extracting(it -> it.key() + " " + it.name() + ": " + it.what())
                            .containsExactly(
                                    "a a: shown",
                                    "b b: shown",
                                    "c c: shown",
                                    "i Indicator: itself",
                                    "finish finish: itself",
                                    "owner Owner: takes part",
                                    "hard shared condition: condition",
                                    " Choose oak or ash.: can be finished");
                });
    }

    @Test
    void aChoiceIsTakenAwayFromAllThatNamesItAndFromNothingElse() {
        Template without = Editing.apply(named(), new Edit.RemoveChoice("wood", "oak", true));
        assertThat(told(without, "wood")).containsExactly("elm Elm", "ash Ash");
        assertThat(told(without, "woods")).hasSize(3);
        assertThat(node(without, "a").shown()).isNull();
        assertThat(node(without, "b").shown()).isEqualTo(is("elm"));
        assertThat(((Field) node(without, "b")).required()).isEqualTo(is("elm"));
        assertThat(node(without, "c").shown()).isNull();
        assertThat(node(without, "d").shown()).isEqualTo(includes("oak"));
        assertThat(node(without, "e").shown()).isEqualTo(new Condition.Written("wood = \"elm\""));
        assertThat(((Indicator) node(without, "i")).choices())
                .containsExactly(new Indicator.ChoiceSign("elm", Sign.saying("Tough")));
        assertThat(((Indicator) node(without, "j")).choices()).hasSize(1);
        assertThat(((Choosing) ((Field) node(without, "finish")).kind()).offer())
                .isEqualTo(new Offer("wood", Map.of("elm", List.of("oak", "ash"))));
        assertThat(without.finish())
                .containsExactly(
                        new FinishRule(is("ash"), "Choose oak or ash."), new FinishRule(is("elm"), "Choose elm."));
    }

    @Test
    void ofSeveralChoicesTheRestStaysAndAnEmptyRestGoes() {
        Template template = Documents.of(
                woods(),
                text("a").withShown(includes("oak", "ash")),
                text("b").withShown(includes("oak")),
                text("c").withShown(includes("elm")),
                field(
                        "other",
                        FieldKind.SeveralChoices.of(CHOICES)
                                .withOffer(new Offer("b_yes", Map.of("yes", List.of("oak", "elm"))))),
                yesNo("b_yes"));
        Template without = Editing.apply(template, new Edit.RemoveChoice("woods", "oak", true));
        assertThat(node(without, "a").shown()).isEqualTo(includes("ash"));
        assertThat(node(without, "b").shown()).isNull();
        assertThat(node(without, "c").shown()).isEqualTo(includes("elm"));
        Template less = Editing.apply(without, new Edit.RemoveChoice("other", "oak", false));
        assertThat(((Choosing) ((Field) node(less, "other")).kind()).offer())
                .isEqualTo(new Offer("b_yes", Map.of("yes", List.of("elm"))));
    }

    @ParameterizedTest
    @CsvSource({
        "INCLUDES, oak elm, IS, oak elm",
        "DOES_NOT_INCLUDE, oak, IS_NOT, oak",
        "INCLUDES_ALL, oak, IS, oak",
        "IS_EXACTLY, elm, IS, elm",
    })
    void clausesAboutSeveralBecomeClausesAboutOne(SetTest set, String several, ChoiceTest choice, String one) {
        Template template = Documents.of(
                woods(),
                text("x").withShown(new Clause.SetClause("woods", set, List.of(several.split(" ", -1)), null)));
        Template changed = Editing.apply(template, new Edit.SetKind("woods", FieldKind.OneChoice.of(List.of())));
        assertThat(told(changed, "woods")).containsExactly("oak Oak", "elm Elm", "ash Ash");
        assertThat(node(changed, "x").shown())
                .isEqualTo(new Clause.ChoiceClause("woods", choice, List.of(one.split(" ", -1)), null));
    }

    @ParameterizedTest
    @CsvSource({"IS, INCLUDES", "IS_NOT, DOES_NOT_INCLUDE"})
    void clausesAboutOneBecomeClausesAboutSeveral(ChoiceTest one, SetTest several) {
        Template template = Documents.of(
                wood(),
                woods(),
                text("x").withShown(new Clause.ChoiceClause("wood", one, List.of("oak"), true)),
                text("y").withShown(includes("oak")));
        Template changed = Editing.apply(template, new Edit.SetKind("wood", FieldKind.SeveralChoices.of(List.of())));
        assertThat(node(changed, "x").shown()).isEqualTo(new Clause.SetClause("wood", several, List.of("oak"), true));
        assertThat(node(changed, "y").shown()).isEqualTo(includes("oak"));
    }

    @Test
    void whatOneChoiceCannotBeIsRefused() {
        Template template = Documents.of(
                woods(),
                text("x").withShown(new Clause.SetClause("woods", SetTest.INCLUDES_ALL, List.of("oak", "elm"), null)));
        assertThatThrownBy(() -> Editing.apply(template, new Edit.SetKind("woods", FieldKind.OneChoice.of(List.of()))))
                .isInstanceOf(Refusal.class);
    }
}
