package loesscape.core.translation;

import java.math.BigDecimal;
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

/** Formulas that count rows, what is chosen or what holds, as leaves, or as “at least” so many. */
final class CountLeaves {

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

    /** The number of rows, of rows with something, of chosen ones, or of conditions that hold. */
    @Nullable
    Condition counted(Test test, Tree what, Tree right) {
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
        return test == Test.EQUAL && right.equals(Trees.call("count", Trees.name(section)))
                ? new Condition.OfRows(section, Quantity.EVERY, conditions.apply(asked), true)
                : null;
    }
}
