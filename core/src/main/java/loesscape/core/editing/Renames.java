package loesscape.core.editing;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Node;

/** Which keys were changed in the history of a template. */
public final class Renames {

    private Renames() {}

    /**
     * The keys of now of what had another key before some changes, by what that was.
     *
     * @param changes the oldest first
     */
    public static Map<String, String> of(List<Change> changes) {
        Map<String, String> renamed = new LinkedHashMap<>();
        Map<String, Removed> removed = new HashMap<>();
        for (Change change : changes) {
            Map<String, Node> gone = new LinkedHashMap<>();
            Map<String, Node> added = new LinkedHashMap<>();
            change.nodes().forEach((key, swap) -> {
                if (swap.is() == null && swap.was() != null) {
                    gone.put(key, swap.was());
                } else if (swap.was() == null && swap.is() != null) {
                    added.put(key, swap.is());
                }
            });
            // An edit renames one key at a time; what else comes and goes at once is no rename.
            if (gone.size() == 1 && added.size() == 1) {
                Map.Entry<String, Node> was = gone.entrySet().iterator().next();
                Map.Entry<String, Node> is = added.entrySet().iterator().next();
                if (was.getValue().getClass().equals(is.getValue().getClass())
                        && was.getValue().name().equals(is.getValue().name())) {
                    rename(renamed, was.getKey(), is.getKey());
                    continue;
                }
            }
            gone.forEach((key, node) -> remove(renamed, removed, key, node));
            added.forEach((key, node) -> restore(renamed, removed, key, node));
        }
        renamed.entrySet().removeIf(each -> each.getKey().equals(each.getValue()));
        return renamed;
    }

    private static void rename(Map<String, String> renamed, String from, String to) {
        boolean isKnown = renamed.containsValue(from);
        renamed.replaceAll((first, now) -> now.equals(from) ? to : now);
        if (!isKnown) {
            renamed.put(from, to);
        }
    }

    /**
     * What was taken away after it was renamed.
     *
     * @param first its key before
     */
    private record Removed(String first, Node node) {}

    private static void remove(Map<String, String> renamed, Map<String, Removed> removed, String key, Node node) {
        renamed.entrySet().stream()
                .filter(each -> each.getValue().equals(key))
                .map(Map.Entry::getKey)
                .findFirst()
                .ifPresent(first -> {
                    renamed.remove(first);
                    removed.put(key, new Removed(first, node));
                });
    }

    /** What comes back as it was is what it was, as after taking it away is undone; anything else of that key is something new. */
    private static void restore(Map<String, String> renamed, Map<String, Removed> removed, String key, Node node) {
        Removed before = removed.remove(key);
        if (before != null && before.node().equals(node)) {
            renamed.put(before.first(), key);
        }
    }
}
