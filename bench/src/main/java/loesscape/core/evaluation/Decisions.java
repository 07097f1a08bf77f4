package loesscape.core.evaluation;

import java.util.Arrays;
import java.util.Optional;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Node;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Value;

/**
 * What is shown, required and editable for given values, without reading texts and without telling states: for looking at
 * very many sets of answers. It runs code made for its template (see {@link DecisionWriter}) and says the same as
 * {@link CompiledTemplate#evaluate}. Not for several threads.
 */
public final class Decisions {

    private final Slots slots;
    private final DecisionCode code;
    private final Value[] values;
    private final long[] codes;
    private final long[] counting;
    private final boolean[] shown;
    private final boolean[] required;
    private final boolean[] editable;
    private final Seen seen;

    private Decisions(Slots slots, DecisionCode code, Context context) {
        int count = slots.count();
        this.slots = slots;
        this.code = code;
        this.values = new Value[count];
        this.codes = new long[count];
        this.counting = new long[count];
        this.shown = new boolean[count];
        this.required = new boolean[count];
        this.editable = new boolean[count];
        this.seen = new Seen(count, false, context);
        Arrays.fill(values, Value.blank());
        Arrays.fill(codes, Codes.BLANK);
    }

    /**
     * Decisions of a template in a context; none where it has rows, values that are worked out, or choices that follow
     * others, which only evaluating the document tells.
     */
    public static Optional<Decisions> of(CompiledTemplate template, Context context) {
        if (context.stage() == Stage.FINISHED || context.stage() == Stage.PRINT) {
            return Optional.empty();
        }
        Template all = template.template();
        if (!all.nodes().stream().allMatch(Decisions::isDecidable)
                || all.roles().stream().anyMatch(role -> role.takesPart() != null)) {
            return Optional.empty();
        }
        DecisionCode code = DecisionWriter.write(
                template.slots(),
                template.order(),
                condition -> template.conditions().compile(condition, null),
                template.symbols());
        return Optional.of(new Decisions(template.slots(), code, context));
    }

    private static boolean isDecidable(Node node) {
        return switch (node) {
            case Section section -> !section.isRepeating();
            case Field field ->
                !(field.value() instanceof FieldValue.WorkedOut)
                        && !(field.kind() instanceof FieldKind.Payment)
                        && !(field.kind() instanceof FieldKind.Choosing it && it.offer() != null)
                        && !(field.kind() instanceof FieldKind.Lookup it
                                && !it.filters().isEmpty());
            default -> true;
        };
    }

    /** The value a field is answered with from now on; blank for none. What it is worth is only known by {@link decide}. */
    public void answer(String field, Value value) {
        int slot = slots.of(field);
        if (!(slots.node(slot) instanceof Field)) {
            throw new IllegalArgumentException(field + " is not a field");
        }
        values[slot] = value;
        codes[slot] = code.codes(slot).of(value);
    }

    /** Decides everything for the values as they are now. */
    public void decide() {
        seen.changed();
        code.generated().decide(seen, values, codes, counting, shown, required, editable);
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
        int slot = slots.of(key);
        return shown[slot] ? values[slot] : Value.blank();
    }
}
