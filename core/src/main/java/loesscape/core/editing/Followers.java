package loesscape.core.editing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.References;

/** What looks at a field: the conditions and indicators that follow it. */
final class Followers {

    private Followers() {}

    /** The nodes outside {@code keys} and their content that follow one of these fields. */
    static List<Refusal.Follower> of(Parts parts, Collection<String> keys) {
        return named(parts, keys, leaf -> looksAt(leaf, keys), keys);
    }

    /** Whether a leaf of a condition looks at one of some fields. */
    static boolean looksAt(Condition.Leaf leaf, Collection<String> keys) {
        return References.fields(leaf).stream().anyMatch(keys::contains);
    }

    /** The nodes with a condition that names a choice of a field. */
    static List<Refusal.Follower> ofChoice(Parts parts, String field, String choice) {
        return named(
                parts,
                List.of(),
                leaf -> leaf instanceof Clause.ChoiceClause it
                        && it.field().equals(field)
                        && it.choices().contains(choice),
                List.of());
    }

    private static List<Refusal.Follower> named(
            Parts parts, Collection<String> except, Predicate<Condition.Leaf> names, Collection<String> followed) {
        List<Refusal.Follower> followers = new ArrayList<>();
        parts.nodes().forEach((key, node) -> {
            if (except.contains(key)) {
                return;
            }
            List<String> what = new ArrayList<>();
            for (Aspect aspect : Aspect.values()) {
                if (References.leaves(aspect.of(node)).stream().anyMatch(names)) {
                    what.add(aspect.name().toLowerCase(Locale.ROOT));
                }
            }
            if (node instanceof Indicator indicator && followed.contains(indicator.follows())) {
                what.add("bands");
            }
            if (!what.isEmpty()) {
                followers.add(new Refusal.Follower(key, node.name(), String.join(", ", what)));
            }
        });
        return followers;
    }

    /** All parts with every clause of every condition rewritten; a condition of which nothing is left is dropped. */
    static Parts rewritten(Parts parts, References.Rewriting rewriting) {
        Map<String, Node> nodes = new LinkedHashMap<>();
        parts.nodes().forEach((key, node) -> {
            Node changed = node;
            for (Aspect aspect : Aspect.values()) {
                var condition = aspect.of(changed);
                if (condition != null) {
                    changed = Conditions.with(changed, aspect, References.rewrite(condition, rewriting));
                }
            }
            nodes.put(key, changed);
        });
        return new Parts(parts.title(), parts.subtitle(), nodes, parts.held());
    }
}
