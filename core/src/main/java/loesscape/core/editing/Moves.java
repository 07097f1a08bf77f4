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

    static Parts move(Parts parts, Edit.Move edit) {
        Node node = parts.node(edit.key());
        if (edit.key().equals(edit.after())) {
            return parts;
        }
        boolean fits = switch (node) {
            case Page ignored -> edit.holder().equals(Parts.ROOT);
            case Section ignored -> parts.node(edit.holder()) instanceof Page;
            case Item ignored -> parts.node(edit.holder()) instanceof Section;
        };
        if (!fits) {
            throw new Refusal("“%s” cannot stand there.".formatted(node.name()));
        }
        String from = parts.holder(edit.key());
        List<String> rest = new ArrayList<>(parts.heldBy(from));
        rest.remove(edit.key());
        return parts.holding(from, rest).inserted(edit.key(), edit.holder(), edit.after());
    }
}
