package loesscape.core.editing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.evaluation.RowNames;
import loesscape.core.model.Condition;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.References;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Trial;
import org.jspecify.annotations.Nullable;

/** Deletes nodes with all that they hold. */
final class Deletions {

    private Deletions() {}

    static TemplateIndex delete(TemplateIndex parts, Edit.Delete edit) {
        Set<String> gone = new LinkedHashSet<>();
        edit.keys().forEach(key -> {
            parts.node(key);
            gone.addAll(parts.withContent(key));
        });
        if (gone.containsAll(parts.heldBy(TemplateIndex.ROOT))) {
            throw new Refusal("A document keeps at least one page.");
        }
        List<Refusal.Follower> followers = Followers.of(parts, gone);
        if (!followers.isEmpty() && !edit.dropFollowers()) {
            throw new Refusal(
                    "%s %s followed by others."
                            .formatted(
                                    Editing.names(parts, edit.keys()),
                                    edit.keys().size() == 1 ? "is" : "are"),
                    followers);
        }
        List<String> all = new ArrayList<>(gone);
        parts.nodes().values().stream()
                .filter(node -> node instanceof Indicator indicator && gone.contains(indicator.follows()))
                .forEach(node -> all.add(node.key()));
        TemplateIndex left = Mappings.mapped(parts.without(all), without(gone, parts.symbols()));
        return left.with(left.rest().withTrials(withoutExpectations(left.rest().trials(), new HashSet<>(all))));
    }

    /** Trials of which nothing is expected that is about what is gone. */
    private static Map<String, Trial> withoutExpectations(Map<String, Trial> trials, Set<String> gone) {
        Map<String, Trial> kept = new LinkedHashMap<>();
        trials.forEach((name, trial) -> kept.put(
                name,
                trial.expecting(trial.expected().stream()
                        .filter(each -> !gone.contains(RowNames.key(each.address())))
                        .toList())));
        return kept;
    }

    /** Drops whatever looks at one of some fields and sections. */
    private static Logic.Mapping without(Set<String> gone, SymbolTable symbols) {
        return new Logic.Mapping() {
            @Override
            public @Nullable Condition condition(Condition condition) {
                return References.rewrite(condition, leaf -> looksAt(leaf) ? null : leaf);
            }

            private boolean looksAt(Condition.Leaf leaf) {
                return !(leaf instanceof Condition.Shared)
                        && symbols.direct(leaf).stream().anyMatch(gone::contains);
            }

            @Override
            public @Nullable String formula(String formula) {
                return symbols.direct(new Condition.Written(formula)).stream().anyMatch(gone::contains)
                        ? null
                        : formula;
            }

            @Override
            public @Nullable String field(String key) {
                return gone.contains(key) ? null : key;
            }
        };
    }
}
