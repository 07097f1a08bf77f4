package loesscape.core.analysis;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import loesscape.core.analysis.proof.TwoVersions;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.model.Field;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/**
 * Two versions of a template whose nodes of one key are the same thing: what was renamed in between has its new key in both,
 * and what has an old key but is something else has another one in the later version.
 *
 * @param apart the keys of what is something else in the later version, by the keys that it was given here
 */
record MatchedVersions(Template before, Template after, Map<String, String> apart) {

    static MatchedVersions of(Template earlier, Template later, Map<String, String> renamed) {
        Template before = renamed(earlier, later, renamed);
        Template after = later;
        Map<String, String> apart = new LinkedHashMap<>();
        SymbolTable were = PreparedTemplate.of(before).symbols();
        SymbolTable are = PreparedTemplate.of(after).symbols();
        Map<String, Node> nodes = nodes(before);
        for (Node node : later.nodes()) {
            Node was = nodes.get(node.key());
            if (was != null
                    && !(areOneThing(was, node)
                            && Objects.equals(were.rowsAround(was.key()), are.rowsAround(node.key())))) {
                String key = free(node.key(), nodes, after);
                after = Editing.apply(after, new Edit.RenameKey(node.key(), key));
                apart.put(key, node.key());
            }
        }
        return new MatchedVersions(before, after, apart);
    }

    private static Map<String, Node> nodes(Template template) {
        return template.nodes().stream().collect(Collectors.toMap(Node::key, Function.identity()));
    }

    /** The key of a node in its own version. */
    String key(String matched) {
        return apart.getOrDefault(matched, matched);
    }

    private static Template renamed(Template earlier, Template later, Map<String, String> renamed) {
        Map<String, String> open = new HashMap<>(renamed);
        open.values()
                .removeIf(key ->
                        later.nodes().stream().noneMatch(node -> node.key().equals(key)));
        Template before = earlier;
        while (!open.isEmpty()) {
            boolean isMoving = false;
            for (Map.Entry<String, String> each : Map.copyOf(open).entrySet()) {
                Template with = renamed(before, each.getKey(), each.getValue());
                if (with != null) {
                    before = with;
                    open.remove(each.getKey());
                    isMoving = true;
                }
            }
            if (!isMoving) {
                String waiting = inCircle(open);
                String free = waiting == null ? "" : free(waiting, nodes(before), later);
                Template with = waiting == null ? null : renamed(before, waiting, free);
                if (waiting == null || with == null) {
                    // What is left takes the key of something that keeps it, or is not there any more.
                    return before;
                }
                before = with;
                open.put(free, Objects.requireNonNull(open.remove(waiting)));
            }
        }
        return before;
    }

    /** One that takes the key of another waits until that one has given it up; null for one that cannot be. */
    private static @Nullable Template renamed(Template before, String from, String to) {
        try {
            return Editing.apply(before, new Edit.RenameKey(from, to));
        } catch (Refusal taken) {
            return null;
        }
    }

    /** A key that is given up for one whose holder waits in turn; null where none is. */
    private static @Nullable String inCircle(Map<String, String> open) {
        return open.keySet().stream()
                .filter(open::containsValue)
                .sorted()
                .findFirst()
                .orElse(null);
    }

    private static boolean areOneThing(Node was, Node is) {
        return was.getClass().equals(is.getClass())
                && switch (is) {
                    case Field field -> TwoVersions.takeTheSameAnswers((Field) was, field);
                    case Section section -> section.isRepeating() == ((Section) was).isRepeating();
                    default -> true;
                };
    }

    private static String free(String key, Map<String, Node> nodes, Template after) {
        int number = 2;
        String free = key + "_" + number;
        while (nodes.containsKey(free) || isUsed(after, free)) {
            number++;
            free = key + "_" + number;
        }
        return free;
    }

    private static boolean isUsed(Template template, String key) {
        return template.nodes().stream().anyMatch(node -> node.key().equals(key))
                || template.conditions().stream()
                        .anyMatch(shared -> shared.key().equals(key));
    }
}
