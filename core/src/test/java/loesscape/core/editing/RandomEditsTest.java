package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.random.RandomGenerator;
import loesscape.core.model.Aspect;
import loesscape.core.model.Check;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Offer;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Phrase;
import loesscape.core.model.Picture;
import loesscape.core.model.Place;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Sign;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.model.Validation;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** Whatever is edited in whatever order, the template stays valid, and all of it can be taken back. */
class RandomEditsTest {

    @Test
    void everySequenceOfEditsKeepsTheTemplateValidAndCanBeTakenBack() {
        int[] made = {0};
        Set<Class<?>> kinds = new HashSet<>();
        Cases.check("random edits", 1_500, (random, size) -> {
            Template first = RandomTemplates.template(random, size);
            Template now = first;
            List<Change> changes = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                Template before = now;
                Edit edit = random.nextInt(3) == 0 ? rarerEdit(random, before) : edit(random, before);
                try {
                    now = Editing.apply(before, edit);
                } catch (Refusal refusal) {
                    assertThat(refusal).hasMessageNotContaining("null");
                    continue;
                }
                made[0]++;
                kinds.add(edit.getClass());
                assertThat(Validation.of(now)).isEmpty();
                Change change = Change.between(TemplateIndex.of(before), TemplateIndex.of(now));
                assertThat(change.applyTo(before)).isEqualTo(now);
                changes.add(change);
            }
            for (Change change : changes.reversed()) {
                now = change.reversed().applyTo(now);
            }
            assertThat(now).isEqualTo(first);
        });
        assertThat(made[0]).as("edits that were not refused").isGreaterThan(Cases.areAll() ? 5_000 : 0);
        if (Cases.areAll()) {
            assertThat(kinds).as("edits of every kind").containsAll(List.of(Edit.class.getPermittedSubclasses()));
        }
    }

    private static Edit edit(RandomGenerator random, Template template) {
        List<Node> nodes = template.nodes();
        List<Field> fields = template.fields();
        Node node = nodes.get(random.nextInt(nodes.size()));
        String key = node.key();
        String other = nodes.get(random.nextInt(nodes.size())).key();
        String inside =
                TemplateIndex.of(template).heldBy(other).stream().findFirst().orElse(null);
        int what = random.nextInt(fields.isEmpty() ? 8 : 28);
        if (what >= 13) {
            return logicEdit(random, template, what - 13, nodes, fields);
        }
        return switch (what) {
            case 0 -> new Edit.Retitle("Title " + random.nextInt(9), "");
            case 1 -> new Edit.Add(pick(random, Edit.Novelty.values()), "Label", other, inside);
            case 2 -> new Edit.Relabel(key, "Label " + random.nextInt(9));
            case 3 -> new Edit.SetHelp(key, "Help");
            case 4 -> new Edit.RenameKey(key, "key_" + random.nextInt(50));
            case 5 -> new Edit.Move(key, other, inside);
            case 6 -> new Edit.Duplicate(List.of(key), null, null);
            case 7 -> new Edit.Delete(List.of(key), random.nextBoolean());
            case 8 ->
                new Edit.SetCondition(
                        List.of(key),
                        List.of(pick(random, Aspect.values())),
                        RandomTemplates.condition(random, fields));
            case 9 -> new Edit.SetWidth(key, Field.Width.HALF);
            case 10 -> new Edit.SetKind(key, new FieldKind.Text("", 0));
            case 11 -> choiceEdit(random, fields.get(random.nextInt(fields.size())));
            default -> new Edit.SetBands(key, List.of());
        };
    }

    /** Edits of lists, blocks, pictures and of the document as a whole. */
    private static Edit rarerEdit(RandomGenerator random, Template template) {
        List<Node> nodes = template.nodes();
        List<Field> fields = template.fields();
        String key = nodes.get(random.nextInt(nodes.size())).key();
        String other = nodes.get(random.nextInt(nodes.size())).key();
        String field = fields.isEmpty()
                ? "none"
                : fields.get(random.nextInt(fields.size())).key();
        String parent = fields.isEmpty()
                ? "none"
                : fields.get(random.nextInt(fields.size())).key();
        String choice = fields.isEmpty() ? "none" : choiceOf(fields, field);
        String section = section(random, template, false);
        String list = template.lists().isEmpty()
                ? "none"
                : template.lists().getFirst().key();
        Condition condition = RandomTemplates.condition(random, fields);
        Condition some = condition == null ? new Condition.Always() : condition;
        return switch (random.nextInt(26)) {
            case 0 -> new Edit.AddLookups(list, section, null);
            case 1 -> new Edit.SetOffer(field, random.nextInt(4) == 0 ? null : new Offer(parent, Map.of()));
            case 2 -> new Edit.StoreChoice(field, choice, "stored " + random.nextInt(9));
            case 3 ->
                new Edit.SetFolding(
                        List.of(key, other),
                        new Folding(
                                random.nextBoolean(), pick(random, Folding.Motion.values()), random.nextInt(2_100)));
            case 4 ->
                new Edit.SetSigns(
                        indicator(template),
                        List.of(),
                        new Indicator.Presence(Sign.saying("There"), Sign.saying("Missing")));
            case 5 ->
                picture(template).equals("none")
                        ? new Edit.Add(Edit.Novelty.PICTURE, "Map", section, null, null)
                        : new Edit.SetPicture(picture(template), random.nextBoolean() ? "well.svg" : "", "");
            case 6 -> new Edit.Follow(indicator(template), field);
            case 7 ->
                new Edit.PutList(new LookupList(
                        "list" + random.nextInt(3),
                        "List",
                        List.of(new LookupList.Column("a", "A", false)),
                        List.of(List.of("one"), List.of("two")),
                        null));
            case 8 -> new Edit.PutTable(list, "Table", List.of(List.of("Valley", "Rate"), List.of("North", "2.5")));
            case 9 -> new Edit.RemoveList(random.nextBoolean() ? list : "list" + random.nextInt(3));
            case 10 ->
                new Edit.SetPageSettings(new PageSettings(
                        pick(random, PageSettings.Spacing.values()),
                        pick(random, PageSettings.Paper.values()),
                        pick(random, PageSettings.Numbering.values()),
                        random.nextBoolean() ? "de" : "ar"));
            case 11 -> new Edit.PutTrials(List.of(Trial.of("Trial " + random.nextInt(3), Map.of(field, "1"))));
            case 12 ->
                random.nextBoolean()
                        ? new Edit.Together(
                                List.of(new Edit.Relabel(field, "Together"), new Edit.SetHelp(field, "As one")))
                        : new Edit.RemoveTrial(
                                template.trials().isEmpty()
                                        ? "Trial 0"
                                        : template.trials().getFirst().name());
            case 13 ->
                random.nextBoolean()
                        ? new Edit.SetPromises(
                                List.of(new PromiseRule(some, new Promised.NodeIs(field, Aspect.REQUIRED, true))))
                        : random.nextBoolean()
                                ? new Edit.SetFinish(List.of(new FinishRule(some, "Not yet.")))
                                : new Edit.AcceptFinding(
                                        random.nextInt(4) == 0 ? "" : key,
                                        "Found " + random.nextInt(2),
                                        random.nextInt(3) == 0 ? " " : "It is meant.");
            case 14 ->
                new Edit.UseBlock(BLOCK, "block", 1, template.pages().getFirst().key(), null);
            case 15 -> new Edit.TakeOver(section(random, template, true), LATER, 2, List.of());
            case 16 -> new Edit.SetOrigin(section(random, template, true), null);
            case 17 ->
                new Edit.SetText(
                        notice(template),
                        "See {ref:%s} of {%s} [%s: when | else] [%s: {%s}]"
                                .formatted(key, field, "late", section, parent),
                        random.nextBoolean() ? List.of(new Phrase("late", some)) : List.of());
            case 18 -> new Edit.SetClause(List.of(notice(template)), random.nextInt(5));
            case 19 -> new Edit.SetMedium(List.of(key), pick(random, Medium.values()));
            case 20 -> new Edit.Add(Edit.Novelty.NOTICE, "Told {" + field + "}", section, null, condition);
            case 21 ->
                new Edit.SetPlaces(page(template), List.of(place(random, field, choice), place(random, key, "")));
            case 22 ->
                new Edit.AddAt(pick(random, Edit.Novelty.values()), "Drawn", page(template), place(random, key, ""));
            // What is not there yet is drawn first, so that some can be changed.
            case 23 ->
                overlay(template).equals("none")
                        ? new Edit.AddAt(Edit.Novelty.STROKE, "Drawn", page(template), place(random, key, ""))
                        : new Edit.SetOverlay(overlay(template), pick(random, Overlay.OverlayShape.values()), "none");
            case 24 -> {
                Place at = place(random, key, "");
                Edit.PrintedMark mark = new Edit.PrintedMark(random.nextBoolean() ? "Marked" : "", at);
                yield new Edit.AddPrinted(
                        page(template),
                        List.of(new Edit.PrintedQuestion(
                                pick(random, Edit.Novelty.values()),
                                "Printed",
                                random.nextBoolean() ? "Heading" : "",
                                at,
                                random.nextBoolean() ? List.of() : List.of(mark, mark))));
            }
            default -> new Edit.Add(pick(random, Edit.Novelty.values()), "Added", section, null, condition);
        };
    }

    private static Place place(RandomGenerator random, String item, String choice) {
        String mark = choice.equals("none") || random.nextBoolean() ? "" : choice;
        return Place.of(item, random.nextInt(21_000), random.nextInt(29_000), 1 + random.nextInt(9_000), 700)
                .ofChoice(mark);
    }

    /** A page of a PDF, where there is one. */
    private static String page(Template template) {
        return template.pages().stream()
                .filter(page -> page.sheet() != null)
                .map(Page::key)
                .findFirst()
                .orElse(template.pages().getFirst().key());
    }

    private static String overlay(Template template) {
        return template.nodes().stream()
                .filter(Overlay.class::isInstance)
                .map(Node::key)
                .findFirst()
                .orElse("none");
    }

    private static String choiceOf(List<Field> fields, String key) {
        return fields.stream()
                .filter(field -> field.key().equals(key))
                .map(field -> String.valueOf(firstChoice(field)))
                .findFirst()
                .orElse("none");
    }

    private static final Template BLOCK = block("Who asks");
    private static final Template LATER = block("Who asks, and why");

    private static Template block(String title) {
        return Template.of(
                title,
                List.of(new Page(
                        "block_page",
                        "",
                        null,
                        List.of(Section.of(
                                "asks", title, List.of(Field.of("asks_name", title, new FieldKind.Text("", 0))))))));
    }

    /** The key of a section, one that came from a block where that is wanted and there is one. */
    private static String notice(Template template) {
        return template.nodes().stream()
                .filter(Notice.class::isInstance)
                .map(Node::key)
                .findFirst()
                .orElse("none");
    }

    private static String section(RandomGenerator random, Template template, boolean isOfBlock) {
        List<String> keys = template.nodes().stream()
                .filter(node -> node instanceof Section it && (!isOfBlock || it.origin() != null))
                .map(Node::key)
                .toList();
        return keys.isEmpty() ? "none" : keys.get(random.nextInt(keys.size()));
    }

    private static String indicator(Template template) {
        return key(template, Indicator.class);
    }

    private static String picture(Template template) {
        return key(template, Picture.class);
    }

    private static String key(Template template, Class<? extends Node> type) {
        return template.nodes().stream()
                .filter(type::isInstance)
                .map(Node::key)
                .findFirst()
                .orElse("none");
    }

    private static Edit logicEdit(
            RandomGenerator random, Template template, int what, List<Node> nodes, List<Field> fields) {
        String key = nodes.get(random.nextInt(nodes.size())).key();
        String other = nodes.get(random.nextInt(nodes.size())).key();
        String field = fields.get(random.nextInt(fields.size())).key();
        Condition condition = RandomTemplates.condition(random, fields);
        Condition some = condition == null ? new Clause.Answered(field) : condition;
        String shared = template.conditions().isEmpty()
                ? "none"
                : template.conditions()
                        .get(random.nextInt(template.conditions().size()))
                        .key();
        return switch (what) {
            case 0 -> new Edit.SetCondition(List.of(key, other), List.of(Aspect.SHOWN), some);
            case 1 -> new Edit.CopyLogic(key, List.of(other));
            case 2 ->
                new Edit.SetValue(
                        field, new FieldValue.WorkedOut(fields.getFirst().key(), random.nextBoolean()));
            case 3 ->
                new Edit.SetLooks(
                        List.of(key), List.of(new LookRule(some, Look.PLAIN, pick(random, LookRule.Extent.values()))));
            case 4 -> new Edit.SetChecks(field, List.of(new Check(some, "Refused.")));
            case 5 -> new Edit.SetRole(List.of(field), random.nextBoolean() ? "role1" : "");
            case 6 -> new Edit.SetRows(key, random.nextBoolean() ? null : new Section.Rows(0, 3));
            case 7 -> new Edit.Extract(key, pick(random, Aspect.values()), "Shared " + random.nextInt(9));
            case 8 -> new Edit.Inline(shared);
            case 9 -> new Edit.NewShared("Shared " + random.nextInt(9), some);
            case 10 -> new Edit.SetShared(shared, "Shared " + random.nextInt(9), some);
            case 11 -> new Edit.RemoveShared(shared, random.nextBoolean());
            case 12 -> new Edit.RemoveRole("role1", random.nextBoolean());
            case 13 -> new Edit.PutRole(new Role("role1", "Role", random.nextInt(3), condition));
            default -> new Edit.Duplicate(List.of(key, other), null, null);
        };
    }

    private static Edit choiceEdit(RandomGenerator random, Field field) {
        String first = firstChoice(field);
        return switch (random.nextInt(4)) {
            case 0 -> new Edit.AddChoice(field.key(), "Another", first);
            case 1 -> new Edit.RelabelChoice(field.key(), first == null ? "none" : first, "New words");
            case 2 -> new Edit.MoveChoice(field.key(), first == null ? "none" : first, null);
            default -> new Edit.RemoveChoice(field.key(), first == null ? "none" : first, random.nextBoolean());
        };
    }

    private static @Nullable String firstChoice(Field field) {
        return field.kind() instanceof FieldKind.Choosing one
                ? one.choices().getLast().id()
                : null;
    }

    private static <T> T pick(RandomGenerator random, T[] from) {
        return from[random.nextInt(from.length)];
    }
}
