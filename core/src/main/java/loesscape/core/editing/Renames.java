package loesscape.core.editing;

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
                }
            }
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
}
