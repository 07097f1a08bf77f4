package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/** Anything in a document that can be shown or folded: a page, a section or an item. */
public sealed interface Node permits Page, Item {

    /** The name by which conditions, answers and edits refer to this node; unique in the template. */
    String key();

    /** What an author calls this node: its title or label, or its first words. */
    String name();

    /** When this node is shown; null for always. A node is shown only if what holds it is shown too. */
    @Nullable
    Condition shown();

    /** The same node with another condition for when it is shown. */
    Node withShown(@Nullable Condition shown);
}
