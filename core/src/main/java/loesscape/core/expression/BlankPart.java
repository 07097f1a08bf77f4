package loesscape.core.expression;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Finds the innermost part of a formula that gives nothing, so that its author sees why all of it does. */
final class BlankPart {

    /** Those that give nothing where one of many is blank. */
    private static final Set<String> OF_MANY =
            Set.of("sum", "product", "mean", "median", "stddev", "mode", "min", "max");

    private final List<String> names;
    private final @Nullable Object[] values;
    private final Map<Tree, Map<String, String>> labels;
    private final Locale language;

    BlankPart(List<String> names, @Nullable Object[] values, Map<Tree, Map<String, String>> labels, Locale language) {
        this.names = names;
        this.values = values;
        this.labels = labels;
        this.language = language;
    }

    /** Which part gives nothing, in a sentence; null where all of it gives something. */
    @Nullable
    String of(Tree tree) {
        try {
            return value(tree) == null ? sentence(innermost(tree)) : null;
        } catch (Work.TooMuchWork tooMuch) {
            return "It does more than a formula may, and was stopped.";
        }
    }

    private @Nullable Object value(Tree tree) {
        return Compiler.compile(tree, names, Set.of(), labels, language).run(values);
    }

    private Tree innermost(Tree tree) {
        for (Tree part : parts(tree)) {
            if (value(part) == null) {
                return innermost(part);
            }
        }
        return tree;
    }

    /** What it is made of that means something by itself; names that are bound in it do not. */
    private List<Tree> parts(Tree tree) {
        return switch (tree) {
            case Tree.If(var condition, var one, var other) ->
                List.of(Boolean.TRUE.equals(value(condition)) ? one : other);
            case Tree.Filter(var list, var ignored) -> List.of(list);
            case Tree.For(var bindings, var ignored) ->
                List.of(bindings.getFirst().in());
            case Tree.Quantified(var ignored, var bindings, var alsoIgnored) ->
                List.of(bindings.getFirst().in());
            case Tree.Context ignored -> List.of();
            case Tree.FunctionOf ignored -> List.of();
            // “= null” is asked of what may be blank.
            case Tree.Comparison(var test, var left, var right)
            when test == Tree.Test.EQUAL || test == Tree.Test.NOT_EQUAL -> List.of();
            case Tree.In(var value, var ignored) -> List.of(value);
            case Tree.UnaryTest ignored -> List.of();
            case Tree.Call call ->
                call.arguments().stream()
                        .filter(argument -> !(argument instanceof Tree.FunctionOf))
                        .toList();
            default -> new ArrayList<>(tree.children());
        };
    }

    private String sentence(Tree part) {
        return switch (part) {
            case Tree.Name(var name) -> "“%s” is blank.".formatted(name);
            case Tree.Literal ignored -> "It gives nothing, as is written there.";
            case Tree.Call call
            when OF_MANY.contains(call.function()) && hasBlank(call) ->
                "“%s” gives nothing, because there is a blank among them.%s"
                        .formatted(
                                shortened(part), call.function().equals("sum") ? " total(…) counts blanks as 0." : "");
            default -> "“%s” gives nothing.".formatted(shortened(part));
        };
    }

    private boolean hasBlank(Tree.Call call) {
        return call.arguments().stream()
                .anyMatch(argument -> value(argument) instanceof List<?> list && Collections.frequency(list, null) > 0);
    }

    private static String shortened(Tree part) {
        String text = Printer.print(part);
        return text.length() <= 100 ? text : text.substring(0, text.offsetByCodePoints(0, 99)) + "…";
    }
}
