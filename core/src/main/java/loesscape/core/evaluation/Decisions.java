package loesscape.core.evaluation;

import java.util.Optional;
import loesscape.core.model.Field;
import loesscape.core.model.Value;

/**
 * What is shown, required and editable for given values, without reading texts and without telling states: for looking at
 * very many sets of answers. It runs code made for its template (see {@link DecisionWriter}) and says the same as
 * {@link CompiledTemplate#evaluate}. Not for several threads.
 */
public final class Decisions {

    private final Slots slots;
    private final Generated code;
    private final Value[] values;
    private final boolean[] shown;
    private final boolean[] required;
    private final boolean[] editable;
    private final Seen seen;

    /** The code that is made for one template. */
    @FunctionalInterface
    interface Generated {
        void decide(Seen seen, Value[] values, boolean[] shown, boolean[] required, boolean[] editable);
    }

    private Decisions(Slots slots, Generated code, Context context) {
        this.slots = slots;
        this.code = code;
        this.values = new Value[slots.count()];
        this.shown = new boolean[slots.count()];
        this.required = new boolean[slots.count()];
        this.editable = new boolean[slots.count()];
        this.seen = new Seen(slots.count(), context);
        java.util.Arrays.fill(values, Value.blank());
        for (int slot = 0; slot < slots.count(); slot++) {
            seen.counting[slot] = new Value[] {Value.blank()};
        }
    }

    /**
     * Decisions of a template in a context; none where it has rows, values that are worked out, or choices that follow
     * others, which only evaluating the document tells.
     */
    public static Optional<Decisions> of(CompiledTemplate template, Context context) {
        return template.generated().map(code -> new Decisions(template.slots(), code, context));
    }

    /** The value a field is answered with from now on; blank for none. What it is worth is only known by {@link #decide}. */
    public void answer(String field, Value value) {
        int slot = slots.of(field);
        if (!(slots.node(slot) instanceof Field)) {
            throw new IllegalArgumentException(field + " is not a field");
        }
        values[slot] = value;
    }

    /** Decides everything for the values as they are now. */
    public void decide() {
        seen.changed();
        code.decide(seen, values, shown, required, editable);
    }

    /** Whether a node is shown, as it was decided last. */
    public boolean isShown(String key) {
        return shown[slots.of(key)];
    }

    /** Whether an answer is asked for, as it was decided last. */
    public boolean isRequired(String key) {
        return required[slots.of(key)];
    }

    /** Whether a field can be answered, as it was decided last. */
    public boolean isEditable(String key) {
        return editable[slots.of(key)];
    }

    /** The counting value of a field, as it was decided last. */
    public Value counting(String key) {
        return seen.counting[slots.of(key)][0];
    }
}
