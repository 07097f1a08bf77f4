package loesscape.core.translation;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Objects;
import loesscape.core.expression.Formula;
import loesscape.core.expression.Names;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Tree.Operation;
import loesscape.core.expression.Tree.Test;
import loesscape.core.model.Band;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Formulas that compare by size, as leaves. */
final class SizeLeaves {

    private final SymbolTable symbols;

    SizeLeaves(SymbolTable symbols) {
        this.symbols = symbols;
    }

    @Nullable
    Condition ordered(Test test, Tree left, Tree right) {
        Clause.Comparison.OrderTest order = AsFormula.test(test);
        String total = totalled(left);
        if (total != null) {
            Operand operand = operand(total, right);
            return operand == null ? null : new Condition.Total(total, order, operand, null);
        }
        if (!(left instanceof Tree.Name(var name)) || !isOrdered(name)) {
            return null;
        }
        Operand operand = operand(name, right);
        return operand == null ? null : new Clause.Comparison(name, order, operand, null);
    }

    private boolean isOrdered(String name) {
        Field field = symbols.field(name);
        return field != null && field.kind().isOrdered();
    }

    /** The field whose total over all rows a tree is; null where it is none. */
    private @Nullable String totalled(Tree tree) {
        if (tree instanceof Tree.Call(var function, var arguments, var ignored)
                && function.equals("sum")
                && arguments.size() == 1
                && arguments.getFirst() instanceof Tree.Filter(Tree.Path(Tree.Name(var section), var key), var filter)
                && section.equals(symbols.rowsAround(key))
                && tree.equals(Trees.total(section, key))) {
            Field field = symbols.field(key);
            return field != null && field.kind().isNumeric() ? key : null;
        }
        return null;
    }

    /** The other side of a comparison with a field; null where it is of another kind. */
    private @Nullable Operand operand(String key, Tree tree) {
        FieldKind kind = Objects.requireNonNull(symbols.field(key), key).kind();
        Object fixed = AsFormula.fixed(tree);
        if (fixed != null) {
            return switch (fixed) {
                case BigDecimal number when kind.isNumeric() -> new Operand.NumberOperand(number);
                case LocalDate date when kind.isDay() -> new Operand.DateOperand(date);
                case LocalTime time when kind instanceof FieldKind.Time -> new Operand.TimeOperand(time);
                default -> null;
            };
        }
        if (tree.equals(Trees.NULL)) {
            return null;
        }
        if (kind.isDay()) {
            Integer days = today(tree);
            if (days != null) {
                return new Operand.TodayOperand(days);
            }
        }
        if (tree instanceof Tree.Name(var name)) {
            Field other = symbols.field(name);
            if (other != null) {
                return kind.isComparableWith(other.kind()) ? new Operand.FieldOperand(name) : null;
            }
        }
        return new Operand.FormulaOperand(Formula.text(tree));
    }

    /** How many days after today a tree means; null where it means something else. */
    private static @Nullable Integer today(Tree tree) {
        if (tree.equals(Trees.name(Names.TODAY))) {
            return 0;
        }
        if (tree instanceof Tree.Arithmetic(var operation, var left, Tree.Literal(Duration duration))
                && left.equals(Trees.name(Names.TODAY))
                && (operation == Operation.ADD || operation == Operation.SUBTRACT)
                && duration.equals(Duration.ofDays(duration.toDays()))
                && Math.abs(duration.toDays()) <= 100_000) {
            int days = (int) duration.toDays();
            return operation == Operation.ADD ? days : -days;
        }
        return null;
    }

    @Nullable
    Condition between(Tree value, boolean outside, Tree low, boolean lowIncluded, Tree high, boolean highIncluded) {
        if (!(value instanceof Tree.Name(var name)) || !isOrdered(name)) {
            return null;
        }
        Operand from = operand(name, low);
        Operand to = operand(name, high);
        if (from == null || to == null) {
            return null;
        }
        Clause.Between between = new Clause.Between(name, outside, from, lowIncluded, to, highIncluded, null);
        return between.isEmpty() ? null : between;
    }

    /** The band whose edges a tree names, the edges on the left; null where it names none. */
    @Nullable
    Clause band(Tree tree) {
        Tree first = tree instanceof Tree.And(var left, var ignored) ? left : tree;
        if (!(first instanceof Tree.Comparison(var test, var edge, Tree.Name(var name)))
                || AsFormula.fixed(edge) == null) {
            return null;
        }
        Field field = symbols.field(name);
        if (field == null) {
            return null;
        }
        for (Band band : field.bands()) {
            if (AsFormula.band(field.bands(), Trees.name(name), band.id()).equals(tree)) {
                return new Clause.BandClause(name, List.of(band.id()), null);
            }
        }
        return null;
    }
}
