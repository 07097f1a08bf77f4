package loesscape.core.translation;

import java.math.BigDecimal;
import java.util.List;
import loesscape.core.expression.Tree;
import loesscape.core.expression.Tree.Test;
import org.jspecify.annotations.Nullable;

/** The small pieces of which the formulas of conditions are made. */
final class Trees {

    static final Tree TRUE = new Tree.Literal(true);
    static final Tree FALSE = new Tree.Literal(false);
    static final Tree NULL = new Tree.Literal(null);
    static final Tree ITEM = new Tree.Name("item");

    /** Stands for each choice of a set; no key begins with a capital. */
    static final String CHOICE = "Choice";

    private Trees() {}

    static Tree name(String name) {
        return new Tree.Name(name);
    }

    static Tree literal(@Nullable Object value) {
        return value instanceof BigDecimal number && number.signum() < 0
                ? new Tree.Minus(new Tree.Literal(number.negate()))
                : new Tree.Literal(value);
    }

    static Tree number(int number) {
        return literal(BigDecimal.valueOf(number));
    }

    static Tree truth(boolean value) {
        return value ? TRUE : FALSE;
    }

    static Tree compare(Test test, Tree left, Tree right) {
        return new Tree.Comparison(test, left, right);
    }

    static Tree isBlank(Tree tree) {
        return compare(Test.EQUAL, tree, NULL);
    }

    static Tree call(String function, Tree... arguments) {
        return new Tree.Call(function, List.of(arguments), List.of());
    }

    static Tree not(Tree tree) {
        return call("not", tree);
    }

    static Tree rows(String section, Tree condition) {
        return new Tree.Filter(name(section), condition);
    }

    /** The sum of what there is of a field in all rows of a section. */
    static Tree total(String section, String field) {
        return call("sum", new Tree.Filter(new Tree.Path(name(section), field), compare(Test.NOT_EQUAL, ITEM, NULL)));
    }

    /** More than these are written as a list, which all() and any() take, rather than as a chain. */
    static final int LONGEST_CHAIN = 50;

    static Tree and(List<Tree> parts) {
        return parts.size() > LONGEST_CHAIN
                ? call("all", new Tree.ListOf(parts))
                : parts.stream().reduce(Tree.And::new).orElse(TRUE);
    }

    static Tree or(List<Tree> parts) {
        return parts.size() > LONGEST_CHAIN
                ? call("any", new Tree.ListOf(parts))
                : parts.stream().reduce(Tree.Or::new).orElse(FALSE);
    }

    static Tree choose(Tree condition, boolean whenMet, Tree otherwise) {
        return new Tree.If(condition, truth(whenMet), otherwise);
    }

    /** The call of a function with so many arguments; null where the tree is something else. */
    static Tree.@Nullable Call callOf(Tree tree, String function, int arguments) {
        return tree instanceof Tree.Call call
                        && call.function().equals(function)
                        && call.arguments().size() == arguments
                        && call.names().isEmpty()
                ? call
                : null;
    }
}
