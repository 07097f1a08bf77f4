package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/** One thing about a node that a condition can drive. */
public enum Aspect {
    /** Whether the node is there for the reader. Plain default: always. */
    SHOWN,
    /** Whether an answer is asked for. Plain default: never. */
    REQUIRED,
    /** Whether the field can be answered. Plain default: always. */
    EDITABLE,
    /** Whether a section is opened out. Plain default: always. */
    OPEN;

    /** The condition that drives this aspect of a node; null where the plain default holds. */
    public @Nullable Condition of(Node node) {
        return switch (this) {
            case SHOWN -> node.shown();
            case REQUIRED -> node instanceof Field field ? field.required() : null;
            case EDITABLE -> node instanceof Field field ? field.editable() : null;
            case OPEN -> node instanceof Section section ? section.open() : null;
        };
    }

    /** Whether this aspect is so where no condition drives it. */
    public boolean plainDefault() {
        return this != REQUIRED;
    }

    /** Whether a node has this aspect at all. */
    public boolean fits(Node node) {
        return switch (this) {
            case SHOWN -> true;
            case REQUIRED, EDITABLE -> node instanceof Field;
            case OPEN -> node instanceof Section;
        };
    }
}
