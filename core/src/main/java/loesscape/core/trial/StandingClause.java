package loesscape.core.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import loesscape.core.model.Condition;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/**
 * A clause where it stands in the decision about something. What is asked of rows is one clause, and so is a shared condition,
 * whose own clauses stand in it.
 *
 * @param key of the node that it is about; empty for what belongs to none
 * @param what the decision is about: shown, required, look, …
 * @param within the repeating section in one of whose rows it is asked; null for outside of rows
 * @param leaf the clause
 * @param decision the whole condition
 * @param ifMet the decision where the clause is met
 * @param ifNotMet the decision where it is not
 */
record StandingClause(
        String key,
        String what,
        @Nullable String within,
        Condition.Leaf leaf,
        Condition decision,
        Condition ifMet,
        Condition ifNotMet) {

    /** All clauses of a template, in document order; those of shared conditions, roles and finishing last. */
    static List<StandingClause> of(PreparedTemplate prepared) {
        Template template = prepared.template();
        SymbolTable symbols = prepared.symbols();
        List<StandingClause> all = new ArrayList<>();
        for (Node node : template.nodes()) {
            for (Logic.StandingCondition place : Logic.conditions(node)) {
                add(node.key(), place.what(), symbols.rowsAround(node.key()), place.condition(), all);
            }
        }
        template.conditions()
                .forEach(shared -> add("", shared.name(), symbols.rowsOf(shared), shared.condition(), all));
        template.roles().forEach(role -> {
            Condition takesPart = role.takesPart();
            if (takesPart != null) {
                add("", role.name() + " takes part", null, takesPart, all);
            }
        });
        template.finish().forEach(rule -> add("", "can be finished", null, rule.when(), all));
        return all;
    }

    private static void add(
            String key, String what, @Nullable String within, Condition decision, List<StandingClause> all) {
        walk(
                decision,
                UnaryOperator.identity(),
                (leaf, put) -> all.add(new StandingClause(
                        key,
                        what,
                        within,
                        leaf,
                        decision,
                        put.apply(new Condition.Always()),
                        put.apply(new Condition.Never()))));
    }

    private interface Visit {
        void leaf(Condition.Leaf leaf, UnaryOperator<Condition> put);
    }

    /** Visits every leaf with what puts something else in its place. */
    private static void walk(Condition condition, UnaryOperator<Condition> put, Visit visit) {
        switch (condition) {
            case Condition.Always() -> {
                // It says nothing that could be tried.
            }
            case Condition.Never() -> {
                // Nor does this.
            }
            case Condition.Leaf leaf -> visit.leaf(leaf, put);
            case Condition.Group group -> {
                List<Condition> parts = group.conditions();
                for (int i = 0; i < parts.size(); i++) {
                    int place = i;
                    walk(
                            parts.get(i),
                            other -> {
                                List<Condition> changed = new ArrayList<>(parts);
                                changed.set(place, other);
                                return put.apply(group.of(changed));
                            },
                            visit);
                }
            }
        }
    }
}
