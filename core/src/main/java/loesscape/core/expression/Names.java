package loesscape.core.expression;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import loesscape.core.expression.functions.Functions;

/** The names of fields in a formula: all that the formula does not bind itself. */
public final class Names {

    /** The name of the day on which the document is looked at. */
    public static final String TODAY = "today()";

    /** The name of where the document stands on its way; no key begins with a capital. */
    public static final String STAGE = "Stage";

    /** The name of the role that is acting; no key begins with a capital. */
    public static final String ROLE = "Role";

    private final UnaryOperator<String> change;
    private final Deque<String> bound = new ArrayDeque<>();

    private final UnaryOperator<String> parts;
    private final Predicate<String> whole;

    private Names(UnaryOperator<String> change, UnaryOperator<String> parts, Predicate<String> whole) {
        this.change = change;
        this.parts = parts;
        this.whole = whole;
    }

    /** Whether a word is a keyword of formulas, or “item”, which stands for each element of a list, and so can be no name in one. */
    public static boolean isReserved(String word) {
        return Lexer.KEYWORDS.contains(word) || word.equals("item");
    }

    /** The names a formula refers to, in reading order; none where it is not understood. */
    public static Set<String> in(String formula) {
        Set<String> names = new LinkedHashSet<>();
        changed(
                formula,
                name -> {
                    names.add(name);
                    return name;
                },
                UnaryOperator.identity(),
                name -> false);
        return names;
    }

    /** The names a formula refers to and the names of all parts it takes of something; none where it is not understood. */
    public static Set<String> mentioned(String formula) {
        Set<String> names = new LinkedHashSet<>();
        UnaryOperator<String> note = name -> {
            names.add(name);
            return name;
        };
        changed(formula, note, note, name -> false);
        return names;
    }

    /**
     * The formula with other names, parts of things included, except the parts of what {@code whole} names; as it is where none of them changes, or where it is not understood.
     */
    public static String renamed(String formula, UnaryOperator<String> change, Predicate<String> whole) {
        boolean[] differs = {false};
        UnaryOperator<String> noted = name -> {
            String to = change.apply(name);
            differs[0] |= !to.equals(name);
            return to;
        };
        Tree tree = changed(formula, noted, noted, whole);
        return differs[0] && tree != null ? Printer.print(tree) : formula;
    }

    private static @org.jspecify.annotations.Nullable Tree changed(
            String formula, UnaryOperator<String> change, UnaryOperator<String> parts, Predicate<String> whole) {
        try {
            return new Names(change, parts, whole)
                    .in(Parser.parse(formula, name -> Functions.find(name).isPresent())
                            .tree());
        } catch (FormulaProblem problem) {
            return null;
        }
    }

    private Tree in(Tree tree) {
        return switch (tree) {
            case Tree.Literal it -> it;
            case Tree.Name(var name) -> bound.contains(name) ? tree : new Tree.Name(change.apply(name));
            case Tree.Path(var of, var name) -> new Tree.Path(in(of), isWhole(of) ? name : parts.apply(name));
            case Tree.Arithmetic(var operation, var left, var right) ->
                new Tree.Arithmetic(operation, in(left), in(right));
            case Tree.Minus(var operand) -> new Tree.Minus(in(operand));
            case Tree.Comparison(var test, var left, var right) -> new Tree.Comparison(test, in(left), in(right));
            case Tree.Between(var value, var low, var high) -> new Tree.Between(in(value), in(low), in(high));
            case Tree.In(var value, var tests) -> new Tree.In(in(value), in(tests));
            case Tree.UnaryTest(var test, var to) -> new Tree.UnaryTest(test, in(to));
            case Tree.And(var left, var right) -> new Tree.And(in(left), in(right));
            case Tree.Or(var left, var right) -> new Tree.Or(in(left), in(right));
            case Tree.If(var condition, var one, var other) -> new Tree.If(in(condition), in(one), in(other));
            case Tree.For(var bindings, var result) -> {
                List<Tree.Binding> changed = bindings(bindings);
                Tree inner = in(result);
                bindings.forEach(binding -> bound.pop());
                yield new Tree.For(changed, inner);
            }
            case Tree.Quantified(var every, var bindings, var condition) -> {
                List<Tree.Binding> changed = bindings(bindings);
                Tree inner = in(condition);
                bindings.forEach(binding -> bound.pop());
                yield new Tree.Quantified(every, changed, inner);
            }
            case Tree.Filter(var list, var condition) -> {
                Tree of = in(list);
                bound.push("item");
                Tree by = in(condition);
                bound.pop();
                yield new Tree.Filter(of, by);
            }
            case Tree.Call(var function, var arguments, var names) -> new Tree.Call(function, in(arguments), names);
            case Tree.ListOf(var elements) -> new Tree.ListOf(in(elements));
            case Tree.Context(var entries) -> {
                List<Tree.Entry> changed = new ArrayList<>();
                for (Tree.Entry entry : entries) {
                    changed.add(new Tree.Entry(entry.name(), in(entry.value())));
                    bound.push(entry.name());
                }
                entries.forEach(entry -> bound.pop());
                yield new Tree.Context(changed);
            }
            case Tree.RangeOf(var low, var lowIncluded, var high, var highIncluded) ->
                new Tree.RangeOf(in(low), lowIncluded, in(high), highIncluded);
            case Tree.InstanceOf(var value, var type) -> new Tree.InstanceOf(in(value), type);
        };
    }

    private boolean isWhole(Tree of) {
        return switch (of) {
            case Tree.Name(var name) -> whole.test(name);
            case Tree.Path(var ignored, var name) -> whole.test(name);
            default -> false;
        };
    }

    private List<Tree> in(List<Tree> trees) {
        return trees.stream().map(this::in).toList();
    }

    private List<Tree.Binding> bindings(List<Tree.Binding> bindings) {
        List<Tree.Binding> changed = new ArrayList<>();
        for (Tree.Binding binding : bindings) {
            Tree to = binding.to() == null ? null : in(binding.to());
            changed.add(new Tree.Binding(binding.name(), in(binding.in()), to));
            bound.push(binding.name());
        }
        return changed;
    }
}
