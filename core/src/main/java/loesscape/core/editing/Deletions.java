package loesscape.core.editing;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.model.Indicator;

/** Deletes nodes with all that they hold. */
final class Deletions {

    private Deletions() {}

    static Parts delete(Parts parts, Edit.Delete edit) {
        Set<String> gone = new LinkedHashSet<>();
        edit.keys().forEach(key -> {
            parts.node(key);
            gone.addAll(parts.withContent(key));
        });
        if (gone.containsAll(parts.heldBy(Parts.ROOT))) {
            throw new Refusal("A document keeps at least one page.");
        }
        List<Refusal.Follower> followers = Followers.of(parts, gone);
        if (!followers.isEmpty() && !edit.dropFollowers()) {
            throw new Refusal(
                    "%s %s followed by others."
                            .formatted(
                                    Editing.names(parts, edit.keys()),
                                    edit.keys().size() == 1 ? "is" : "are"),
                    followers);
        }
        List<String> all = new ArrayList<>(gone);
        parts.nodes().values().stream()
                .filter(node -> node instanceof Indicator indicator && gone.contains(indicator.follows()))
                .forEach(node -> all.add(node.key()));
        return Followers.rewritten(parts.without(all), leaf -> Followers.looksAt(leaf, gone) ? null : leaf);
    }
}
