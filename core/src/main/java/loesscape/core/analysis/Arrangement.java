package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.analysis.VersionDifference.Rewritten;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;

/** How two versions arrange what both have: what holds it, and in which order. */
final class Arrangement {

    /** The key of the document, which holds the pages. */
    private static final String DOCUMENT = "";

    private final Map<String, String> names = new LinkedHashMap<>();
    private final Map<String, String> held;
    private final Map<String, String> holds;

    Arrangement(Template before, Template after) {
        this.held = holders(before);
        this.holds = holders(after);
        names.put(DOCUMENT, after.title());
        before.nodes().forEach(node -> names.put(node.key(), node.name()));
        after.nodes().forEach(node -> names.put(node.key(), node.name()));
    }

    /** By each node, what holds it; in the order of the document. */
    private static Map<String, String> holders(Template template) {
        Map<String, String> holders = new LinkedHashMap<>();
        for (Page page : template.pages()) {
            holders.put(page.key(), DOCUMENT);
            page.sections().forEach(section -> enter(section, page.key(), holders));
        }
        return holders;
    }

    private static void enter(Section section, String holder, Map<String, String> holders) {
        holders.put(section.key(), holder);
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                enter(inner, section.key(), holders);
            } else {
                holders.put(item.key(), section.key());
            }
        }
    }

    /** What has moved into something else, and what has another order. */
    List<Rewritten> told() {
        List<Rewritten> told = new ArrayList<>();
        Map<String, List<String>> were = new LinkedHashMap<>();
        Map<String, List<String>> are = new LinkedHashMap<>();
        holds.forEach((key, holder) -> {
            String earlier = held.get(key);
            if (holder.equals(earlier)) {
                are.computeIfAbsent(holder, each -> new ArrayList<>()).add(key);
            } else if (earlier != null) {
                told.add(new Rewritten(key, name(key), "part of", name(earlier), name(holder)));
            }
        });
        held.forEach((key, holder) -> {
            if (holder.equals(holds.get(key))) {
                were.computeIfAbsent(holder, each -> new ArrayList<>()).add(key);
            }
        });
        are.forEach((holder, inOrder) -> {
            if (!inOrder.equals(were.get(holder))) {
                told.add(new Rewritten(holder, name(holder), "order", "", ""));
            }
        });
        return told;
    }

    private String name(String key) {
        return Objects.requireNonNull(names.get(key), key);
    }
}
