package loesscape.core.translation;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import loesscape.core.expression.Formula;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Tree.Test;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Comparing;
import loesscape.core.model.Condition;
import loesscape.core.model.Condition.OfRows.Quantity;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** What a formula says of blanks, as the rule of a leaf: what it names as blank, and what is not decided without it. */
final class BlankRules {

    private final SymbolTable symbols;

    BlankRules(SymbolTable symbols) {
        this.symbols = symbols;
    }

    /** Whether “!=” or “not” would hold of what a formula or a day that is not there gives, which decides nothing. */
    static boolean leavesOpen(Condition leaf) {
        return switch (leaf) {
            case Clause.Comparison it -> it.test() == Clause.Comparison.OrderTest.NOT_EQUAL && isOpen(it.to());
            case Condition.Total it -> it.test() == Clause.Comparison.OrderTest.NOT_EQUAL && isOpen(it.to());
            case Clause.Between it -> it.outside() && (isOpen(it.from()) || isOpen(it.to()));
            default -> false;
        };
    }

    private static boolean isOpen(Operand operand) {
        return !operand.canBeBlank() && !AsFormula.isFixed(operand);
    }

    /** What is decided only where the ends it names are there: {@code x != null and a != x}; null where it is something else. */
    static @Nullable Condition decided(List<Tree> there, Condition leaf) {
        if (!(leaf instanceof Comparing comparing)) {
            return null;
        }
        List<Operand> open = new ArrayList<>();
        for (Operand operand : comparing.operands()) {
            Tree named = tree(operand);
            boolean isNamed = named != null && there.contains(AsFormula.isThere(named));
            open.add(
                    isNamed && operand instanceof Operand.FieldOperand(var key)
                            ? new Operand.FormulaOperand(key)
                            : operand);
        }
        Condition result = comparing.withOperands(open);
        List<Tree> expected = open.stream()
                .filter(BlankRules::isOpen)
                .map(operand -> AsFormula.isThere(Objects.requireNonNull(tree(operand))))
                .toList();
        return leavesOpen(result) && expected.equals(there) ? result : null;
    }

    /** What stands for an operand in a formula; null for what is fixed. */
    private static @Nullable Tree tree(Operand operand) {
        return switch (operand) {
            case Operand.FieldOperand(var key) -> Trees.name(key);
            case Operand.TodayOperand(var days) -> AsFormula.today(days);
            case Operand.FormulaOperand(var formula) -> Formula.tree(formula);
            case Operand.NumberOperand ignored -> null;
            case Operand.DateOperand ignored -> null;
            case Operand.TimeOperand ignored -> null;
        };
    }

    /** Two blanks are equal to a formula, but tell a clause nothing; so the rule for blanks has to be said. */
    static boolean isUnruled(Condition leaf) {
        return switch (leaf) {
            case Clause.Comparison it -> isUnruled(it.test(), it.to());
            case Condition.Total it -> isUnruled(it.test(), it.to());
            case Clause.Between it -> it.outside() && !(AsFormula.isFixed(it.from()) && AsFormula.isFixed(it.to()));
            default -> false;
        };
    }

    private static boolean isUnruled(Clause.Comparison.OrderTest test, Operand to) {
        return !AsFormula.isFixed(to)
                && (test == Clause.Comparison.OrderTest.EQUAL || test == Clause.Comparison.OrderTest.NOT_EQUAL);
    }

    /** A condition with its rule for blanks, if that is what is asked; null if it is something else. */
    @Nullable
    Condition ruled(Condition inner, Tree asked, boolean whenBlank) {
        List<Tree> blanks = asked instanceof Tree.Or ? AsCondition.spine(asked) : List.of(asked);
        return switch (inner) {
            case Condition.OfRows it -> {
                Tree none = Trees.compare(
                        Test.EQUAL, Trees.call(CountLeaves.COUNT, Trees.name(it.section())), Trees.number(0));
                Boolean rule = whenBlank == (it.quantity() == Quantity.NO) ? null : whenBlank;
                yield asked.equals(none)
                        ? new Condition.OfRows(it.section(), it.quantity(), it.condition(), rule)
                        : null;
            }
            case Condition.Total it -> {
                String section = Objects.requireNonNull(symbols.rowsAround(it.field()), it.field());
                Boolean rule = whenBlank == (it.test() == Clause.Comparison.OrderTest.NOT_EQUAL) ? null : whenBlank;
                Operand to = to(Trees.total(section, it.field()), it.to(), blanks);
                yield to == null ? null : new Condition.Total(it.field(), it.test(), to, rule);
            }
            case Clause clause -> ruled(clause, blanks, whenBlank);
            default -> null;
        };
    }

    private static @Nullable Condition ruled(Clause clause, List<Tree> asked, boolean whenBlank) {
        Tree subject = Trees.name(clause.field());
        Clause meant = switch (clause) {
            case Clause.Comparison it -> {
                Operand to = to(subject, it.to(), asked);
                yield to == null ? null : it.withOperands(List.of(to));
            }
            case Clause.Between it -> asked.equals(blanks(subject, List.of(it.from(), it.to()))) ? it : null;
            // They speak of nothing but blanks, so that there is no rule beside.
            case Clause.Answered ignored -> null;
            case Clause.IsBlank ignored -> null;
            default -> asked.equals(blanks(subject, List.of())) ? clause : null;
        };
        if (meant == null || (leavesOpen(meant) && !leavesOpen(clause))) {
            return null;
        }
        Clause plain = meant.withRule(null);
        return plain.metWhenBlank() == whenBlank ? plain : meant.withRule(whenBlank);
    }

    private static List<Tree> blanks(Tree subject, List<Operand> operands) {
        List<Tree> blanks = new ArrayList<>();
        blanks.add(Trees.isBlank(subject));
        for (Operand operand : operands) {
            if (operand instanceof Operand.FieldOperand(var key)) {
                blanks.add(Trees.isBlank(Trees.name(key)));
            }
        }
        return blanks;
    }

    /**
     * The other side of a comparison whose rule is for some blanks: an answer where it is named among them, what a formula
     * gives where not; null where they are others.
     */
    private static @Nullable Operand to(Tree subject, Operand operand, List<Tree> blanks) {
        Operand open = operand instanceof Operand.FieldOperand(var key) ? new Operand.FormulaOperand(key) : operand;
        return blanks.equals(blanks(subject, List.of(operand)))
                ? operand
                : blanks.equals(blanks(subject, List.of(open))) ? open : null;
    }
}
