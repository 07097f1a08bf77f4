package loesscape.core.editing;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Section;

/** Moves nodes to another place. */
final class Moves {

    private Moves() {}

    static TemplateIndex move(TemplateIndex parts, Edit.Move edit) {
        Node node = parts.node(edit.key());
        if (edit.key().equals(edit.after())) {
            return parts;
        }
        if (parts.withContent(edit.key()).contains(edit.holder())) {
            throw new Refusal("“%s” cannot stand in itself.".formatted(node.name()));
        }
        checkFits(parts, node, edit.holder());
        String from = parts.holder(edit.key());
        List<String> rest = new ArrayList<>(parts.heldBy(from));
        rest.remove(edit.key());
        return parts.holding(from, rest).inserted(edit.key(), edit.holder(), edit.after());
    }

    /** Refuses a holder that cannot hold a node. How deep sections stand is for the validation to say. */
    static void checkFits(TemplateIndex parts, Node node, String holder) {
        boolean fits = switch (node) {
            case Page ignored -> holder.equals(TemplateIndex.ROOT);
            case Section ignored ->
                !holder.equals(TemplateIndex.ROOT)
                        && (parts.node(holder) instanceof Page || parts.node(holder) instanceof Section);
            case Item ignored -> !holder.equals(TemplateIndex.ROOT) && parts.node(holder) instanceof Section;
        };
        if (!fits) {
            throw new Refusal("“%s” cannot stand there.".formatted(node.name()));
        }
    }
}
