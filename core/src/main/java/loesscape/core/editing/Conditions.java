package loesscape.core.editing;

import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Node;
import org.jspecify.annotations.Nullable;

/** Sets the condition of an aspect. */
final class Conditions {

    private Conditions() {}

    static Parts set(Parts parts, Edit.SetCondition edit) {
        Parts changed = parts;
        for (String key : edit.keys()) {
            changed = changed.with(with(parts.node(key), edit.aspect(), edit.condition()));
        }
        return changed;
    }

    /** A node with another condition for one aspect; refused where it does not have that aspect. */
    static Node with(Node node, Aspect aspect, @Nullable Condition condition) {
        if (aspect == Aspect.SHOWN) {
            return Parts.shownWhen(node, condition);
        }
        if (!(node instanceof Field it)) {
            throw new Refusal("Only a field can be required or locked; “%s” is none.".formatted(node.name()));
        }
        return aspect == Aspect.REQUIRED ? it.withRequired(condition) : it.withEditable(condition);
    }
}
