package loesscape.core.evaluation;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;

/** Where the nodes of a template stand in arrays: in document order, each before what it holds. */
final class Slots {

    /** Stands for no slot. */
    static final int NONE = -1;

    private final List<Node> nodes;
    private final String[] keys;
    private final Map<String, Integer> slots = new HashMap<>();
    private final int[] holders;
    private final int[] rows;
    private final int[] ends;
    private final boolean hasRows;

    Slots(Template template) {
        this.nodes = template.nodes();
        this.keys = nodes.stream().map(Node::key).toArray(String[]::new);
        for (int slot = 0; slot < keys.length; slot++) {
            slots.put(keys[slot], slot);
        }
        this.holders = filled(NONE);
        this.rows = filled(NONE);
        this.ends = filled(0);
        for (Page page : template.pages()) {
            int at = of(page.key());
            int end = at + 1;
            for (Section section : page.sections()) {
                end = enter(section, at, NONE);
            }
            ends[at] = end;
        }
        this.hasRows = nodes.stream().anyMatch(node -> node instanceof Section it && it.isRepeating());
    }

    private int[] filled(int value) {
        int[] all = new int[nodes.size()];
        Arrays.fill(all, value);
        return all;
    }

    private int enter(Section section, int holder, int around) {
        int at = of(section.key());
        holders[at] = holder;
        rows[at] = around;
        int within = section.isRepeating() ? at : around;
        int end = at + 1;
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                end = enter(inner, at, within);
            } else {
                int slot = of(item.key());
                holders[slot] = at;
                rows[slot] = within;
                ends[slot] = slot + 1;
                end = slot + 1;
            }
        }
        ends[at] = end;
        return end;
    }

    int count() {
        return nodes.size();
    }

    Node node(int slot) {
        return nodes.get(slot);
    }

    String key(int slot) {
        return keys[slot];
    }

    /** The slot of a node. */
    int of(String key) {
        Integer slot = slots.get(key);
        if (slot == null) {
            throw new IllegalArgumentException("No node has the key " + key);
        }
        return slot;
    }

    /** The slot of a node; {@link NONE} where there is no such node. */
    int find(String key) {
        return slots.getOrDefault(key, NONE);
    }

    /** The slot of what holds a node; {@link NONE} for pages. */
    int holder(int slot) {
        return holders[slot];
    }

    /** The slot of the repeating section in whose rows a node stands; {@link NONE} where it stands in none. */
    int rows(int slot) {
        return rows[slot];
    }

    boolean isInRows(int slot) {
        return rows[slot] != NONE;
    }

    /** Whether anything repeats. */
    boolean hasRows() {
        return hasRows;
    }

    boolean isRepeating(int slot) {
        return nodes.get(slot) instanceof Section section && section.isRepeating();
    }

    /** The slot behind the last node that a node holds. */
    int end(int slot) {
        return ends[slot];
    }

    /** The address of a node in a row. */
    String address(int slot, String row) {
        return RowNames.address(key(slot), row);
    }
}
