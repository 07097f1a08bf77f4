package loesscape.core.translation;

import java.math.BigDecimal;
import java.util.Objects;
import java.util.function.Function;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Tree.Test;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Condition.OfRows.Quantity;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Formulas that count rows, characters, what is chosen or what holds, as leaves, or as “at least” so many. */
final class CountLeaves {

    /** What counts the elements of a list. */
    static final String COUNT = "count";

    /** What counts the characters of a text. */
    static final String LENGTH = "string length";

    private final SymbolTable symbols;
    private final Function<Tree, Condition> conditions;

    CountLeaves(SymbolTable symbols, Function<Tree, Condition> conditions) {
        this.symbols = symbols;
        this.conditions = conditions;
    }

    static @Nullable Integer whole(Tree tree) {
        try {
            return AsFormula.fixed(tree) instanceof BigDecimal number && number.signum() >= 0
                    ? number.intValueExact()
                    : null;
        } catch (ArithmeticException e) {
            return null;
        }
    }

    /** What a clause says of an answer that is there, as a formula. */
    static Tree tree(Clause.CountingClause clause) {
        String counts = switch (clause) {
            case Clause.CountClause ignored -> COUNT;
            case Clause.LengthClause ignored -> LENGTH;
        };
        return Trees.compare(
                AsFormula.test(clause.test()),
                Trees.call(counts, Trees.name(clause.field())),
                Trees.number(clause.number()));
    }

    /** Whether a tree counts something. */
    static boolean isCount(Tree tree) {
        return Trees.callOf(tree, COUNT, 1) != null || Trees.callOf(tree, LENGTH, 1) != null;
    }

    /** What is counted on the left and compared with the right; null where no leaf says it. */
    @Nullable
    Condition counted(Tree.Comparison it) {
        Tree.Call length = Trees.callOf(it.left(), LENGTH, 1);
        if (length != null) {
            return length.arguments().getFirst() instanceof Tree.Name(var name) ? length(it, name) : null;
        }
        Tree.Call count = Objects.requireNonNull(Trees.callOf(it.left(), COUNT, 1));
        return counted(it.test(), count.arguments().getFirst(), it.right());
    }

    private @Nullable Condition length(Tree.Comparison it, String name) {
        Integer number = whole(it.right());
        Field field = symbols.field(name);
        return number != null && field != null && field.kind().isText()
                ? new Clause.LengthClause(name, AsFormula.test(it.test()), number, null)
                : null;
    }

    /** The number of rows, of rows with something, of chosen ones, or of conditions that hold. */
    private @Nullable Condition counted(Test test, Tree what, Tree right) {
        Integer number = whole(right);
        if (what instanceof Tree.Name(var name)) {
            Field field = symbols.field(name);
            if (number != null && field != null && field.kind() instanceof FieldKind.SeveralChoices) {
                return new Clause.CountClause(name, AsFormula.test(test), number, null);
            }
            return number != null && symbols.repeating(name) != null
                    ? new Condition.RowCount(name, AsFormula.test(test), number)
                    : null;
        }
        if (!(what instanceof Tree.Filter(var list, var asked))) {
            return null;
        }
        if (list instanceof Tree.ListOf(var parts)
                && asked.equals(Trees.compare(Test.EQUAL, Trees.ITEM, Trees.TRUE))
                && test == Test.AT_LEAST
                && number != null
                && number >= 1
                && number <= parts.size()) {
            return new Condition.AtLeast(number, parts.stream().map(conditions).toList());
        }
        if (!(list instanceof Tree.Name(var section)) || symbols.repeating(section) == null) {
            return null;
        }
        boolean none = number != null && number == 0;
        if (none && test == Test.MORE) {
            return new Condition.OfRows(section, Quantity.ANY, conditions.apply(asked), null);
        }
        if (none && test == Test.EQUAL) {
            return new Condition.OfRows(section, Quantity.NO, conditions.apply(asked), null);
        }
        return test == Test.EQUAL && right.equals(Trees.call(COUNT, Trees.name(section)))
                ? new Condition.OfRows(section, Quantity.EVERY, conditions.apply(asked), true)
                : null;
    }
}
