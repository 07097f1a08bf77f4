package loesscape.core.expression;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.expression.functions.Functions;

/** The names a formula needs values for: all that it does not bind itself, whatever they turn out to be. */
public final class Names {

    /** The name of the day on which the document is looked at. */
    public static final String TODAY = "today()";

    /** The name of where the document stands on its way; no key begins with a capital. */
    public static final String STAGE = "Stage";

    /** The name of the role that is acting; no key begins with a capital. */
    public static final String ROLE = "Role";

    /** The name of the place of the row in which a formula stands, which counts from 1. */
    public static final String ROW_NUMBER = "row number()";

    /** What the results of a loop so far are called in it (DMN 1.4, 10.3.2.14). */
    static final String PARTIAL = "partial";

    private final Deque<String> bound = new ArrayDeque<>();
    private final Set<String> free = new LinkedHashSet<>();

    private Names() {}

    /** The name of the value that a field of a row has in the row before. */
    public static String previous(String key) {
        return "previous(" + key + ")";
    }

    /** The name of the total of a field over the rows up to this one. */
    public static String runningTotal(String key) {
        return "running total(" + key + ")";
    }

    /** The name of the rows of a lookup list. */
    public static String list(String key) {
        return "list(" + key + ")";
    }

    /** The key in a name that is made of one; the name itself where it is not. */
    public static String key(String name) {
        int open = name.indexOf('(');
        return open < 0 ? name : name.substring(open + 1, name.length() - 1);
    }

    /** Whether a name is that of a lookup list. */
    public static boolean isList(String name) {
        return name.startsWith("list(");
    }

    /** Whether a word is a keyword of formulas, or “item”, which stands for each element of a list, and so can be no name in one. */
    public static boolean isReserved(String word) {
        return Lexer.KEYWORDS.contains(word) || word.equals("item");
    }

    /** The names a formula refers to, in reading order; none where it is not understood. */
    public static Set<String> in(String formula) {
        Names names = new Names();
        try {
            names.look(Parser.parse(formula, name -> Functions.find(name).isPresent())
                    .tree());
        } catch (FormulaProblem problem) {
            return Set.of();
        }
        return names.free;
    }

    /** The names a part of a formula refers to. */
    static Set<String> in(Tree tree) {
        Names names = new Names();
        names.look(tree);
        return names.free;
    }

    private void look(Tree tree) {
        switch (tree) {
            case Tree.Literal ignored -> {}
            case Tree.Name(var name) -> {
                if (!bound.contains(name)) {
                    free.add(name);
                    if (name.indexOf('(') > 0 && !isList(name) && !key(name).isEmpty()) {
                        free.add(key(name));
                    }
                }
            }
            case Tree.Path(var of, var ignored) -> look(of);
            case Tree.Arithmetic(var ignored, var left, var right) -> look(left, right);
            case Tree.Minus(var operand) -> look(operand);
            case Tree.Comparison(var ignored, var left, var right) -> look(left, right);
            case Tree.Between(var value, var low, var high) -> look(value, low, high);
            case Tree.In(var value, var tests) -> {
                look(value);
                tests.forEach(this::look);
            }
            case Tree.UnaryTest(var ignored, var to) -> look(to);
            case Tree.And(var left, var right) -> look(left, right);
            case Tree.Or(var left, var right) -> look(left, right);
            case Tree.If(var condition, var one, var other) -> look(condition, one, other);
            case Tree.For(var bindings, var result) -> {
                bound.push(PARTIAL);
                bound(bindings, result);
                bound.pop();
            }
            case Tree.Quantified(var ignored, var bindings, var condition) -> bound(bindings, condition);
            case Tree.Filter(var list, var condition) -> {
                look(list);
                bound.push("item");
                look(condition);
                bound.pop();
            }
            case Tree.Call(var ignored, var arguments, var alsoIgnored) -> arguments.forEach(this::look);
            case Tree.ListOf(var elements) -> elements.forEach(this::look);
            case Tree.Context(var entries) -> {
                for (Tree.Entry entry : entries) {
                    look(entry.value());
                    bound.push(entry.name());
                }
                entries.forEach(entry -> bound.pop());
            }
            case Tree.RangeOf it -> look(it.low(), it.high());
            case Tree.InstanceOf(var value, var ignored) -> look(value);
            case Tree.FunctionOf(var parameters, var result) -> {
                parameters.forEach(bound::push);
                look(result);
                parameters.forEach(parameter -> bound.pop());
            }
        }
    }

    private void look(Tree... trees) {
        for (Tree tree : trees) {
            look(tree);
        }
    }

    private void bound(List<Tree.Binding> bindings, Tree inner) {
        for (Tree.Binding binding : bindings) {
            look(binding.in());
            if (binding.to() != null) {
                look(binding.to());
            }
            bound.push(binding.name());
        }
        look(inner);
        bindings.forEach(binding -> bound.pop());
    }
}
