package loesscape.core.analysis;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
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
    public static Bonds of(PreparedTemplate prepared) {
        Map<String, Integer> depths = depths(prepared.template());
        Map<String, Bond> nodes = new LinkedHashMap<>();
        for (Node node : prepared.template().nodes()) {
            Set<String> follows = new LinkedHashSet<>();
            prepared.uses(node.key()).forEach(use -> follows.addAll(use.sources()));
            nodes.put(
                    node.key(),
                    new Bond(List.copyOf(follows), prepared.followers(node.key()), depths.getOrDefault(node.key(), 0)));
        }
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
