package loesscape.core.analysis.proof;

import java.util.List;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.Look;
import loesscape.core.model.Promised;
import org.jspecify.annotations.Nullable;

/** One thing that is said of how a document stands. */
public sealed interface Claim {

    /**
     * The place of a node is there: what holds it is shown, and it has a row where it stands in rows.
     *
     * @param key of a node
     */
    record Stands(String key) implements Claim {}

    /**
     * A node is shown, or not.
     *
     * @param key of a node; of one in rows it is said of one row
     */
    record Shows(String key, boolean is) implements Claim {}

    /**
     * A node is required, editable or opened out, or not; shown as {@link Shows} says.
     *
     * @param key of a node that has the aspect; of one in rows it is said of one row
     */
    record Is(String key, Aspect aspect, boolean is) implements Claim {}

    /**
     * A node has a look, or not; what is folded is not looked at, but its conditions are.
     *
     * @param key of a node that can have looks; of one in rows it is said of one row
     */
    record Looks(String key, Look look, boolean is) implements Claim {}

    /**
     * The document is being filled in, by whoever answers a field or by nobody in particular.
     *
     * @param field the key of one
     */
    record InTurn(String field) implements Claim {}

    /**
     * So many of some nodes are shown, or not so many.
     *
     * @param keys of nodes that stand in the same rows, or in none
     */
    record SomeShown(List<String> keys, Promised.HowMany count, boolean is) implements Claim {

        public SomeShown {
            keys = List.copyOf(keys);
        }
    }

    /** A field refuses the answer that stands in it, or has none that it refuses. */
    record Refuses(String field, boolean is) implements Claim {}

    /** A role takes part, or not. */
    record TakesPart(String role, boolean is) implements Claim {}

    /** Something other than an answer that is missing, or not offered any more, keeps the document from being finished, or nothing does. */
    record IsHeldUp(boolean is) implements Claim {}

    /**
     * A condition is met, or not.
     *
     * @param within the repeating section in one of whose rows it is asked; null for outside of rows
     */
    record Meets(Condition condition, @Nullable String within, boolean is) implements Claim {}

    /**
     * One of two conditions is met and the other is not.
     *
     * @param within the repeating section in one of whose rows they are asked; null for outside of rows
     */
    record Differ(Condition one, Condition other, @Nullable String within) implements Claim {}

    /**
     * A field is shown and offers a choice, or does not.
     *
     * @param field of a field with choices
     * @param choice the identity of one
     */
    record Offers(String field, String choice, boolean is) implements Claim {}
}
