package loesscape.core.translation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import loesscape.core.evaluation.TypedNumber;
import loesscape.core.expression.Tree;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Formulas about what is chosen, as leaves. */
final class ChoiceLeaves {

    private final SymbolTable symbols;

    ChoiceLeaves(SymbolTable symbols) {
        this.symbols = symbols;
    }

    static Clause choice(String field, boolean is, List<String> choices) {
        return new Clause.ChoiceClause(
                field, is ? Clause.ChoiceClause.ChoiceTest.IS : Clause.ChoiceClause.ChoiceTest.IS_NOT, choices, null);
    }

    /** The field of one choice that a tree stands for; null where it stands for none. */
    @Nullable
    String choiceField(Tree tree) {
        if (tree instanceof Tree.Name(var name)) {
            Field field = symbols.field(name);
            return field != null && field.kind().isOneChoice() && !(field.kind() instanceof FieldKind.Lookup)
                    ? name
                    : null;
        }
        if (tree instanceof Tree.Path(Tree.Name(var name), var column)) {
            Field field = symbols.field(name);
            return field != null
                            && field.kind() instanceof FieldKind.Lookup lookup
                            && lookup.column().equals(column)
                    ? name
                    : null;
        }
        return null;
    }

    /** The identity of a choice of a field that a tree stands for; null where it is none of them. */
    @Nullable
    String identity(String key, Tree tree) {
        Field field = Objects.requireNonNull(symbols.field(key), key);
        Object value = AsFormula.fixed(tree);
        if (field.kind() instanceof FieldKind.YesNo) {
            return value instanceof Boolean yes ? (yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO) : null;
        }
        if (symbols.isNumberColumn(field)) {
            return symbols.choices(field).stream()
                    .filter(cell -> value instanceof BigDecimal number
                            && TypedNumber.isNumber(cell)
                            && TypedNumber.of(cell).compareTo(number) == 0)
                    .findFirst()
                    .orElse(null);
        }
        return value instanceof String text && symbols.choices(field).contains(text) ? text : null;
    }

    @Nullable
    List<String> identities(String key, List<Tree> trees) {
        List<String> ids = new ArrayList<>();
        for (Tree tree : trees) {
            String id = identity(key, tree);
            if (id == null) {
                return null;
            }
            ids.add(id);
        }
        return ids;
    }

    @Nullable
    Condition quantified(Tree.Quantified it) {
        if (it.bindings().size() != 1
                || !it.bindings().getFirst().name().equals(Trees.CHOICE)
                || it.bindings().getFirst().to() != null) {
            return null;
        }
        Tree in = it.bindings().getFirst().in();
        Tree each = Trees.name(Trees.CHOICE);
        if (in instanceof Tree.Name(var name) && isSeveral(name)) {
            if (!it.every() && it.condition() instanceof Tree.In(var value, var tests) && value.equals(each)) {
                List<String> ids = identities(name, tests);
                return ids == null ? null : new Clause.SetClause(name, SetTest.INCLUDES, ids, null);
            }
            Tree.Call not = Trees.callOf(it.condition(), "not", 1);
            if (it.every()
                    && not != null
                    && not.arguments().getFirst() instanceof Tree.In(var value, var tests)
                    && value.equals(each)) {
                List<String> ids = identities(name, tests);
                // Of a blank it says nothing; the rule for blanks is around it.
                return ids == null ? null : new Clause.SetClause(name, SetTest.DOES_NOT_INCLUDE, ids, false);
            }
        }
        Tree.Call contains = Trees.callOf(it.condition(), "list contains", 2);
        if (it.every()
                && in instanceof Tree.ListOf(var elements)
                && contains != null
                && contains.arguments().get(0) instanceof Tree.Name(var name)
                && contains.arguments().get(1).equals(each)
                && isSeveral(name)) {
            List<String> ids = identities(name, elements);
            return ids == null || ids.isEmpty() ? null : new Clause.SetClause(name, SetTest.INCLUDES_ALL, ids, null);
        }
        return null;
    }

    boolean isSeveral(String name) {
        Field field = symbols.field(name);
        return field != null && field.kind() instanceof FieldKind.SeveralChoices;
    }
}
