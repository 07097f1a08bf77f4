package loesscape.core.analysis;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;

/**
 * Who follows whom.
 *
 * @param nodes the bonds of every node, by key
 */
public record Bonds(Map<String, Bond> nodes) {

    /**
     * The bonds of one node.
     *
     * @param follows the fields and repeating sections it looks at in any way
     * @param followers the nodes that look at it
     * @param depth how many conditions deep it lies: its own for <em>shown</em> and those of what holds it
     */
    public record Bond(List<String> follows, List<String> followers, int depth) {}

    /** The bonds of a template. */
    public static Bonds of(Template template) {
        Map<String, Set<String>> follows = new LinkedHashMap<>();
        Map<String, Set<String>> followers = new HashMap<>();
        SymbolTable symbols = SymbolTable.of(template);
        for (Node node : template.nodes()) {
            Set<String> fields = new LinkedHashSet<>();
            Logic.uses(node, symbols).forEach(use -> fields.addAll(use.sources()));
            follows.put(node.key(), fields);
            fields.forEach(field -> followers
                    .computeIfAbsent(field, ignored -> new LinkedHashSet<>())
                    .add(node.key()));
        }
        Map<String, Integer> depths = depths(template);
        Map<String, Bond> nodes = new LinkedHashMap<>();
        follows.forEach((key, fields) -> nodes.put(
                key,
                new Bond(
                        List.copyOf(fields),
                        List.copyOf(followers.getOrDefault(key, Set.of())),
                        depths.getOrDefault(key, 0))));
        return new Bonds(nodes);
    }

    private static Map<String, Integer> depths(Template template) {
        Map<String, Integer> depths = new HashMap<>();
        for (Page page : template.pages()) {
            int onPage = own(page);
            depths.put(page.key(), onPage);
            page.sections().forEach(section -> depths(section, onPage, depths));
        }
        return depths;
    }

    private static void depths(Section section, int around, Map<String, Integer> depths) {
        int inSection = around + own(section);
        depths.put(section.key(), inSection);
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                depths(inner, inSection, depths);
            } else {
                depths.put(item.key(), inSection + own(item));
            }
        }
    }

    private static int own(Node node) {
        return node.shown() == null ? 0 : 1;
    }
}
