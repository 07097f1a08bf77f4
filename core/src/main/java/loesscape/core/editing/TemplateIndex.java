package loesscape.core.editing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.model.AcceptedFinding;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Picture;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import org.jspecify.annotations.Nullable;

/**
 * A template taken apart: every node without what it holds, and what each node holds as a list of keys. Edits work on
 * parts, because there each node is one step away and its order is a list.
 *
 * @param title of the template
 * @param subtitle of the template
 * @param nodes by key; pages and sections without their content
 * @param held the keys each page and section holds, in order; under {@link ROOT}, the pages
 * @param rest what belongs to no node
 */
public record TemplateIndex(
        String title, String subtitle, Map<String, Node> nodes, Map<String, List<String>> held, Rest rest) {

    /** Stands for the template itself as the holder of its pages; never a key. */
    public static final String ROOT = "";

    /**
     * What belongs to no node.
     *
     * @param roles by key
     * @param conditions the shared conditions, by key
     * @param lists by key
     * @param finish the conditions for finishing, in order
     * @param pageSettings how the document lies on its pages
     * @param trials by name
     * @param promises in the order of their author
     * @param accepted findings that are meant, in the order in which they were accepted
     */
    public record Rest(
            Map<String, Role> roles,
            Map<String, SharedCondition> conditions,
            Map<String, LookupList> lists,
            List<FinishRule> finish,
            PageSettings pageSettings,
            Map<String, Trial> trials,
            List<PromiseRule> promises,
            List<AcceptedFinding> accepted) {

        public Rest {
            roles = Collections.unmodifiableMap(new LinkedHashMap<>(roles));
            conditions = Collections.unmodifiableMap(new LinkedHashMap<>(conditions));
            lists = Collections.unmodifiableMap(new LinkedHashMap<>(lists));
            finish = List.copyOf(finish);
            trials = Collections.unmodifiableMap(new LinkedHashMap<>(trials));
            promises = List.copyOf(promises);
            accepted = List.copyOf(accepted);
        }

        Rest withRoles(Map<String, Role> others) {
            return new Rest(others, conditions, lists, finish, pageSettings, trials, promises, accepted);
        }

        Rest withConditions(Map<String, SharedCondition> others) {
            return new Rest(roles, others, lists, finish, pageSettings, trials, promises, accepted);
        }

        Rest withLists(Map<String, LookupList> others) {
            return new Rest(roles, conditions, others, finish, pageSettings, trials, promises, accepted);
        }

        Rest withFinish(List<FinishRule> others) {
            return new Rest(roles, conditions, lists, others, pageSettings, trials, promises, accepted);
        }

        Rest withPageSettings(PageSettings other) {
            return new Rest(roles, conditions, lists, finish, other, trials, promises, accepted);
        }

        Rest withPromises(List<PromiseRule> others) {
            return new Rest(roles, conditions, lists, finish, pageSettings, trials, others, accepted);
        }

        Rest withAccepted(List<AcceptedFinding> others) {
            return new Rest(roles, conditions, lists, finish, pageSettings, trials, promises, others);
        }

        Rest withTrials(Map<String, Trial> others) {
            return new Rest(roles, conditions, lists, finish, pageSettings, others, promises, accepted);
        }
    }

    public TemplateIndex {
        nodes = Collections.unmodifiableMap(new LinkedHashMap<>(nodes));
        held = Collections.unmodifiableMap(new LinkedHashMap<>(held));
    }

    /** Takes a template apart. */
    public static TemplateIndex of(Template template) {
        Map<String, Node> nodes = new LinkedHashMap<>();
        Map<String, List<String>> held = new LinkedHashMap<>();
        held.put(ROOT, template.pages().stream().map(Page::key).toList());
        for (Page page : template.pages()) {
            nodes.put(page.key(), alone(page));
            held.put(page.key(), page.sections().stream().map(Section::key).toList());
            page.sections().forEach(section -> take(section, nodes, held));
        }
        return new TemplateIndex(template.title(), template.subtitle(), nodes, held, rest(template));
    }

    private static void take(Section section, Map<String, Node> nodes, Map<String, List<String>> held) {
        nodes.put(section.key(), alone(section));
        held.put(section.key(), section.items().stream().map(Item::key).toList());
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                take(inner, nodes, held);
            } else {
                nodes.put(item.key(), item);
            }
        }
    }

    private static Rest rest(Template template) {
        Map<String, Role> roles = new LinkedHashMap<>();
        template.roles().forEach(it -> roles.put(it.key(), it));
        Map<String, SharedCondition> conditions = new LinkedHashMap<>();
        template.conditions().forEach(it -> conditions.put(it.key(), it));
        Map<String, LookupList> lists = new LinkedHashMap<>();
        template.lists().forEach(it -> lists.put(it.key(), it));
        Map<String, Trial> trials = new LinkedHashMap<>();
        template.trials().forEach(it -> trials.put(it.name(), it));
        return new Rest(
                roles,
                conditions,
                lists,
                template.finish(),
                template.pageSettings(),
                trials,
                template.promises(),
                template.accepted());
    }

    /** Puts the template together again; nodes that nothing holds are left out. */
    public Template template() {
        return new Template(
                title,
                subtitle,
                heldBy(ROOT).stream().map(key -> page((Page) node(key))).toList(),
                List.copyOf(rest.roles().values()),
                List.copyOf(rest.conditions().values()),
                List.copyOf(rest.lists().values()),
                rest.finish(),
                rest.pageSettings(),
                List.copyOf(rest.trials().values()),
                rest.promises(),
                rest.accepted());
    }

    private Page page(Page page) {
        return page.withSections(heldBy(page.key()).stream()
                .map(key -> section((Section) node(key)))
                .toList());
    }

    private Section section(Section section) {
        return section.withItems(heldBy(section.key()).stream()
                .map(key -> node(key) instanceof Section inner ? section(inner) : (Item) node(key))
                .toList());
    }

    private static Node alone(Node node) {
        return switch (node) {
            case Page page -> page.withSections(List.of());
            case Section section -> section.withItems(List.of());
            case Item item -> item;
        };
    }

    /** Whether pages, sections, items, shared conditions or phrases of texts use a key. */
    public boolean uses(String key) {
        return nodes.containsKey(key) || rest.conditions().containsKey(key) || hasPhrase(key);
    }

    /** Whether a text has a phrase of that name. */
    boolean hasPhrase(String name) {
        return nodes.values().stream()
                .anyMatch(node -> node instanceof Notice notice
                        && notice.phrases().stream()
                                .anyMatch(phrase -> phrase.name().equals(name)));
    }

    /** What the names in the template mean. */
    SymbolTable symbols() {
        return SymbolTable.of(template());
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

    /** Some nodes in document order, each once; those that another of them holds are left out. */
    List<String> inOrder(List<String> keys) {
        Set<String> wanted = new LinkedHashSet<>(keys);
        keys.forEach(this::node);
        List<String> found = new ArrayList<>();
        heldBy(ROOT).forEach(page -> find(page, wanted, found));
        return found;
    }

    private void find(String key, Set<String> wanted, List<String> found) {
        if (wanted.contains(key)) {
            found.add(key);
        } else {
            heldBy(key).forEach(inner -> find(inner, wanted, found));
        }
    }

    /** These parts with another title and subtitle. */
    public TemplateIndex titled(String newTitle, String newSubtitle) {
        return new TemplateIndex(newTitle, newSubtitle, nodes, held, rest);
    }

    /** These parts with a node put in the place of the one with its key, or added. */
    public TemplateIndex with(Node node) {
        Map<String, Node> changed = new LinkedHashMap<>(nodes);
        changed.put(node.key(), alone(node));
        return new TemplateIndex(title, subtitle, changed, held, rest);
    }

    /** These parts with another list of what a node holds. */
    public TemplateIndex holding(String key, List<String> keys) {
        Map<String, List<String>> changed = new LinkedHashMap<>(held);
        changed.put(key, List.copyOf(keys));
        return new TemplateIndex(title, subtitle, nodes, changed, rest);
    }

    /** These parts with a node held by {@code holder} right behind {@code after}, or first where that is null. */
    public TemplateIndex inserted(String key, String holder, @Nullable String after) {
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
    public TemplateIndex without(List<String> keys) {
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
        return new TemplateIndex(title, subtitle, keptNodes, keptHeld, rest);
    }

    /** These parts with another rest. */
    public TemplateIndex with(Rest other) {
        return new TemplateIndex(title, subtitle, nodes, held, other);
    }

    /** A node under another key. */
    static Node keyed(Node node, String key) {
        return switch (node) {
            case Page it -> it.withKey(key);
            case Section it -> it.withKey(key);
            case Field it -> it.withKey(key);
            case Notice it -> it.withKey(key);
            case Indicator it -> it.withKey(key);
            case Picture it -> new Picture(key, it.label(), it.file(), it.follows(), it.shown(), it.folding());
            case Divider it -> new Divider(key, it.shown());
            case Overlay it -> new Overlay(key, it.label(), it.shape(), it.words(), it.shown());
        };
    }
}
