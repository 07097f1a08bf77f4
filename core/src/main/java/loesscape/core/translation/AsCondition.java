package loesscape.core.translation;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.expression.Formula;
import loesscape.core.expression.Tree;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.PreparedTemplate;
import org.jspecify.annotations.Nullable;

/**
 * Reads formulas as conditions of the same meaning, as far as clauses reach; what they do not reach stays a formula in its
 * place.
 */
public final class AsCondition {

    private final Leaves leaves;
    private final BlankRules blankRules;

    public AsCondition(PreparedTemplate prepared) {
        this.leaves = new Leaves(prepared.symbols(), this::condition);
        this.blankRules = new BlankRules(prepared.symbols());
    }

    /**
     * A formula as a condition.
     *
     * @throws FormulaProblem where it is not understood
     */
    public Condition of(String formula) {
        return condition(Formula.tree(formula));
    }

    private Condition condition(Tree tree) {
        return switch (tree) {
            case Tree.Literal(Boolean truth) -> truth ? new Condition.Always() : new Condition.Never();
            case Tree.And ignored -> {
                List<Condition> parts = mergedEdges(spine(tree));
                yield parts.size() == 1 ? parts.getFirst() : new Condition.All(parts);
            }
            case Tree.Or ignored -> any(spine(tree));
            case Tree.If it -> chosen(it);
            case Tree.Call call
            when call.function().equals("all") && !listed(call).isEmpty() ->
                new Condition.All(mergedEdges(listed(call)));
            case Tree.Call call
            when call.function().equals("any") && !listed(call).isEmpty() -> any(listed(call));
            default -> {
                Condition leaf = leaves.leaf(tree);
                yield leaf == null || BlankRules.isUnruled(leaf) ? new Condition.Written(Formula.text(tree)) : leaf;
            }
        };
    }

    /** The parts of a chain of “and” or “or”; brackets on the right keep what they hold together. */
    static List<Tree> spine(Tree tree) {
        List<Tree> parts = new ArrayList<>();
        Tree rest = tree;
        while (true) {
            if (rest instanceof Tree.And(var left, var right) && tree instanceof Tree.And) {
                parts.addFirst(right);
                rest = left;
            } else if (rest instanceof Tree.Or(var left, var right) && tree instanceof Tree.Or) {
                parts.addFirst(right);
                rest = left;
            } else {
                parts.addFirst(rest);
                return parts;
            }
        }
    }

    /** Two edges of one band stand side by side. */
    private List<Condition> mergedEdges(List<Tree> parts) {
        List<Condition> conditions = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Clause band = i + 1 < parts.size() ? leaves.band(new Tree.And(parts.get(i), parts.get(i + 1))) : null;
            if (band != null) {
                conditions.add(band);
                i++;
            } else {
                conditions.add(condition(parts.get(i)));
            }
        }
        return conditions;
    }

    private Condition any(List<Tree> parts) {
        List<Condition> conditions = new ArrayList<>();
        for (Tree part : parts) {
            Clause edges = leaves.band(part);
            Condition next = edges == null ? condition(part) : edges;
            boolean joins = next instanceof Clause.BandClause band
                    && !conditions.isEmpty()
                    && conditions.getLast() instanceof Clause.BandClause last
                    && last.field().equals(band.field())
                    && last.whenBlank() == null
                    && band.whenBlank() == null;
            if (joins) {
                Clause.BandClause last = (Clause.BandClause) conditions.removeLast();
                List<String> both = new ArrayList<>(last.bands());
                both.addAll(((Clause.BandClause) next).bands());
                conditions.add(new Clause.BandClause(last.field(), both, null));
            } else {
                conditions.add(next);
            }
        }
        return conditions.size() == 1 ? conditions.getFirst() : new Condition.Any(conditions);
    }

    /** “if … then true else …” says what a clause says of a blank, or that none of some conditions holds. */
    private Condition chosen(Tree.If it) {
        if (it.one().equals(Trees.FALSE) && it.other().equals(Trees.TRUE)) {
            Condition met = condition(it.condition());
            return new Condition.None(met instanceof Condition.Any(var parts) ? parts : List.of(met));
        }
        if (it.one() instanceof Tree.Literal(Boolean whenBlank)) {
            Condition inner = inner(it.other());
            Condition ruled = inner == null ? null : blankRules.ruled(inner, it.condition(), whenBlank);
            if (ruled != null) {
                return ruled;
            }
        }
        return new Condition.Written(Formula.text(it));
    }

    private @Nullable Condition inner(Tree tree) {
        return switch (tree) {
            case Tree.And it -> {
                Clause band = leaves.band(tree);
                yield band == null ? decided(it) : band;
            }
            case Tree.Or ignored -> any(spine(tree));
            default -> {
                Condition leaf = leaves.leaf(tree);
                yield leaf == null || BlankRules.leavesOpen(leaf) ? null : leaf;
            }
        };
    }

    /** What is decided only where the ends it names are there: {@code x != null and a != x}; null where it is something else. */
    private @Nullable Condition decided(Tree.And it) {
        Condition leaf = leaves.leaf(it.right());
        return leaf == null ? null : BlankRules.decided(spine(it.left()), leaf);
    }

    /** The parts that stand in a list rather than in a chain, since they are many; none where it is no such list. */
    private static List<Tree> listed(Tree.Call call) {
        return call.arguments().size() == 1
                        && call.names().isEmpty()
                        && call.arguments().getFirst() instanceof Tree.ListOf(var parts)
                        && parts.size() > Trees.LONGEST_CHAIN
                ? parts
                : List.of();
    }
}
