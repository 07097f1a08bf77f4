package loesscape.core.editing;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Keys;
import org.jspecify.annotations.Nullable;

/** Edits the choices of a field; what follows a choice follows its identity and is carried along. */
final class Choices {

    private Choices() {}

    static Parts add(Parts parts, Edit.AddChoice edit) {
        Field field = parts.field(edit.key());
        List<Choice> choices = of(field);
        String label = edit.label().strip();
        String id = Keys.from(label, "choice", taken -> index(choices, taken) >= 0);
        choices.add(place(choices, edit.after()), new Choice(id, label));
        return with(parts, field, choices);
    }

    static Parts relabel(Parts parts, Edit.RelabelChoice edit) {
        Field field = parts.field(edit.key());
        List<Choice> choices = of(field);
        choices.set(
                find(field, choices, edit.choice()),
                new Choice(edit.choice(), edit.label().strip()));
        return with(parts, field, choices);
    }

    static Parts move(Parts parts, Edit.MoveChoice edit) {
        Field field = parts.field(edit.key());
        List<Choice> choices = of(field);
        Choice moved = choices.remove(find(field, choices, edit.choice()));
        choices.add(place(choices, edit.after()), moved);
        return with(parts, field, choices);
    }

    static Parts remove(Parts parts, Edit.RemoveChoice edit) {
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
        return Followers.rewritten(
                with(parts, field, choices), leaf -> withoutChoice(leaf, field.key(), edit.choice()));
    }

    private static Condition.@Nullable Leaf withoutChoice(Condition.Leaf leaf, String field, String choice) {
        if (leaf instanceof Clause.ChoiceClause it && it.field().equals(field)) {
            List<String> rest =
                    it.choices().stream().filter(id -> !id.equals(choice)).toList();
            return rest.isEmpty() ? null : new Clause.ChoiceClause(field, it.test(), rest, it.whenBlank());
        }
        return leaf;
    }

    private static List<Choice> of(Field field) {
        if (field.kind() instanceof FieldKind.OneChoice one) {
            return new ArrayList<>(one.choices());
        }
        throw new Refusal("“%s” has no choices of its own.".formatted(field.name()));
    }

    private static Parts with(Parts parts, Field field, List<Choice> choices) {
        FieldKind.OneChoice one = (FieldKind.OneChoice) field.kind();
        return parts.with(field.withKind(new FieldKind.OneChoice(choices, one.layout())));
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
