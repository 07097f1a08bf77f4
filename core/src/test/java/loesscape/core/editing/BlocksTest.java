package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Origin;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

/** Sections kept as blocks and used again. */
class BlocksTest {

    private static final FieldKind TEXT = new FieldKind.Text("", 0);

    private final Template visit = Template.of(
            "Visit",
            List.of(new Page(
                    "page",
                    "",
                    null,
                    List.of(
                            Section.of(
                                    "start",
                                    "Start",
                                    List.of(Field.of("overnight", "Overnight?", new FieldKind.YesNo()))),
                            Section.of(
                                            "guest",
                                            "Guest",
                                            List.of(
                                                    Field.of("name", "Name", TEXT),
                                                    Field.of("diet", "Diet", TEXT)
                                                            .withShown(new Clause.Answered("name"))))
                                    .withShown(yes("overnight"))))));

    private static Condition yes(String field) {
        return new Clause.ChoiceClause(field, Clause.ChoiceClause.ChoiceTest.IS, List.of("yes"), null);
    }

    private static Section section(Template template, String key) {
        return (Section) template.nodes().stream()
                .filter(node -> node.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static Template used(Template in, Template block) {
        String page = in.pages().getFirst().key();
        String last = in.pages().getFirst().sections().getLast().key();
        return Editing.apply(in, new Edit.UseBlock(block, "b", 1, page, last));
    }

    @Test
    void aBlockUsedAgainLooksAtItsOwnFieldsAndAtThoseAroundIt() {
        Template after = used(visit, Blocks.cut(visit, "guest"));
        Section again = section(after, "guest_2");
        assertThat(again.shown()).isEqualTo(yes("overnight"));
        assertThat(again.items().get(1).key()).isEqualTo("diet_2");
        assertThat(again.items().get(1).shown()).isEqualTo(new Clause.Answered("name_2"));
        assertThat(again.origin())
                .isEqualTo(new Origin("b", 1, Map.of("guest", "guest_2", "name", "name_2", "diet", "diet_2")));
    }

    @Test
    void inADocumentWithoutTheFieldsAroundItTheirLogicIsLeftBehind() {
        Template other = Template.of(
                "Other", List.of(new Page("p", "", null, List.of(Section.of("overnight", "Overnight", List.of())))));
        Template after = used(other, Blocks.cut(visit, "guest"));
        assertThat(section(after, "guest").shown()).isNull();
        assertThat(section(after, "guest").items().get(1).shown()).isEqualTo(new Clause.Answered("name"));
    }

    @Test
    void aLaterVersionIsTakenOverPieceByPiece() {
        Template block = Blocks.cut(visit, "guest");
        Template document = used(visit, block);
        document = Editing.apply(document, new Edit.Relabel("name_2", "Name of the second guest"));
        Template better = Editing.apply(block, new Edit.Relabel("diet", "What do you eat?"));
        better = Editing.apply(better, new Edit.Relabel("name", "Full name"));
        better = Editing.apply(better, new Edit.Add(Edit.Novelty.DATE, "Arrives on", "guest", "name"));

        assertThat(Blocks.differences(document, "guest_2", block, block)).isEmpty();
        List<Blocks.Difference> differences = Blocks.differences(document, "guest_2", block, better);
        assertThat(differences)
                .extracting(Blocks.Difference::item, Blocks.Difference::turn, Blocks.Difference::own)
                .containsExactlyInAnyOrder(
                        tuple("name", Blocks.Compared.OTHERWISE, true),
                        tuple("arrives_on", Blocks.Compared.NEW, false),
                        tuple("diet", Blocks.Compared.OTHERWISE, false));

        Template after =
                Editing.apply(document, new Edit.TakeOver("guest_2", better, 2, List.of("diet", "arrives_on")));
        assertThat(section(after, "guest_2").items())
                .extracting(Item::key)
                .containsExactly("name_2", "arrives_on", "diet_2");
        assertThat(section(after, "guest_2").items())
                .extracting(Item::name)
                .containsExactly("Name of the second guest", "Arrives on", "What do you eat?");
        assertThat(section(after, "guest_2").items().get(2).shown()).isEqualTo(new Clause.Answered("name_2"));
        assertThat(section(after, "guest_2").origin())
                .extracting(Origin::version)
                .isEqualTo(2);
    }

    @Test
    void whatTheBlockNoLongerHasIsTakenAwayOnlyWhereNothingFollowsIt() {
        Template block = Blocks.cut(visit, "guest");
        Template document = used(visit, block);
        Template shorter = Editing.apply(block, new Edit.Delete(List.of("diet"), false));
        Template after = Editing.apply(document, new Edit.TakeOver("guest_2", shorter, 2, List.of("diet")));
        assertThat(section(after, "guest_2").items()).extracting(Item::key).containsExactly("name_2");

        Template followed = Editing.apply(
                document,
                new Edit.SetCondition(List.of("diet"), List.of(Aspect.REQUIRED), new Clause.Answered("diet_2")));
        assertThatThrownBy(() -> Editing.apply(followed, new Edit.TakeOver("guest_2", shorter, 2, List.of("diet"))))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void anySectionOfAnyTemplateCanBeKeptAndUsedInItAndInAnyOther() {
        Cases.check("blocks", 300, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            Template other = RandomTemplates.template(random, size);
            List<Section> sections = template.pages().stream()
                    .flatMap(page -> page.sections().stream())
                    .toList();
            Section section = sections.get(random.nextInt(sections.size()));
            Template block = Blocks.cut(template, section.key());
            for (Template in : List.of(template, other)) {
                Template after = used(in, block);
                Section made = after.pages().getFirst().sections().getLast();
                Section kept = block.pages().getFirst().sections().getFirst();
                assertThat(made.items()).hasSizeLessThanOrEqualTo(kept.items().size());
                assertThat(in.equals(other)
                                || made.items().size() == kept.items().size())
                        .isTrue();
                assertThat(Blocks.differences(after, made.key(), block, block)).isEmpty();
            }
        });
    }

    @Test
    void listsThatFormulasNameComeWithABlockAndGoUnderAnotherKeyWhereTheDocumentHasOneOfTheSame() {
        Field days = Field.of("days", "Days", new FieldKind.Number(0, "", null, null))
                .withValue(new FieldValue.WorkedOut("working days(from, to, list(\"holidays\").day)", false));
        Field asked =
                Field.of("asked", "Asked", TEXT).withShown(new Condition.Written("count(list(\"holidays\")) > 1"));
        Template with = listed(
                holidays("2026-12-25"), Section.of("work", "Work", List.of(date("from"), date("to"), days, asked)));
        Template block = Blocks.cut(with, "work");
        assertThat(block.lists()).extracting(LookupList::key).containsExactly("holidays");

        Template empty =
                Template.of("Other", List.of(new Page("p", "", null, List.of(Section.of("s", "S", List.of())))));
        assertThat(used(empty, block).lists()).isEqualTo(with.lists());

        Template other = listed(holidays("2027-01-01"), Section.of("s", "S", List.of()));
        Template after = used(other, block);
        assertThat(after.lists()).extracting(LookupList::key).containsExactlyInAnyOrder("holidays", "holidays_2");
        assertThat(after.fields().stream().map(Field::value).filter(Objects::nonNull))
                .containsExactly(new FieldValue.WorkedOut("working days(from, to, list(\"holidays_2\").day)", false));
        assertThat(after.fields().getLast().shown())
                .isEqualTo(new Condition.Written("count(list(\"holidays_2\")) > 1"));
        assertThatThrownBy(() -> Editing.apply(after, new Edit.RemoveList("holidays_2")))
                .isInstanceOf(Refusal.class);
        assertThat(Editing.apply(after, new Edit.RemoveList("holidays")).lists())
                .hasSize(1);
    }

    private static Field date(String key) {
        return Field.of(key, key, new FieldKind.Date(null, null));
    }

    private static LookupList holidays(String day) {
        return new LookupList(
                "holidays", "Holidays", List.of(new LookupList.Column("day", "Day", false)), List.of(List.of(day)));
    }

    private static Template listed(LookupList list, Section section) {
        return new Template(
                "Listed",
                "",
                List.of(new Page("page", "", null, List.of(section))),
                List.of(),
                List.of(),
                List.of(list),
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }
}
