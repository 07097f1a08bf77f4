package loesscape.core.script;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Names;
import loesscape.core.expression.Tree;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
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
    private final LookupTables tables;
    private final Map<String, Map<String, Value>> columns = new LinkedHashMap<>();
    private final Deque<Item> items = new ArrayDeque<>();
    private @Nullable String within;
    private int named;

    ScriptFormulas(SymbolTable symbols, LookupTables tables) {
        this.symbols = symbols;
        this.tables = tables;
    }

    /**
     * What a filter looks at.
     *
     * @param name it has in the script
     * @param section the rows it is one of; empty for a value
     */
    private record Item(String name, String section) {}

    LookupTables tables() {
        return tables;
    }

    /** The columns of lists that formulas ask for, by the lookup and the column, with what stands in them. */
    Map<String, Map<String, Value>> columns() {
        return columns;
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
            case Tree.Path(Tree.Name(var lookup), var column) when isLookup(lookup) -> cell(lookup, column);
            case Tree.Path(var rows, var field) -> {
                String section = section(rows);
                if (section.isEmpty() || !symbols.fieldsOfRows(section).contains(field)) {
                    throw unknown("parts of values");
                }
                yield "loess.picked(%s,%s)".formatted(rows(rows), ScriptText.of(known(field)));
            }
            case Tree.Arithmetic(var operation, var left, Tree.Call(var called, var arguments, var ignored))
            when called.equals("duration") && operation != Tree.Operation.MULTIPLY ->
                "loess.calculate(%s,%s,%s)".formatted(ScriptText.of(operation.name()), of(left), duration(arguments));
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
                        "",
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

    private boolean isLookup(String key) {
        Field field = symbols.field(key);
        return field != null && field.kind() instanceof FieldKind.Lookup;
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
        for (Item item : items) {
            if (item.section().isEmpty()
                    ? name.equals("item")
                    : symbols.fieldsOfRows(item.section()).contains(name)) {
                return item.section().isEmpty() ? item.name() : item.name() + "[" + ScriptText.of(known(name)) + "]";
            }
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
        SharedCondition shared = symbols.shared(name);
        if (shared != null) {
            String rows = symbols.rowsOf(shared);
            if (rows != null && (!rows.equals(within) || !items.isEmpty())) {
                throw unknown("shared conditions of rows from elsewhere");
            }
            return "loess.document.shared[" + ScriptText.of(name) + "](c)";
        }
        throw unknown("“" + name + "”");
    }

    /** What a lookup chose is a row of its list in formulas. */
    private String known(String key) {
        if (isLookup(key)) {
            throw unknown("rows of lookup lists");
        }
        return key;
    }

    private String cell(String lookup, String column) {
        String rows = symbols.rowsAround(lookup);
        Field field = Objects.requireNonNull(symbols.field(lookup), lookup);
        if (rows != null && !rows.equals(within)) {
            throw unknown("rows from elsewhere");
        }
        String name = lookup + "." + column;
        if (!columns.containsKey(name)) {
            columns.put(name, tables.column(field, column));
        }
        return "loess.cell(c,%s,%s)".formatted(ScriptText.of(lookup), ScriptText.of(name));
    }

    /** The section whose rows a tree is about; empty for any other. */
    private String section(Tree tree) {
        return switch (tree) {
            case Tree.Name(var name) -> symbols.repeating(name) == null || isHidden(name) ? "" : name;
            case Tree.Filter(var list, var ignored) -> section(list);
            default -> "";
        };
    }

    private boolean isHidden(String name) {
        return symbols.field(name) != null;
    }

    /** Rows as objects with the values of their fields. */
    private String rows(Tree tree) {
        return switch (tree) {
            case Tree.Name(var name) ->
                "loess.contexts(c,%s,%s)".formatted(ScriptText.of(name), ScriptText.of(symbols.fieldsOfRows(name)));
            case Tree.Filter(var list, var condition) -> filter(rows(list), section(list), condition);
            default -> throw unknown("lists of rows");
        };
    }

    private static String duration(List<Tree> arguments) {
        if (arguments.size() == 1 && arguments.getFirst() instanceof Tree.Literal(String text)) {
            try {
                return "loess.duration(" + Duration.parse(text).toSeconds() + ")";
            } catch (DateTimeException months) {
                throw unknown("durations of months");
            }
        }
        throw unknown("durations that are worked out");
    }

    private String filter(String list, String section, Tree condition) {
        boolean isTruth = condition instanceof Tree.Comparison
                || condition instanceof Tree.And
                || condition instanceof Tree.Or
                || condition instanceof Tree.Between
                || condition instanceof Tree.In;
        if (!isTruth) {
            throw unknown("places in lists");
        }
        String item = "i" + named++;
        items.push(new Item(item, section));
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
        boolean isCount = call.function().equals("count") && call.arguments().size() == 1;
        if (isCount && !section(call.arguments().getFirst()).isEmpty()) {
            return "loess.countOf([" + rows(call.arguments().getFirst()) + "])";
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
            case "mean" -> "loess.mean(" + all + ")";
            case "min" -> "loess.extreme(" + all + ",-1)";
            case "max" -> "loess.extreme(" + all + ",1)";
            case "count" -> "loess.countOf(" + all + ")";
            case "today" -> "(c.today===null?null:loess.day(c.today))";
            case "row number" -> "loess.n(String(c.row+1))";
            case "not" -> "loess.not(" + first + ")";
            case "abs" -> "loess.abs(" + first + ")";
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
