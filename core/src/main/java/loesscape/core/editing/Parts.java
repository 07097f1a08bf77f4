package loesscape.core.editing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;

/**
 * A template taken apart: every node without what it holds, and what each node holds as a list of keys. Edits work on
 * parts, because there each node is one step away and its order is a list.
 *
 * @param title of the template
 * @param subtitle of the template
 * @param nodes by key; pages and sections without their content
 * @param held the keys each page and section holds, in order; under {@link #ROOT}, the pages
 */
public record Parts(String title, String subtitle, Map<String, Node> nodes, Map<String, List<String>> held) {

    /** Stands for the template itself as the holder of its pages; never a key. */
    public static final String ROOT = "";

    public Parts {
        nodes = Collections.unmodifiableMap(new LinkedHashMap<>(nodes));
        held = Collections.unmodifiableMap(new LinkedHashMap<>(held));
    }

    /** Takes a template apart. */
    public static Parts of(Template template) {
        Map<String, Node> nodes = new LinkedHashMap<>();
        Map<String, List<String>> held = new LinkedHashMap<>();
        held.put(ROOT, template.pages().stream().map(Page::key).toList());
        for (Page page : template.pages()) {
            nodes.put(page.key(), alone(page));
            held.put(page.key(), page.sections().stream().map(Section::key).toList());
            for (Section section : page.sections()) {
                nodes.put(section.key(), alone(section));
                held.put(section.key(), section.items().stream().map(Item::key).toList());
                section.items().forEach(item -> nodes.put(item.key(), item));
            }
        }
        return new Parts(template.title(), template.subtitle(), nodes, held);
    }

    /** Puts the template together again; nodes that nothing holds are left out. */
    public Template template() {
        return new Template(
                title,
                subtitle,
                heldBy(ROOT).stream().map(key -> page((Page) node(key))).toList());
    }

    private Page page(Page page) {
        return new Page(
                page.key(),
                page.title(),
                page.shown(),
                heldBy(page.key()).stream()
                        .map(key -> section((Section) node(key)))
                        .toList());
    }

    private Section section(Section section) {
        return new Section(
                section.key(),
                section.title(),
                section.help(),
                section.shown(),
                heldBy(section.key()).stream().map(key -> (Item) node(key)).toList());
    }

    private static Node alone(Node node) {
        return switch (node) {
            case Page page -> new Page(page.key(), page.title(), page.shown(), List.of());
            case Section section ->
                new Section(section.key(), section.title(), section.help(), section.shown(), List.of());
            case Item item -> item;
        };
    }

    /** The node with a key, without what it holds; refused when there is none. */
    public Node node(String key) {
        Node node = nodes.get(key);
        if (node == null) {
            throw new Refusal("There is no “%s” in this document any more.".formatted(key));
        }
        return node;
    }

    /** The field with a key; refused when there is none. */
    public Field field(String key) {
        if (node(key) instanceof Field field) {
            return field;
        }
        throw new Refusal("“%s” is not a field.".formatted(node(key).name()));
    }

    /** The keys a page or section holds, in order; none for an item. */
    public List<String> heldBy(String key) {
        return held.getOrDefault(key, List.of());
    }

    /** The key of what holds a node. */
    public String holder(String key) {
        node(key);
        return held.entrySet().stream()
                .filter(entry -> entry.getValue().contains(key))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
    }

    /** The node and all that it holds, in document order. */
    public List<String> withContent(String key) {
        List<String> keys = new ArrayList<>();
        keys.add(key);
        heldBy(key).forEach(inner -> keys.addAll(withContent(inner)));
        return keys;
    }

    /** These parts with another title and subtitle. */
    public Parts titled(String newTitle, String newSubtitle) {
        return new Parts(newTitle, newSubtitle, nodes, held);
    }

    /** These parts with a node put in the place of the one with its key, or added. */
    public Parts with(Node node) {
        Map<String, Node> changed = new LinkedHashMap<>(nodes);
        changed.put(node.key(), alone(node));
        return new Parts(title, subtitle, changed, held);
    }

    /** These parts with another list of what a node holds. */
    public Parts holding(String key, List<String> keys) {
        Map<String, List<String>> changed = new LinkedHashMap<>(held);
        changed.put(key, List.copyOf(keys));
        return new Parts(title, subtitle, nodes, changed);
    }

    /** These parts with a node held by {@code holder} right behind {@code after}, or first where that is null. */
    public Parts inserted(String key, String holder, @org.jspecify.annotations.Nullable String after) {
        List<String> keys = new ArrayList<>(heldBy(holder));
        int at = after == null ? 0 : keys.indexOf(after) + 1;
        if (after != null && at == 0) {
            throw new Refusal("“%s” has moved elsewhere in the meantime."
                    .formatted(node(after).name()));
        }
        keys.add(at, key);
        return holding(holder, keys);
    }

    /** These parts without some nodes and all that they hold. */
    public Parts without(List<String> keys) {
        Map<String, Node> keptNodes = new LinkedHashMap<>(nodes);
        Map<String, List<String>> keptHeld = new HashMap<>();
        for (String key : keys) {
            for (String gone : withContent(key)) {
                keptNodes.remove(gone);
            }
        }
        held.forEach((holder, inner) -> {
            if (holder.equals(ROOT) || keptNodes.containsKey(holder)) {
                keptHeld.put(
                        holder, inner.stream().filter(keptNodes::containsKey).toList());
            }
        });
        return new Parts(title, subtitle, keptNodes, keptHeld);
    }

    /** A node with another condition for when it is shown. */
    static Node shownWhen(Node node, @org.jspecify.annotations.Nullable Condition shown) {
        return switch (node) {
            case Page it -> new Page(it.key(), it.title(), shown, it.sections());
            case Section it -> new Section(it.key(), it.title(), it.help(), shown, it.items());
            case Field it -> it.withShown(shown);
            case Notice it -> new Notice(it.key(), it.text(), shown);
            case Indicator it -> new Indicator(it.key(), it.label(), it.follows(), it.bands(), shown);
        };
    }
}
