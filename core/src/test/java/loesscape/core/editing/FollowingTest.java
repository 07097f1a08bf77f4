package loesscape.core.editing;

import static loesscape.core.testing.Documents.field;
import static loesscape.core.testing.Documents.number;
import static loesscape.core.testing.Documents.text;
import static loesscape.core.testing.Documents.yesNo;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Role;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Sign;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What indicators, roles and shared conditions become when what they follow is another, or gone. */
class FollowingTest {

    private static final List<Band> BANDS = List.of(
            Band.of("low", "Low", Look.PLAIN, new Bound(BigDecimal.TEN, true)),
            Band.of("high", "High", Look.PLAIN, null));

    private static Template template(Indicator indicator) {
        return Documents.listing(
                Documents.of(
                        indicator,
                        number("deep").withBands(BANDS),
                        number("wide"),
                        field("day", new FieldKind.Date(null, null)),
                        yesNo("b"),
                        text("x"),
                        field("wood", FieldKind.OneChoice.of(List.of(Choice.of("oak", "English oak")))),
                        field("looked", new FieldKind.Lookup("list", "name", Map.of()))),
                new LookupList(
                        "list",
                        "List",
                        List.of(new LookupList.Column("name", "Name", false)),
                        List.of(List.of("Oak")),
                        null));
    }

    private static Indicator banding() {
        return Indicator.of("i", "I", "deep", BANDS);
    }

    private static Node node(Template template, String key) {
        return template.nodes().stream()
                .filter(it -> it.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static Indicator following(Indicator indicator, String field) {
        return (Indicator) node(Editing.apply(template(indicator), new Edit.Follow("i", field)), "i");
    }

    @Test
    void bandsStayWhereTheyFitAndBeginAnewElsewhere() {
        assertThat(following(banding(), "wide")).isEqualTo(banding().withFollows("wide"));
        Indicator ofDays = following(banding(), "day");
        assertThat(ofDays.bands()).extracting(Band::label).containsExactly("Early", "Late");
        assertThat(ofDays.choices()).isEmpty();
        assertThat(ofDays.presence()).isNull();
        Indicator again = (Indicator) node(Editing.apply(template(ofDays), new Edit.Follow("i", "wide")), "i");
        assertThat(again.bands()).extracting(Band::label).containsExactly("Low", "High");
    }

    @Test
    void whatHasChoicesIsShownByThem() {
        Indicator choosing = following(banding(), "wood");
        assertThat(choosing.bands()).isEmpty();
        assertThat(choosing.choices()).containsExactly(new Indicator.ChoiceSign("oak", Sign.saying("English oak")));
        assertThat(following(banding(), "b").choices())
                .extracting(it -> it.sign().label())
                .containsExactly("Yes", "No");
    }

    @Test
    void whatHasNoneIsThereOrMissing() {
        Indicator.Presence usual = new Indicator.Presence(Sign.saying("There"), Sign.saying("Missing"));
        assertThat(following(banding(), "x").presence()).isEqualTo(usual);
        assertThat(following(banding(), "x").bands()).isEmpty();
        assertThat(following(banding(), "looked").presence()).isEqualTo(usual);
        Indicator.Presence own = new Indicator.Presence(Sign.saying("Here"), Sign.saying("Gone"));
        Indicator presenting = banding().withBands(List.of()).withPresence(own);
        assertThat(following(presenting, "wood").presence()).isEqualTo(own);
        assertThat(following(presenting, "wood").choices()).isEmpty();
    }

    @Test
    void onlyIndicatorsFollow() {
        assertThatThrownBy(() -> Editing.apply(template(banding()), new Edit.Follow("x", "deep")))
                .isInstanceOf(Refusal.class)
                .hasMessage("“x” is not an indicator.");
    }

    @Test
    void aFieldAndItsIndicatorGoOnHavingTheSameBands() {
        List<Band> others = List.of(Band.of("all", "All", Look.PLAIN, null));
        Template both = Editing.apply(template(banding()), new Edit.SetBands("deep", others));
        assertThat(node(both, "i")).isEqualTo(banding().withBands(others));
        Template back = Editing.apply(template(banding()), new Edit.SetBands("i", others));
        assertThat(node(back, "deep")).isEqualTo(number("deep").withBands(others));
        Template apart = template(banding().withBands(others));
        assertThat(node(Editing.apply(apart, new Edit.SetBands("deep", List.of())), "i"))
                .isEqualTo(banding().withBands(others));
        assertThat(node(Editing.apply(template(banding().withFollows("wide")), new Edit.SetBands("deep", others)), "i"))
                .isEqualTo(banding().withFollows("wide"));
        assertThatThrownBy(() -> Editing.apply(template(banding()), new Edit.SetBands("s", others)))
                .isInstanceOf(Refusal.class);
    }

    private static final Condition WANTED = new Clause.Answered("x");

    /** A shared condition that conditions, formulas, another one and a role name. */
    private static Template sharing() {
        return Documents.forRoles(
                Documents.sharing(
                        Documents.of(
                                text("x"),
                                text("y").withShown(new Condition.Shared("wanted")),
                                text("z")
                                        .withShown(new Condition.All(
                                                List.of(new Condition.Shared("wanted"), new Clause.Answered("y")))),
                                number("n").withValue(new FieldValue.WorkedOut("if wanted then 1 else 2", false)),
                                number("m").withValue(new FieldValue.WorkedOut("3", false)),
                                number("o").withShown(new Condition.Written("wanted"))),
                        new SharedCondition("wanted", "Wanted", WANTED),
                        new SharedCondition("through", "", new Condition.Shared("wanted"))),
                new Role("owner", "Owner", 1, new Condition.Shared("wanted")));
    }

    @Test
    void whatUsesASharedConditionIsToldBeforeItIsTakenAway() {
        assertThatThrownBy(() -> Editing.apply(sharing(), new Edit.RemoveShared("wanted", false)))
                .isInstanceOfSatisfying(Refusal.class, refused -> {
                    assertThat(refused).hasMessage("“Wanted” is used.");
                    assertThat(refused.followers())
                            .extracting(it -> it.key() + " " + it.name() + ": " + it.what())
                            .containsExactly(
                                    "y y: shown",
                                    "z z: shown",
                                    "n n: itself",
                                    "o o: shown",
                                    "owner Owner: takes part",
                                    "through shared condition: condition");
                });
    }

    @Test
    void aSharedConditionIsTakenAwayFromAllThatUsesIt() {
        Template without = Editing.apply(sharing(), new Edit.RemoveShared("wanted", true));
        assertThat(without.conditions()).extracting(SharedCondition::key).doesNotContain("wanted");
        assertThat(node(without, "y").shown()).isNull();
        assertThat(node(without, "z").shown()).isEqualTo(new Condition.All(List.of(new Clause.Answered("y"))));
        assertThat(node(without, "n")).isEqualTo(number("n"));
        assertThat(node(without, "m")).isEqualTo(number("m").withValue(new FieldValue.WorkedOut("3", false)));
        assertThat(node(without, "o").shown()).isNull();
        assertThat(without.roles().getFirst().takesPart()).isNull();
    }

    @Test
    void aSharedConditionIsWrittenOutWhereItIsUsedAndNotInFormulas() {
        assertThatThrownBy(() -> Editing.apply(sharing(), new Edit.Inline("wanted")))
                .isInstanceOf(Refusal.class)
                .hasMessage("Formulas use “Wanted” by its name “wanted”. Change these first.");
        Template plain = Documents.sharing(
                Documents.of(text("x"), text("y").withShown(new Condition.Shared("wanted"))),
                new SharedCondition("wanted", "Wanted", WANTED));
        Template inlined = Editing.apply(plain, new Edit.Inline("wanted"));
        assertThat(inlined).isEqualTo(Documents.of(text("x"), text("y").withShown(WANTED)));
    }

    /** In whatever order their keys are: what only something unused uses is unused too. */
    @Test
    void whatNobodyUsesIsGoneAtOnceWithAllThatOnlyItUses() {
        for (String inner : List.of("a_inner", "z_inner")) {
            Condition twice = new Condition.All(List.of(new Condition.Shared(inner), new Condition.Shared(inner)));
            Template template = Documents.sharing(
                    Documents.of(text("x")),
                    new SharedCondition(inner, "", WANTED),
                    new SharedCondition("middle", "", twice),
                    new SharedCondition("outer", "", new Condition.Written("middle and " + inner)));
            Template edited = Editing.apply(template, new Edit.Relabel("x", "Other"));
            assertThat(edited.conditions()).as(inner).isEmpty();
        }
    }

    @Test
    void aRoleIsToldToBeUsedByWhatItAnswersAndWhatIsPromisedOfIt() {
        Template template = Documents.forRoles(
                Documents.of(
                        text("x").withRole("owner"),
                        text("y").withShown(new Condition.RoleIs(List.of("owner"))),
                        text("z").withRole("tenant")),
                new Role("owner", "Owner", 1, null),
                new Role("tenant", "Tenant", 2, null));
        Template promising = Editing.apply(
                template,
                new Edit.SetPromises(List.of(
                        new PromiseRule(new Condition.Always(), new Promised.RoleSigns("owner", true)),
                        new PromiseRule(new Condition.Always(), new Promised.RoleSigns("tenant", true)))));
        assertThatThrownBy(() -> Editing.apply(promising, new Edit.RemoveRole("owner", false)))
                .isInstanceOfSatisfying(
                        Refusal.class,
                        refused -> assertThat(refused.followers())
                                .extracting(Refusal.Follower::what)
                                .hasSize(3)
                                .startsWith("itself", "shown"));
        Template without = Editing.apply(promising, new Edit.RemoveRole("owner", true));
        assertThat(without.roles()).extracting(Role::key).containsExactly("tenant");
        assertThat(without.promises())
                .extracting(PromiseRule::promised)
                .isEqualTo(List.of(new Promised.RoleSigns("tenant", true)));
        assertThat(node(without, "x")).isEqualTo(text("x"));
        assertThat(node(without, "z")).isEqualTo(text("z").withRole("tenant"));
    }

    private static Change change(Template before, Template after) {
        return Change.between(TemplateIndex.of(before), TemplateIndex.of(after));
    }

    @Test
    void keysAreFollowedThroughChanges() {
        Template first = Documents.of(text("a").withLabel("One"), text("b").withLabel("Two"));
        Template second = Editing.apply(first, new Edit.RenameKey("a", "c"));
        Template third = Editing.apply(second, new Edit.RenameKey("c", "d"));
        assertThat(Renames.of(List.of())).isEmpty();
        assertThat(Renames.of(List.of(change(first, second)))).isEqualTo(Map.of("a", "c"));
        assertThat(Renames.of(List.of(change(first, second), change(second, third))))
                .isEqualTo(Map.of("a", "d"));
        assertThat(Renames.of(List.of(change(first, second), change(second, first))))
                .isEmpty();
        Template relabelled = Editing.apply(second, new Edit.Relabel("b", "Zwei"));
        assertThat(Renames.of(List.of(change(first, second), change(second, relabelled))))
                .isEqualTo(Map.of("a", "c"));
    }

    @Test
    void whatIsGoneHasNoOtherKeyUnlessItComesBack() {
        Template first = Documents.of(text("a").withLabel("One"), text("b").withLabel("Two"));
        Template second = Editing.apply(first, new Edit.RenameKey("a", "c"));
        Template third = Editing.apply(second, new Edit.Delete(List.of("c"), false));
        Template another =
                Documents.of(text("c").withLabel("Another"), text("b").withLabel("Two"));
        assertThat(Renames.of(List.of(change(first, second), change(second, third))))
                .isEmpty();
        assertThat(Renames.of(List.of(change(first, second), change(second, third), change(third, second))))
                .isEqualTo(Map.of("a", "c"));
        assertThat(Renames.of(List.of(change(first, second), change(second, third), change(third, another))))
                .isEmpty();
    }

    @Test
    void anExchangeOfOneThingForAnotherIsNoRename() {
        Template first = Documents.of(text("a").withLabel("One"), text("b"));
        assertThat(Renames.of(List.of(change(first, Documents.of(text("c").withLabel("Two"), text("b"))))))
                .isEmpty();
        assertThat(Renames.of(List.of(change(
                        first,
                        Documents.of(
                                Indicator.of("c", "One", "b", List.of())
                                        .withPresence(new Indicator.Presence(Sign.saying("A"), Sign.saying("B"))),
                                text("b"))))))
                .isEmpty();
        assertThat(Renames.of(List.of(change(
                        first,
                        Documents.of(text("c").withLabel("One"), text("d").withLabel("One"), text("b"))))))
                .isEmpty();
    }

    @Test
    void aChangeKnowsWhetherItIsOne() {
        Template before = sharing();
        assertThat(change(before, before).isEmpty()).isTrue();
        Map<String, Template> others = new LinkedHashMap<>();
        others.put("title", Editing.apply(before, new Edit.Retitle("Other", "")));
        others.put("subtitle", Editing.apply(before, new Edit.Retitle(before.title(), "Below")));
        others.put("node", Editing.apply(before, new Edit.Relabel("x", "Other")));
        others.put("order", Editing.apply(before, new Edit.Move("x", "s", "y")));
        others.put("role", Editing.apply(before, new Edit.PutRole(new Role("tenant", "Tenant", 2, null))));
        others.put("shared", Editing.apply(before, new Edit.NewShared("New", WANTED)));
        others.put(
                "promise",
                Editing.apply(
                        before,
                        new Edit.SetPromises(List.of(
                                new PromiseRule(new Condition.Always(), new Promised.RoleSigns("owner", true))))));
        others.put("accepted", Editing.apply(before, new Edit.AcceptFinding("x", "Never asked.", "Meant.")));
        others.forEach((what, after) -> {
            Change change = change(before, after);
            assertThat(change.isEmpty()).as(what).isFalse();
            assertThat(change.applyTo(before)).as(what).isEqualTo(after);
            assertThat(change.reversed().applyTo(after)).as(what).isEqualTo(before);
            assertThatThrownBy(() -> change.applyTo(after))
                    .as(what)
                    .isInstanceOf(Refusal.class)
                    .hasMessageStartingWith("Changed since by another edit: ");
        });
        assertThatThrownBy(() -> change(before, of(others, "order")).applyTo(of(others, "order")))
                .hasMessageStartingWith("Changed since by another edit: the order in “Section without a title”");
    }

    private static Template of(Map<String, Template> all, String what) {
        return Objects.requireNonNull(all.get(what));
    }
}
