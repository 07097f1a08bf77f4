package loesscape.core.expression;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Writes a tree as a formula, with no more brackets than it needs. What it writes is parsed into the same tree. */
final class Printer {

    private static final int LOOSEST = 0;
    private static final int OR = 1;
    private static final int AND = 2;
    private static final int COMPARISON = 3;
    private static final int SUM = 5;
    private static final int NEGATION = 8;
    private static final int INSTANCE = 9;
    private static final int POSTFIX = 10;

    private Printer() {}

    static String print(Tree tree) {
        return text(tree, LOOSEST);
    }

    private static String text(Tree tree, int holds) {
        String text = text(tree);
        return binds(tree) < holds ? "(" + text + ")" : text;
    }

    private static int binds(Tree tree) {
        return switch (tree) {
            case Tree.If ignored -> LOOSEST;
            case Tree.For ignored -> LOOSEST;
            case Tree.Quantified ignored -> LOOSEST;
            case Tree.FunctionOf ignored -> LOOSEST;
            case Tree.Or ignored -> OR;
            case Tree.And ignored -> AND;
            case Tree.Comparison ignored -> COMPARISON;
            case Tree.Between ignored -> COMPARISON;
            case Tree.In ignored -> COMPARISON;
            case Tree.Arithmetic it -> it.operation().binds;
            case Tree.Minus ignored -> NEGATION;
            case Tree.InstanceOf ignored -> INSTANCE;
            default -> POSTFIX;
        };
    }

    private static String text(Tree tree) {
        return switch (tree) {
            case Tree.Literal(var value) -> literal(value);
            case Tree.Name(var name) -> Names.isList(name) ? "list(" + quoted(Names.key(name)) + ")" : name;
            case Tree.Path(var of, var name) -> text(of, POSTFIX) + "." + name;
            case Tree.Arithmetic(var operation, var left, var right) ->
                text(left, operation.binds) + " " + operation.sign + " " + text(right, operation.binds + 1);
            case Tree.Minus(var operand) -> "-" + text(operand, NEGATION);
            case Tree.Comparison(var test, var left, var right) ->
                text(left, SUM) + " " + test.sign + " " + text(right, SUM);
            case Tree.Between(var value, var low, var high) ->
                text(value, SUM) + " between " + text(low, SUM) + " and " + text(high, SUM);
            case Tree.In(var value, var tests) -> text(value, SUM) + " in " + tests(tests);
            case Tree.UnaryTest(var test, var to) -> test.sign + " " + text(to, SUM);
            case Tree.And(var left, var right) -> text(left, AND) + " and " + text(right, AND + 1);
            case Tree.Or(var left, var right) -> text(left, OR) + " or " + text(right, OR + 1);
            case Tree.If(var condition, var one, var other) ->
                "if " + print(condition) + " then " + print(one) + " else " + print(other);
            case Tree.For(var bindings, var result) -> "for " + bindings(bindings) + " return " + print(result);
            case Tree.Quantified(var every, var bindings, var condition) ->
                (every ? "every " : "some ") + bindings(bindings) + " satisfies " + print(condition);
            case Tree.Filter(var list, var condition) -> text(list, POSTFIX) + "[" + print(condition) + "]";
            case Tree.Call it -> call(it);
            case Tree.ListOf(var elements) -> "[" + joined(elements) + "]";
            case Tree.Context(var entries) ->
                entries.stream()
                        .map(entry -> name(entry.name()) + ": " + print(entry.value()))
                        .collect(Collectors.joining(", ", "{", "}"));
            case Tree.RangeOf(var low, var lowIncluded, var high, var highIncluded) ->
                (lowIncluded ? "[" : "(") + print(low) + " .. " + print(high) + (highIncluded ? "]" : ")");
            case Tree.InstanceOf(var value, var type) -> text(value, POSTFIX) + " instance of " + type;
            case Tree.FunctionOf(var parameters, var result) ->
                "function(" + String.join(", ", parameters) + ") " + print(result);
        };
    }

    /** One test stands alone, unless brackets keep it from being read as something else. */
    private static String tests(List<Tree> tests) {
        boolean alone =
                tests.size() == 1 && (binds(tests.getFirst()) == POSTFIX || tests.getFirst() instanceof Tree.UnaryTest);
        return alone
                ? print(tests.getFirst())
                : "(" + tests.stream().map(test -> text(test, SUM)).collect(Collectors.joining(", ")) + ")";
    }

    private static String bindings(List<Tree.Binding> bindings) {
        return bindings.stream()
                .map(it -> it.name() + " in " + print(it.in()) + (it.to() == null ? "" : " .. " + print(it.to())))
                .collect(Collectors.joining(", "));
    }

    private static String call(Tree.Call call) {
        List<String> arguments = new ArrayList<>();
        for (int i = 0; i < call.arguments().size(); i++) {
            String name = call.names().isEmpty() ? "" : call.names().get(i) + ": ";
            arguments.add(name + print(call.arguments().get(i)));
        }
        return call.function() + "(" + String.join(", ", arguments) + ")";
    }

    private static String joined(List<Tree> trees) {
        return trees.stream().map(Printer::print).collect(Collectors.joining(", "));
    }

    private static String name(String name) {
        boolean isWord = name.matches("[\\p{L}_?][\\p{L}\\p{Nd}_?]*") && !Lexer.KEYWORDS.contains(name);
        return isWord ? name : quoted(name);
    }

    private static String literal(@Nullable Object value) {
        return switch (value) {
            case null -> "null";
            case String text -> quoted(text);
            case BigDecimal number -> number(number);
            case Boolean truth -> truth.toString();
            default -> "@\"" + Temporals.text(value) + "\"";
        };
    }

    /** A number in digits, or, where that would be many noughts, with an exponent. */
    private static String number(BigDecimal number) {
        BigDecimal stripped = number.stripTrailingZeros();
        boolean isLong = Math.abs((long) stripped.scale()) > 2L * Decimals.CONTEXT.getPrecision();
        return isLong ? stripped.toString() : Decimals.plain(number);
    }

    private static String quoted(String text) {
        StringBuilder quoted = new StringBuilder("\"");
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '"' -> quoted.append("\\\"");
                case '\\' -> quoted.append("\\\\");
                case '\n' -> quoted.append("\\n");
                case '\r' -> quoted.append("\\r");
                case '\t' -> quoted.append("\\t");
                default -> quoted.append(c);
            }
        }
        return quoted.append('"').toString();
    }
}
