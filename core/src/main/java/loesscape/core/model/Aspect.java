package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/** One thing about a node that a condition can drive. */
public enum Aspect {
    /** Whether the node is there for the reader. Plain default: always. */
    SHOWN,
    /** Whether an answer is asked for. Plain default: never. */
    REQUIRED,
    /** Whether the field can be answered. Plain default: always. */
    EDITABLE;

    /** The condition that drives this aspect of a node; null where the plain default holds. */
    public @Nullable Condition of(Node node) {
        return switch (this) {
            case SHOWN -> node.shown();
            case REQUIRED -> node instanceof Field field ? field.required() : null;
            case EDITABLE -> node instanceof Field field ? field.editable() : null;
        };
    }

    /** Whether this aspect is so where no condition drives it. */
    public boolean plainDefault() {
        return this != REQUIRED;
    }
}
