package loesscape.core.editing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import loesscape.core.model.Condition;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.References;
import org.jspecify.annotations.Nullable;

/** What becomes of promises where what they are about changes. */
final class Promises {

    private Promises() {}

    /** The conditions in a promise. */
    static List<Condition> conditions(PromiseRule rule) {
        return rule.promised() instanceof Promised.IsMet(var condition, var ignored)
                ? List.of(rule.whenever(), condition)
                : List.of(rule.whenever());
    }

    /** The keys of the nodes whose state a promise is about. */
    static List<String> nodes(Promised promised) {
        return switch (promised) {
            case Promised.NodeIs(var key, var ignored, var ignoredToo) -> List.of(key);
            case Promised.NodeLooks(var key, var ignored, var ignoredToo) -> List.of(key);
            case Promised.SomeShown(var keys, var ignored) -> keys;
            case Promised.RoleSigns ignored -> List.of();
            case Promised.CanFinish ignored -> List.of();
            case Promised.IsMet ignored -> List.of();
        };
    }

    /** The promises about the state of one of some nodes. */
    static List<Refusal.Follower> about(TemplateIndex parts, Collection<String> keys) {
        return parts.rest().promises().stream()
                .filter(rule -> nodes(rule.promised()).stream().anyMatch(keys::contains))
                .filter(rule -> conditions(rule).stream()
                        .noneMatch(condition ->
                                parts.symbols().sources(condition).stream().anyMatch(keys::contains)))
                .map(rule -> follower(parts, rule))
                .toList();
    }

    /** A promise, told as what follows something. */
    static Refusal.Follower follower(TemplateIndex parts, PromiseRule rule) {
        List<String> keys = nodes(rule.promised());
        Node about = keys.isEmpty() ? null : parts.nodes().get(keys.getFirst());
        return new Refusal.Follower("", about == null ? "the document" : about.name(), "promise");
    }

    /**
     * A promise with its logic replaced; null where part of it is gone, for a promise that says something else than its author
     * wrote is worse than none.
     */
    static @Nullable PromiseRule mapped(PromiseRule rule, Logic.Mapping mapping) {
        Condition whenever = whole(rule.whenever(), mapping);
        Promised promised = mapped(rule.promised(), mapping);
        return whenever == null || promised == null ? null : new PromiseRule(whenever, promised);
    }

    private static @Nullable Condition whole(Condition condition, Logic.Mapping mapping) {
        Condition mapped = mapping.condition(condition);
        boolean isWhole = mapped != null
                && References.leaves(mapped).size()
                        >= References.leaves(condition).size();
        return isWhole ? mapped : null;
    }

    private static @Nullable Promised mapped(Promised promised, Logic.Mapping mapping) {
        return switch (promised) {
            case Promised.NodeIs(var key, var aspect, var is) -> {
                String mapped = mapping.field(key);
                yield mapped == null ? null : new Promised.NodeIs(mapped, aspect, is);
            }
            case Promised.NodeLooks(var key, var look, var is) -> {
                String mapped = mapping.field(key);
                yield mapped == null ? null : new Promised.NodeLooks(mapped, look, is);
            }
            case Promised.SomeShown(var keys, var count) -> {
                List<String> mapped = new ArrayList<>();
                for (String key : keys) {
                    String to = mapping.field(key);
                    if (to != null) {
                        mapped.add(to);
                    }
                }
                yield mapped.size() < keys.size() ? null : new Promised.SomeShown(mapped, count);
            }
            case Promised.IsMet(var condition, var is) -> {
                Condition mapped = whole(condition, mapping);
                yield mapped == null ? null : new Promised.IsMet(mapped, is);
            }
            case Promised.RoleSigns it -> it;
            case Promised.CanFinish it -> it;
        };
    }
}
