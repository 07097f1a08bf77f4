package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import org.junit.jupiter.api.Test;

/** Edits of what belongs to no node: roles, lookup lists, trials. */
class OthersTest {

    private static final LookupList RATES = new LookupList(
            "rates",
            "Rates",
            List.of(new LookupList.Column("name", "Name", false), new LookupList.Column("rate", "Rate", true)),
            List.of(List.of("Auger", "24"), List.of("Pump", "18")));
    private final Template well = edited(
            Template.of(
                    "Well",
                    List.of(new Page(
                            "page",
                            "",
                            null,
                            List.of(Section.of(
                                    "well",
                                    "The well",
                                    List.of(
                                            Field.of("depth", "Depth", new FieldKind.Number(0, "m", null, null)),
                                            Field.of("cost", "Cost", new FieldKind.Number(2, "", null, null)),
                                            Field.of("note", "Note", new FieldKind.Text("", 0)))))))),
            new Edit.PutList(RATES),
            new Edit.PutRole(new Role("owner", "Owner", 1, null)),
            new Edit.PutRole(new Role("driller", "Driller", 2, null)));

    private static Template edited(Template template, Edit... edits) {
        Template now = template;
        for (Edit edit : edits) {
            now = Editing.apply(now, edit);
        }
        return now;
    }

    private static Refusal refused(Template template, Edit edit) {
        return catchThrowableOfType(Refusal.class, () -> Editing.apply(template, edit));
    }

    private static Field field(Template template, String key) {
        return template.fields().stream()
                .filter(it -> it.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aRoleWithoutAKeyGetsOneOfItsName() {
        Template now = edited(well, new Edit.PutRole(new Role("", "Land owner", 3, null)));
        assertThat(now.roles())
                .extracting(Role::key, Role::name, Role::order)
                .contains(tuple("land_owner", "Land owner", 3));
        Template again = edited(now, new Edit.PutRole(new Role("", "Land owner", 4, null)));
        assertThat(again.roles()).hasSize(4).extracting(Role::key).doesNotHaveDuplicates();
    }

    @Test
    void aRoleThatIsThereIsChangedAndStandsInTheOrderOfTurns() {
        Condition deep = new Clause.Answered("depth");
        Template now = edited(well, new Edit.PutRole(new Role("owner", "Landowner", 5, deep)));
        assertThat(now.roles())
                .as("in the order of their turns")
                .containsExactly(new Role("driller", "Driller", 2, null), new Role("owner", "Landowner", 5, deep));
    }

    @Test
    void aRoleThatIsUsedIsRemovedOnlyWithWhatUsesIt() {
        Template used = edited(
                well,
                new Edit.SetRole(List.of("depth"), "driller"),
                new Edit.SetCondition(List.of("note"), List.of(Aspect.SHOWN), new Condition.RoleIs(List.of("driller"))),
                new Edit.SetCondition(
                        List.of("cost"), List.of(Aspect.SHOWN), new Condition.RoleIs(List.of("owner", "driller"))));
        Refusal refusal = refused(used, new Edit.RemoveRole("driller", false));
        assertThat(refusal).hasMessage("“Driller” is used.");
        assertThat(refusal.followers()).extracting(Refusal.Follower::key).contains("depth", "note", "cost");
        Template now = edited(used, new Edit.RemoveRole("driller", true));
        assertThat(now.roles()).extracting(Role::key).containsExactly("owner");
        assertThat(field(now, "depth").role()).isEmpty();
        assertThat(field(now, "note").shown()).isNull();
        assertThat(field(now, "cost").shown()).isEqualTo(new Condition.RoleIs(List.of("owner")));
    }

    @Test
    void aRoleThatNobodyUsesIsRemovedWithoutAWord() {
        assertThat(edited(well, new Edit.RemoveRole("driller", false)).roles())
                .extracting(Role::key)
                .containsExactly("owner");
        assertThat(refused(well, new Edit.RemoveRole("nobody", true)))
                .hasMessage("There is no role “nobody” any more.");
    }

    @Test
    void aListWithoutKeysGetsThemOfItsWords() {
        LookupList list = new LookupList(
                "",
                "Yard rates",
                List.of(
                        new LookupList.Column("", "Rate", false),
                        new LookupList.Column("rate", "Other rate", false),
                        new LookupList.Column("", "Rate", false)),
                List.of(List.of("1", "2", "3")));
        LookupList kept = edited(well, new Edit.PutList(list)).lists().getLast();
        assertThat(kept.key()).isEqualTo("yard_rates");
        assertThat(kept.columns())
                .extracting(LookupList.Column::key)
                .doesNotHaveDuplicates()
                .contains("rate");
        assertThat(kept.columns().get(1).key()).as("a key that is there stays").isEqualTo("rate");
    }

    @Test
    void aTableBecomesAListWhoseColumnsKeepTheirKeys() {
        Template now = edited(
                well,
                new Edit.PutTable(
                        "rates", "  Yard rates ", List.of(List.of("Rate", "Name", "Maker"), List.of("31", "Auger"))));
        LookupList kept = now.lists().getFirst();
        assertThat(kept.name()).isEqualTo("Yard rates");
        assertThat(kept.columns())
                .extracting(LookupList.Column::key, LookupList.Column::number)
                .containsExactly(tuple("rate", true), tuple("name", false), tuple("maker", false));
        assertThat(kept.rows()).containsExactly(List.of("31", "Auger", ""));
        Template unnamed =
                edited(well, new Edit.PutTable("", " ", List.of(List.of("Maker", "Place"), List.of("Kolder", "Yard"))));
        assertThat(unnamed.lists())
                .as("called by its first column")
                .extracting(LookupList::name)
                .containsExactlyInAnyOrder("Rates", "Maker");
    }

    @Test
    void aListThatIsUsedIsNotRemoved() {
        assertThat(edited(well, new Edit.RemoveList("rates")).lists()).isEmpty();
        assertThat(refused(well, new Edit.RemoveList("prices")))
                .hasMessage("There is no lookup list “prices” any more.");
        Template used = edited(
                well,
                new Edit.SetKind("note", new FieldKind.Lookup("rates", "name", Map.of())),
                new Edit.SetValue("cost", new FieldValue.WorkedOut("count(list(\"rates\"))", false)),
                new Edit.SetCondition(
                        List.of("depth"), List.of(Aspect.SHOWN), new Condition.Written("count(list(\"rates\")) > 1")),
                new Edit.NewShared("Many rates", new Condition.Written("count(list(\"rates\")) > 2")));
        Refusal refusal = refused(used, new Edit.RemoveList("rates"));
        assertThat(refusal).hasMessage("“Rates” is used.");
        assertThat(refusal.followers())
                .extracting(Refusal.Follower::name, Refusal.Follower::what)
                .contains(
                        tuple("Note", "choices"),
                        tuple("Cost", "value"),
                        tuple("Depth", "shown"),
                        tuple("Many rates", "shared condition"));
    }

    @Test
    void aTrialIsKeptUnderItsNameAndReplacedUnderTheSame() {
        Template now = edited(
                well,
                new Edit.PutTrials(List.of(Trial.of("  Deep ", Map.of("depth", "40")))),
                new Edit.PutTrials(List.of(Trial.of("Shallow", Map.of("depth", "4")))),
                new Edit.PutTrials(List.of(Trial.of("Deep", Map.of("depth", "80")))));
        assertThat(now.trials())
                .containsExactly(Trial.of("Deep", Map.of("depth", "80")), Trial.of("Shallow", Map.of("depth", "4")));
        assertThat(edited(now, new Edit.RemoveTrial("Deep")).trials())
                .extracting(Trial::name)
                .containsExactly("Shallow");
        assertThatThrownBy(() -> Editing.apply(now, new Edit.RemoveTrial("Dry")))
                .isInstanceOf(Refusal.class)
                .hasMessage("There is no trial “Dry” any more.");
    }
}
