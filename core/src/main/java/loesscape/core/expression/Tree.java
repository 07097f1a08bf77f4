package loesscape.core.expression;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A formula as a tree. Where its parts stand in the text is not part of it: two formulas are equal if they say the same. */
public sealed interface Tree {

    /** A number, text, yes or no, date, time, duration, or null, as it is. */
    record Literal(@Nullable Object value) implements Tree {}

    /** A field or a name bound by the formula. */
    record Name(String name) implements Tree {}

    /** {@code of.name}: an entry of a context, a part of a date, or that of each element of a list. */
    record Path(Tree of, String name) implements Tree {}

    /** {@code left + right} and the like. */
    record Arithmetic(Operation operation, Tree left, Tree right) implements Tree {}

    /** {@code -operand}. */
    record Minus(Tree operand) implements Tree {}

    /** {@code left < right} and the like. */
    record Comparison(Test test, Tree left, Tree right) implements Tree {}

    /** {@code value between low and high}, both ends in. */
    record Between(Tree value, Tree low, Tree high) implements Tree {}

    /** {@code value in (tests)}: whether it meets one of them. */
    record In(Tree value, List<Tree> tests) implements Tree {}

    /** {@code < 5} as a test behind {@code in}. */
    record UnaryTest(Test test, Tree to) implements Tree {}

    /** {@code left and right}. */
    record And(Tree left, Tree right) implements Tree {}

    /** {@code left or right}. */
    record Or(Tree left, Tree right) implements Tree {}

    /** {@code if condition then one else other}. */
    record If(Tree condition, Tree one, Tree other) implements Tree {}

    /** {@code for name in list return result}. */
    record For(List<Binding> bindings, Tree result) implements Tree {}

    /** {@code some name in list satisfies condition}, or {@code every} instead. */
    record Quantified(boolean every, List<Binding> bindings, Tree condition) implements Tree {}

    /** A name bound to each element of a list; {@code to} is the other end where {@code in} begins a range {@code a..b}. */
    record Binding(String name, Tree in, @Nullable Tree to) {}

    /** {@code list[condition]}, or {@code list[number]}. */
    record Filter(Tree list, Tree condition) implements Tree {}

    /** A call of a built-in function; {@code names} is empty where the arguments go by their places. */
    record Call(String function, List<Tree> arguments, List<String> names) implements Tree {}

    /** {@code [a, b]}. */
    record ListOf(List<Tree> elements) implements Tree {}

    /** {@code {name: value}}; later entries can use earlier ones. */
    record Context(List<Entry> entries) implements Tree {}

    /** One entry of a context. */
    record Entry(String name, Tree value) {}

    /** {@code [low..high]}, each end in or out. */
    record RangeOf(Tree low, boolean lowIncluded, Tree high, boolean highIncluded) implements Tree {}

    /** {@code value instance of type}. */
    record InstanceOf(Tree value, TypeName type) implements Tree {}

    /** {@code function(a, b) result}: how a function that takes one is to compare or choose elements. */
    record FunctionOf(List<String> parameters, Tree result) implements Tree {}

    /** What it is directly made of, in reading order. */
    default List<Tree> children() {
        return switch (this) {
            case Literal ignored -> List.of();
            case Name ignored -> List.of();
            case Path it -> List.of(it.of());
            case Arithmetic it -> List.of(it.left(), it.right());
            case Minus it -> List.of(it.operand());
            case Comparison it -> List.of(it.left(), it.right());
            case Between it -> List.of(it.value(), it.low(), it.high());
            case In it -> with(it.value(), it.tests());
            case UnaryTest it -> List.of(it.to());
            case And it -> List.of(it.left(), it.right());
            case Or it -> List.of(it.left(), it.right());
            case If it -> List.of(it.condition(), it.one(), it.other());
            case For it -> bound(it.bindings(), it.result());
            case Quantified it -> bound(it.bindings(), it.condition());
            case Filter it -> List.of(it.list(), it.condition());
            case Call it -> it.arguments();
            case ListOf it -> it.elements();
            case Context it -> it.entries().stream().map(Entry::value).toList();
            case RangeOf it -> List.of(it.low(), it.high());
            case InstanceOf it -> List.of(it.value());
            case FunctionOf it -> List.of(it.result());
        };
    }

    /** Whether a name stands anywhere in it. */
    default boolean mentions(String name) {
        return equals(new Name(name)) || children().stream().anyMatch(child -> child.mentions(name));
    }

    private static List<Tree> with(Tree first, List<Tree> rest) {
        List<Tree> all = new ArrayList<>(rest.size() + 1);
        all.add(first);
        all.addAll(rest);
        return all;
    }

    private static List<Tree> bound(List<Binding> bindings, Tree last) {
        List<Tree> all = new ArrayList<>();
        for (Binding binding : bindings) {
            all.add(binding.in());
            if (binding.to() != null) {
                all.add(binding.to());
            }
        }
        all.add(last);
        return all;
    }

    /** What arithmetic does. */
    enum Operation {
        ADD("+", 5),
        SUBTRACT("-", 5),
        MULTIPLY("*", 6),
        DIVIDE("/", 6),
        RAISE("**", 7);

        final String sign;
        final int binds;

        Operation(String sign, int binds) {
            this.sign = sign;
            this.binds = binds;
        }
    }

    /** How two values are compared. */
    enum Test {
        EQUAL("="),
        NOT_EQUAL("!="),
        LESS("<"),
        AT_MOST("<="),
        MORE(">"),
        AT_LEAST(">=");

        final String sign;

        Test(String sign) {
            this.sign = sign;
        }

        static @Nullable Test of(Token token) {
            for (Test test : values()) {
                if (token.is(test.sign)) {
                    return test;
                }
            }
            return null;
        }
    }
}
