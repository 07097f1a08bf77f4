package loesscape.core.editing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import loesscape.core.expression.Formula;
import loesscape.core.model.Condition;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.References;
import loesscape.core.model.Role;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Ways of replacing what a template's logic looks at, everywhere at once. */
final class Mappings {

    private Mappings() {}

    /** Other keys in the places of old ones. */
    static Logic.Mapping renaming(UnaryOperator<String> keys, SymbolTable symbols) {
        return new Logic.Mapping() {
            @Override
            public @Nullable Condition condition(Condition condition) {
                return References.rename(condition, keys, this::formula);
            }

            @Override
            public String formula(String formula) {
                try {
                    return symbols.renamed(formula, keys);
                } catch (Formula.NameIsBound bound) {
                    throw new Refusal(
                            "The formula “%s” has such a name for something of its own; change it there first, or take another key."
                                    .formatted(formula));
                }
            }

            @Override
            public String field(String key) {
                return keys.apply(key);
            }
        };
    }

    /** Other leaves in the places of old ones; formulas and what is followed stay. */
    static Logic.Mapping rewriting(References.LeafRewriting rewriting) {
        return condition -> References.rewrite(condition, rewriting);
    }

    /**
     * Parts with the logic of every node, role, shared condition, condition for finishing and promise replaced. A shared
     * condition of which nothing is left is never met, so that what used it stays as it is said.
     */
    static TemplateIndex mapped(TemplateIndex parts, Logic.Mapping mapping) {
        Map<String, Node> nodes = new LinkedHashMap<>();
        parts.nodes().forEach((key, node) -> nodes.put(key, Logic.mapped(node, mapping)));
        return new TemplateIndex(parts.title(), parts.subtitle(), nodes, parts.held(), rest(parts.rest(), mapping));
    }

    private static TemplateIndex.Rest rest(TemplateIndex.Rest rest, Logic.Mapping mapping) {
        List<FinishRule> finish = new ArrayList<>();
        for (FinishRule rule : rest.finish()) {
            Condition when = mapping.condition(rule.when());
            if (when != null) {
                finish.add(new FinishRule(when, rule.message()));
            }
        }
        return new TemplateIndex.Rest(
                values(rest.roles(), role -> {
                    Condition takesPart = role.takesPart();
                    return new Role(
                            role.key(),
                            role.name(),
                            role.order(),
                            takesPart == null ? null : mapping.condition(takesPart));
                }),
                values(rest.conditions(), shared -> {
                    Condition mapped = mapping.condition(shared.condition());
                    return new SharedCondition(
                            shared.key(), shared.name(), mapped == null ? new Condition.Never() : mapped);
                }),
                rest.lists(),
                finish,
                rest.pageSettings(),
                rest.trials(),
                rest.promises().stream()
                        .map(rule -> Promises.mapped(rule, mapping))
                        .filter(Objects::nonNull)
                        .toList(),
                Acceptances.mapped(rest.accepted(), mapping));
    }

    private static <T> Map<String, T> values(Map<String, T> from, Function<T, T> change) {
        Map<String, T> changed = new LinkedHashMap<>();
        from.forEach((key, value) -> changed.put(key, change.apply(value)));
        return changed;
    }
}
