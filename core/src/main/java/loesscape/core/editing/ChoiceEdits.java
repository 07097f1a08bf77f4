package loesscape.core.editing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Names;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Keys;
import loesscape.core.model.Node;
import loesscape.core.model.Offer;
import org.jspecify.annotations.Nullable;

/** Edits the choices of a field; what follows a choice follows its identity and is carried along. */
final class ChoiceEdits {

    private ChoiceEdits() {}

    static TemplateIndex add(TemplateIndex parts, Edit.AddChoice edit) {
        Field field = parts.field(edit.key());
        List<Choice> choices = of(field);
        String label = edit.label().strip();
        String id = Keys.from(label, "choice", taken -> index(choices, taken) >= 0 || taken.equals(Choice.OTHER));
        choices.add(place(choices, edit.after()), Choice.of(id, label));
        return with(parts, field, choices);
    }

    static TemplateIndex relabel(TemplateIndex parts, Edit.RelabelChoice edit) {
        Field field = parts.field(edit.key());
        List<Choice> choices = of(field);
        int at = find(field, choices, edit.choice());
        choices.set(
                at,
                new Choice(edit.choice(), edit.label().strip(), choices.get(at).stored()));
        return with(parts, field, choices);
    }

    static TemplateIndex store(TemplateIndex parts, Edit.StoreChoice edit) {
        Field field = parts.field(edit.key());
        List<Choice> choices = of(field);
        int at = find(field, choices, edit.choice());
        choices.set(
                at,
                new Choice(edit.choice(), choices.get(at).label(), edit.stored().strip()));
        return with(parts, field, choices);
    }

    static TemplateIndex offer(TemplateIndex parts, Edit.SetOffer edit) {
        Field field = parts.field(edit.key());
        return parts.with(field.withKind(choices(field).withOffer(edit.offer())));
    }

    static TemplateIndex move(TemplateIndex parts, Edit.MoveChoice edit) {
        Field field = parts.field(edit.key());
        List<Choice> choices = of(field);
        Choice moved = choices.remove(find(field, choices, edit.choice()));
        choices.add(place(choices, edit.after()), moved);
        return with(parts, field, choices);
    }

    static TemplateIndex remove(TemplateIndex parts, Edit.RemoveChoice edit) {
        Field field = parts.field(edit.key());
        List<Choice> choices = of(field);
        Choice removed = choices.remove(find(field, choices, edit.choice()));
        if (choices.isEmpty()) {
            throw new Refusal("“%s” is the last choice; a field needs at least one.".formatted(removed.label()));
        }
        List<Refusal.Follower> followers = Followers.ofChoice(parts, field.key(), edit.choice());
        if (!followers.isEmpty() && !edit.dropFollowers()) {
            throw new Refusal(
                    "Conditions name the choice “%s” of “%s”.".formatted(removed.label(), field.name()), followers);
        }
        TemplateIndex without = Mappings.mapped(
                with(parts, field, choices),
                Mappings.rewriting(leaf -> withoutChoice(leaf, field.key(), edit.choice())));
        Map<String, Node> nodes = new LinkedHashMap<>(without.nodes());
        nodes.replaceAll((key, node) -> withoutChoice(node, field.key(), edit.choice()));
        return new TemplateIndex(without.title(), without.subtitle(), nodes, without.held(), without.rest());
    }

    private static @Nullable Condition withoutChoice(Condition.Leaf leaf, String field, String choice) {
        return switch (leaf) {
            case Clause.ChoiceClause it
            when it.field().equals(field) && it.choices().contains(choice) -> {
                List<String> rest = without(it.choices(), choice);
                yield rest.isEmpty() ? null : new Clause.ChoiceClause(field, it.test(), rest, it.whenBlank());
            }
            case Clause.SetClause it
            when it.field().equals(field) && it.choices().contains(choice) -> {
                List<String> rest = without(it.choices(), choice);
                yield rest.isEmpty() ? null : new Clause.SetClause(field, it.test(), rest, it.whenBlank());
            }
            case Condition.Written(var formula)
            when Names.in(formula).contains(field) && formula.contains("\"" + choice + "\"") -> null;
            default -> leaf;
        };
    }

    private static Node withoutChoice(Node node, String field, String choice) {
        return switch (node) {
            case Indicator it
            when it.follows().equals(field) && !it.choices().isEmpty() ->
                it.withChoices(it.choices().stream()
                        .filter(each -> !each.choice().equals(choice))
                        .toList());
            case Field it
            when it.kind() instanceof FieldKind.Choosing of && of.offer() != null ->
                it.withKind(of.withOffer(withoutChoice(of.offer(), it.key(), field, choice)));
            default -> node;
        };
    }

    private static Offer withoutChoice(Offer offer, String owner, String field, String choice) {
        Map<String, List<String>> perAnswer = new LinkedHashMap<>();
        offer.perAnswer().forEach((answer, offered) -> {
            if (!(offer.parent().equals(field) && answer.equals(choice))) {
                perAnswer.put(answer, owner.equals(field) ? without(offered, choice) : offered);
            }
        });
        return new Offer(offer.parent(), perAnswer);
    }

    private static List<String> without(List<String> choices, String choice) {
        return choices.stream().filter(id -> !id.equals(choice)).toList();
    }

    private static List<Choice> of(Field field) {
        return new ArrayList<>(choices(field).choices());
    }

    private static FieldKind.Choosing choices(Field field) {
        if (field.kind() instanceof FieldKind.Choosing kind) {
            return kind;
        }
        throw new Refusal("“%s” has no choices of its own.".formatted(field.name()));
    }

    private static TemplateIndex with(TemplateIndex parts, Field field, List<Choice> choices) {
        return parts.with(field.withKind(choices(field).withChoices(choices)));
    }

    private static int find(Field field, List<Choice> choices, String id) {
        int index = index(choices, id);
        if (index < 0) {
            throw new Refusal("“%s” no longer has this choice.".formatted(field.name()));
        }
        return index;
    }

    private static int index(List<Choice> choices, String id) {
        for (int i = 0; i < choices.size(); i++) {
            if (choices.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }

    private static int place(List<Choice> choices, @Nullable String after) {
        return after == null ? 0 : index(choices, after) < 0 ? choices.size() : index(choices, after) + 1;
    }
}
