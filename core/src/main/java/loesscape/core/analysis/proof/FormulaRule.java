package loesscape.core.analysis.proof;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.NameUse;
import loesscape.core.expression.Names;
import loesscape.core.expression.Tree;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Dependencies;
import loesscape.core.model.Field;
import loesscape.core.model.FieldValue;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.References;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** What hangs on a formula, and on how the answers that it names turn out. */
sealed interface FormulaRule {

    /**
     * Whether a condition is met.
     *
     * @param leaf a formula, or a comparison with one
     */
    record Met(Condition.Leaf leaf) implements FormulaRule {}

    /** What is worked out for a field. */
    record Given(Field field, String formula) implements FormulaRule {}

    /** The rule of a condition; null where it hangs on no formula. */
    static @Nullable Met of(Condition.Leaf leaf) {
        return leaf instanceof Condition.Written || (leaf instanceof Clause && hasFormula(leaf)) ? new Met(leaf) : null;
    }

    private static boolean hasFormula(Condition.Leaf leaf) {
        return References.operands(leaf).stream().anyMatch(Operand.FormulaOperand.class::isInstance);
    }

    /** Whether there is a formula in it. */
    default boolean hasFormula() {
        return switch (this) {
            case Given ignored -> true;
            case Met(var leaf) -> leaf instanceof Condition.Written || hasFormula(leaf);
        };
    }

    /** The fields that are worked out and cannot be typed over, those that hang on others first. */
    static List<Given> workedOut(PreparedTemplate prepared) {
        List<Given> all = new ArrayList<>();
        Dependencies dependencies = prepared.dependencies();
        for (String key : dependencies.order().reversed()) {
            Field field = prepared.symbols().field(key);
            if (field != null
                    && field.value() instanceof FieldValue.WorkedOut(var formula, var overtypable)
                    && !overtypable) {
                all.add(new Given(field, formula));
            }
        }
        return all;
    }

    /** All that it names, fields and others. */
    default Set<String> names(SymbolTable symbols) {
        Set<String> names = new LinkedHashSet<>();
        switch (this) {
            case Given(var ignored, var formula) -> named(formula, symbols, names);
            case Met(Condition.Written(var formula)) -> named(formula, symbols, names);
            case Met(var leaf) -> {
                if (leaf instanceof Clause clause) {
                    names.add(clause.field());
                }
                for (Operand operand : References.operands(leaf)) {
                    switch (operand) {
                        case Operand.FieldOperand(var other) -> names.add(other);
                        case Operand.FormulaOperand(var formula) -> named(formula, symbols, names);
                        case Operand.NumberOperand ignored -> {}
                        case Operand.DateOperand ignored -> {}
                        case Operand.TimeOperand ignored -> {}
                        case Operand.TodayOperand ignored -> names.add(Names.TODAY);
                    }
                }
            }
        }
        return names;
    }

    private static void named(String formula, SymbolTable symbols, Set<String> names) {
        symbols.uses(formula).stream().map(NameUse::name).forEach(names::add);
    }

    /** What it compares or works out, as trees; null where a formula in it is not understood. */
    default @Nullable List<Tree> trees() {
        try {
            return switch (this) {
                case Given(var ignored, var formula) -> List.of(Formula.tree(formula));
                case Met(Condition.Written(var formula)) -> List.of(Formula.tree(formula));
                case Met(var leaf) -> {
                    List<Tree> compared = new ArrayList<>();
                    for (Operand operand : References.operands(leaf)) {
                        compared.add(new Tree.Comparison(
                                Tree.Test.AT_MOST, new Tree.Name(((Clause) leaf).field()), tree(operand)));
                    }
                    yield compared;
                }
            };
        } catch (FormulaProblem notUnderstood) {
            return null;
        }
    }

    private static Tree tree(Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand(var number) -> new Tree.Literal(number);
            case Operand.DateOperand(var date) -> new Tree.Literal(date);
            case Operand.TimeOperand(var time) -> new Tree.Literal(time);
            case Operand.TodayOperand ignored -> new Tree.Name(Names.TODAY);
            case Operand.FieldOperand(var other) -> new Tree.Name(other);
            case Operand.FormulaOperand(var formula) -> Formula.tree(formula);
        };
    }
}
