package loesscape.core.script;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Names;
import loesscape.core.expression.Tree;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/**
 * Writes formulas as expressions over {@code c}, what is seen: arithmetic, comparisons, three-valued logic, choices between
 * two, rows, and the functions that documents use most.
 */
final class ScriptFormulas {

    private static final Map<String, String> ROUNDINGS = Map.of(
            "decimal", "halfEven",
            "floor", "floor",
            "ceiling", "ceiling",
            "round up", "up",
            "round down", "down",
            "round half up", "halfUp",
            "round half down", "halfDown");

    private final SymbolTable symbols;
    private final Deque<String> items = new ArrayDeque<>();
    private @Nullable String within;
    private int named;

    ScriptFormulas(SymbolTable symbols) {
        this.symbols = symbols;
    }

    /**
     * A formula as an expression.
     *
     * @throws NotInScript where there is none for it
     */
    String of(String formula, @Nullable String rows) {
        within = rows;
        try {
            return of(symbols.formula(formula, rows).tree());
        } catch (FormulaProblem refusedByNow) {
            // It decides nothing here either.
            return "null";
        }
    }

    private String of(Tree tree) {
        return switch (tree) {
            case Tree.Literal(var value) -> literal(value);
            case Tree.Name(var name) -> name(name);
            case Tree.Path(Tree.Name(var section), var field)
            when symbols.repeating(section) != null
                    && symbols.fieldsOfRows(section).contains(field) ->
                "loess.column(c,%s,%s)".formatted(ScriptText.of(section), ScriptText.of(known(field)));
            case Tree.Path ignored -> throw unknown("parts of values");
            case Tree.Arithmetic(var operation, var left, var right) -> {
                if (operation == Tree.Operation.RAISE) {
                    throw unknown("powers");
                }
                yield "loess.calculate(%s,%s,%s)".formatted(ScriptText.of(operation.name()), of(left), of(right));
            }
            case Tree.Minus(var operand) -> "loess.minus(" + of(operand) + ")";
            case Tree.Comparison(var test, var left, var right) ->
                "loess.test(%s,%s,%s)".formatted(ScriptText.of(test.name()), of(left), of(right));
            case Tree.Between(var value, var low, var high) ->
                "loess.within(%s,%s,true,%s,true)".formatted(of(value), of(low), of(high));
            case Tree.In(var value, var tests) ->
                tests.stream()
                        .map(test -> test(value, test))
                        .reduce("false", (all, next) -> "loess.or(" + all + "," + next + ")");
            case Tree.And(var left, var right) -> "loess.and(" + of(left) + "," + of(right) + ")";
            case Tree.Or(var left, var right) -> "loess.or(" + of(left) + "," + of(right) + ")";
            case Tree.If(var condition, var one, var other) ->
                "((" + of(condition) + ")===true?" + of(one) + ":" + of(other) + ")";
            case Tree.ListOf(var elements) -> list(elements);
            case Tree.Filter(Tree.Path(Tree.Name(var section), var field), var condition)
            when symbols.repeating(section) != null
                    && symbols.fieldsOfRows(section).contains(field) ->
                filter(
                        "loess.column(c,%s,%s)".formatted(ScriptText.of(section), ScriptText.of(known(field))),
                        condition);
            case Tree.Call it -> call(it);
            case Tree.Filter ignored -> throw unknown("filters of lists");
            case Tree.For ignored -> throw unknown("“for”");
            case Tree.Quantified ignored -> throw unknown("“some” and “every”");
            case Tree.Context ignored -> throw unknown("contexts");
            case Tree.RangeOf ignored -> throw unknown("ranges by themselves");
            case Tree.UnaryTest ignored -> throw unknown("tests by themselves");
            case Tree.InstanceOf ignored -> throw unknown("“instance of”");
            case Tree.FunctionOf ignored -> throw unknown("functions of one’s own");
        };
    }

    private static NotInScript unknown(String what) {
        return new NotInScript("no script is written for " + what);
    }

    private static String literal(@Nullable Object value) {
        return switch (value) {
            case null -> "null";
            case String text -> ScriptText.of(text);
            case BigDecimal number -> ScriptText.of(number);
            case Boolean yes -> yes.toString();
            case LocalDate day -> ScriptText.of(day);
            case LocalTime time when time.equals(time.truncatedTo(ChronoUnit.SECONDS)) -> ScriptText.of(time);
            default -> throw unknown("durations and moments");
        };
    }

    private String name(String name) {
        if (name.equals("item") && !items.isEmpty()) {
            return items.getFirst();
        }
        switch (name) {
            case Names.STAGE -> {
                return ScriptText.of(Stage.FILLING.word());
            }
            case Names.ROLE -> {
                return "null";
            }
            default -> {}
        }
        Field field = symbols.field(name);
        if (field != null) {
            String rows = symbols.rowsAround(name);
            if (rows != null && !rows.equals(within)) {
                throw unknown("rows from elsewhere");
            }
            return "loess.value(c," + ScriptText.of(known(name)) + ")";
        }
        if (symbols.shared(name) != null) {
            return "loess.document.shared[" + ScriptText.of(name) + "](c)";
        }
        throw unknown("“" + name + "”");
    }

    /** What a lookup chose is a row of its list in formulas. */
    private String known(String key) {
        Field field = symbols.field(key);
        if (field != null && field.kind() instanceof FieldKind.Lookup) {
            throw unknown("rows of lookup lists");
        }
        return key;
    }

    private String filter(String list, Tree condition) {
        boolean isTruth = condition instanceof Tree.Comparison
                || condition instanceof Tree.And
                || condition instanceof Tree.Or
                || condition instanceof Tree.Between
                || condition instanceof Tree.In;
        if (!isTruth) {
            throw unknown("places in lists");
        }
        String item = "i" + named++;
        items.push(item);
        String test = of(condition);
        items.pop();
        return "loess.filtered(%s,function(%s){return %s})".formatted(list, item, test);
    }

    private String test(Tree value, Tree test) {
        return switch (test) {
            case Tree.UnaryTest(var how, var to) ->
                "loess.test(%s,%s,%s)".formatted(ScriptText.of(how.name()), of(value), of(to));
            case Tree.RangeOf(var low, var lowIncluded, var high, var highIncluded) -> {
                boolean isFixed = low instanceof Tree.Literal && high instanceof Tree.Literal;
                if (!isFixed) {
                    throw unknown("ranges whose ends are not fixed");
                }
                yield "loess.within(%s,%s,%s,%s,%s)".formatted(of(value), of(low), lowIncluded, of(high), highIncluded);
            }
            default -> "loess.among(" + of(value) + "," + of(test) + ")";
        };
    }

    private String list(List<Tree> elements) {
        return elements.stream().map(this::of).collect(Collectors.joining(",", "[", "]"));
    }

    private String call(Tree.Call call) {
        if (!call.names().isEmpty()) {
            throw unknown("arguments by name");
        }
        List<String> given = new ArrayList<>();
        call.arguments().forEach(argument -> given.add(of(argument)));
        String all = given.stream().collect(Collectors.joining(",", "[", "]"));
        String first = given.isEmpty() ? "null" : given.getFirst();
        String mode = ROUNDINGS.get(call.function());
        if (mode != null) {
            return "loess.rounding(%s,%s,%s)"
                    .formatted(first, given.size() > 1 ? given.get(1) : "loess.n(\"0\")", ScriptText.of(mode));
        }
        return switch (call.function()) {
            case "sum" -> "loess.sum(" + all + ")";
            case "total" -> "loess.totalOf(" + all + ")";
            case "min" -> "loess.extreme(" + all + ",-1)";
            case "max" -> "loess.extreme(" + all + ",1)";
            case "count" -> "loess.countOf(" + all + ")";
            case "today" -> "(c.today===null?null:loess.day(c.today))";
            case "row number" -> "loess.n(String(c.row+1))";
            case "not" -> "loess.not(" + first + ")";
            case "abs" -> "(function(x){return loess.isNumber(x)?(x.s<0?loess.negated(x):x):null})(" + first + ")";
            case "string length" -> "loess.ofText(" + first + ",function(x){return loess.n(String(loess.points(x)))})";
            case "upper case" -> "loess.ofText(" + first + ",function(x){return x.toUpperCase()})";
            case "lower case" -> "loess.ofText(" + first + ",function(x){return x.toLowerCase()})";
            case "contains" -> two(given, "x.indexOf(y)>=0");
            case "starts with" -> two(given, "x.substring(0,y.length)===y");
            case "ends with" -> two(given, "x.length>=y.length&&x.substring(x.length-y.length)===y");
            default -> throw unknown(call.function() + "()");
        };
    }

    private static String two(List<String> given, String test) {
        return "loess.ofTwo(%s,%s,function(x,y){return %s})".formatted(given.get(0), given.get(1), test);
    }
}
