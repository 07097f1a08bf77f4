package loesscape.core.expression;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import loesscape.core.expression.Parser.Parsed;
import loesscape.core.expression.Tree.Operation;
import loesscape.core.expression.Tree.Test;
import loesscape.core.expression.Type.Simple;
import loesscape.core.expression.functions.Function;
import loesscape.core.expression.functions.Functions;
import org.jspecify.annotations.Nullable;

/**
 * What type a formula gives, and what in it can never be worked out: names that are not there, calls that do not fit,
 * values of kinds that cannot be compared or reckoned with. What may or may not fit is left to the run.
 */
final class TypeCheck {

    private static final int MOST_NAMED = 8;

    private final Parsed parsed;
    private final Map<String, Type> names;
    private final Deque<Scope> scopes = new ArrayDeque<>();
    private final List<NameUse> uses = new ArrayList<>();
    private final IdentityHashMap<Tree, Map<String, String>> labels = new IdentityHashMap<>();

    private TypeCheck(Parsed parsed, Map<String, Type> names) {
        this.parsed = parsed;
        this.names = names;
    }

    /** What hides names further out, the innermost first. */
    private sealed interface Scope {}

    /** A name that the formula binds itself. */
    private record Bound(String name, Type type) implements Scope {}

    /** The element of a filter, whose entries are names. */
    private record Element(Type type) implements Scope {}

    /**
     * What is known of a formula.
     *
     * @param type it gives
     * @param uses what it names of the document, in reading order
     * @param labels of the choices whose labels it asks for, by the call that does
     */
    record Checked(Type type, List<NameUse> uses, IdentityHashMap<Tree, Map<String, String>> labels) {}

    /**
     * The type of a formula, and what it names of the document.
     *
     * @throws FormulaProblem where something in it can never be worked out
     */
    static Checked of(Parsed parsed, Map<String, Type> names) {
        TypeCheck check = new TypeCheck(parsed, names);
        Type type = check.type(parsed.tree());
        return new Checked(
                type,
                check.uses.stream().sorted(Comparator.comparingInt(NameUse::at)).toList(),
                check.labels);
    }

    private FormulaProblem problem(Tree at, String message) {
        return problem(place(at), message, null);
    }

    private static FormulaProblem problem(int[] place, String message, @Nullable String instead) {
        return new FormulaProblem(place[0], place[1], message, instead);
    }

    private Type type(Tree tree) {
        return switch (tree) {
            case Tree.Literal(var value) -> Type.of(value);
            case Tree.Name it -> name(it);
            case Tree.Path it -> path(it);
            case Tree.Arithmetic it -> arithmetic(it);
            case Tree.Minus it -> {
                Type of = type(it.operand());
                require(it.operand(), of, List.of(Simple.NUMBER, Simple.DAYS, Simple.MONTHS), "has no minus");
                yield of;
            }
            case Tree.Comparison it -> {
                Type left = type(it.left());
                Type right = type(it.right());
                comparable(it, it.test(), left, right);
                offered(left, it.right());
                offered(right, it.left());
                yield Simple.YES_NO;
            }
            case Tree.Between it -> {
                Type value = type(it.value());
                comparable(it, Test.AT_LEAST, value, type(it.low()));
                comparable(it, Test.AT_MOST, value, type(it.high()));
                yield Simple.YES_NO;
            }
            case Tree.In it -> {
                Type value = type(it.value());
                it.tests().forEach(test -> test(it, value, test));
                yield Simple.YES_NO;
            }
            case Tree.UnaryTest(var ignored, var to) -> type(to);
            case Tree.And(var left, var right) -> both(left, right);
            case Tree.Or(var left, var right) -> both(left, right);
            case Tree.If(var condition, var one, var other) -> {
                truth(condition);
                yield common(type(one), type(other));
            }
            case Tree.For(var bindings, var result) -> {
                scopes.push(new Bound(Names.PARTIAL, new Type.ListOf(Simple.ANY)));
                Type each = within(bindings, result);
                scopes.pop();
                yield new Type.ListOf(each);
            }
            case Tree.FunctionOf ignored -> throw new IllegalStateException("A function is only given to another");
            case Tree.Quantified(var ignored, var bindings, var condition) -> {
                within(bindings, condition);
                yield Simple.YES_NO;
            }
            case Tree.Filter it -> filter(it);
            case Tree.Call it -> call(it);
            case Tree.ListOf(var elements) ->
                new Type.ListOf(
                        elements.stream().map(this::type).reduce(this::common).orElse(Simple.ANY));
            case Tree.Context(var entries) -> context(entries);
            case Tree.RangeOf it -> {
                comparable(it, Test.LESS, type(it.low()), type(it.high()));
                yield Simple.RANGE;
            }
            case Tree.InstanceOf(var value, var ignored) -> {
                type(value);
                yield Simple.YES_NO;
            }
        };
    }

    private Type name(Tree.Name it) {
        boolean mayBeEntry = false;
        for (Scope scope : scopes) {
            switch (scope) {
                case Bound(var name, var type) -> {
                    if (name.equals(it.name())) {
                        return mayBeEntry ? Simple.ANY : type;
                    }
                }
                case Element(Type.Context(var entries, var isRow))
                when entries.containsKey(it.name()) -> {
                    if (isRow) {
                        use(it.name(), place(it), true);
                    }
                    return Objects.requireNonNull(entries.get(it.name()));
                }
                // An element whose parts are not known may have an entry of this name.
                case Element(var type) -> mayBeEntry |= type == Simple.ANY || type.equals(new Type.Context(Map.of()));
            }
        }
        Type known = names.get(it.name());
        if (known != null) {
            int[] key = parsed.keys().get(it);
            if (key == null) {
                use(it.name(), place(it), mayBeEntry);
            } else {
                use(Names.isList(it.name()) ? it.name() : Names.key(it.name()), key, false);
            }
            return mayBeEntry ? Simple.ANY : known;
        }
        if (mayBeEntry) {
            return Simple.ANY;
        }
        if (it.name().indexOf('(') > 0) {
            throw unknownInBrackets(it);
        }
        OtherWords.Meant meant = it.name().equalsIgnoreCase("today")
                ? new OtherWords.Meant(" Write today().", "today()")
                : OtherWords.near(it.name(), names.keySet());
        throw problem(place(it), "There is no field “%s”.%s".formatted(it.name(), meant.says()), meant.instead());
    }

    private void use(String name, int[] place, boolean isOfRow) {
        uses.add(new NameUse(name, place[0], place[1], isOfRow));
    }

    private FormulaProblem unknownInBrackets(Tree.Name it) {
        if (it.name().equals(Names.TODAY)) {
            return problem(it, "The day is not known here.");
        }
        String key = Names.key(it.name());
        if (Names.isList(it.name())) {
            List<String> lists = names.keySet().stream()
                    .filter(Names::isList)
                    .map(Names::key)
                    .toList();
            OtherWords.Meant meant = OtherWords.near(key, lists);
            return problem(
                    parsed.keys().getOrDefault(it, place(it)),
                    "There is no lookup list “%s”.%s".formatted(key, meant.says()),
                    meant.instead());
        }
        boolean isInRows = names.containsKey(Names.ROW_NUMBER);
        return problem(
                it,
                isInRows && names.containsKey(key)
                        ? "“%s” stands in no row here, so that it has no value in others%s."
                                .formatted(key, names.get(key) == Simple.NUMBER ? "" : ", or is no number")
                        : isInRows
                                ? "There is no field “%s”.%s"
                                        .formatted(
                                                key,
                                                OtherWords.near(key, names.keySet())
                                                        .says())
                                : "“%s” has a meaning in rows only; this does not stand in one.".formatted(it.name()));
    }

    /** Tells where text that is compared with a choice is no choice. */
    private void offered(Type type, Tree with) {
        if (type instanceof Type.Choice(var labels)
                && with instanceof Tree.Literal(String text)
                && !labels.containsKey(text)) {
            OtherWords.Meant meant = OtherWords.near(text, labels.keySet());
            for (Map.Entry<String, String> choice : labels.entrySet()) {
                meant = choice.getValue().equalsIgnoreCase(text)
                        ? new OtherWords.Meant(" Write “%s” for it.".formatted(choice.getKey()), choice.getKey())
                        : meant;
            }
            String instead = meant.instead();
            throw problem(
                    place(with),
                    "“%s” is none of the choices: %s.%s"
                            .formatted(
                                    text,
                                    labels.keySet().stream()
                                            .limit(MOST_NAMED)
                                            .collect(Collectors.joining(
                                                    ", ", "", labels.size() > MOST_NAMED ? ", …" : "")),
                                    meant.says()),
                    instead == null ? null : "\"" + instead + "\"");
        }
    }

    private int[] place(Tree at) {
        return parsed.places().getOrDefault(at, new int[] {0, 0});
    }

    private Type path(Tree.Path it) {
        Type of = type(it.of());
        boolean isList = of instanceof Type.ListOf;
        Type element = of instanceof Type.ListOf(var inner) ? inner : of;
        Type part = switch (element) {
            case Type.Context(var entries, var isRow) -> {
                if (isRow && entries.containsKey(it.name())) {
                    use(it.name(), last(it), true);
                }
                if (!entries.isEmpty() && !entries.containsKey(it.name())) {
                    OtherWords.Meant meant = OtherWords.near(it.name(), entries.keySet());
                    throw problem(
                            last(it),
                            "There is no “%s” in %s.%s".formatted(it.name(), Printer.print(it.of()), meant.says()),
                            meant.instead());
                }
                yield entries.getOrDefault(it.name(), Simple.ANY);
            }
            case Simple simple
            when !PathProperties.of(simple).isEmpty() -> {
                if (!PathProperties.of(simple).contains(it.name())) {
                    throw problem(
                            it,
                            "%s has no “%s”; it has %s."
                                    .formatted(
                                            capital(element.words()),
                                            it.name(),
                                            String.join(", ", PathProperties.of(simple))));
                }
                yield simple == Simple.RANGE ? Simple.ANY : Simple.NUMBER;
            }
            case Simple simple
            when simple == Simple.NUMBER || simple == Simple.TEXT || simple == Simple.YES_NO ->
                throw problem(it, "%s has no “%s”.".formatted(capital(element.words()), it.name()));
            case Simple simple
            when simple == Simple.ANY && !PathProperties.isKnown(it.name()) -> {
                // What it is taken of is not known; it may be a row.
                use(it.name(), last(it), true);
                yield Simple.ANY;
            }
            default -> Simple.ANY;
        };
        return isList ? new Type.ListOf(part) : part;
    }

    /** Where the name behind the last point stands. */
    private int[] last(Tree.Path it) {
        int end = place(it)[1];
        return new int[] {end - it.name().length(), end};
    }

    private Type arithmetic(Tree.Arithmetic it) {
        Type left = single(it.left());
        Type right = single(it.right());
        if (left == Simple.NUMBER && right == Simple.NUMBER) {
            return Simple.NUMBER;
        }
        if (left == Simple.TEXT && right == Simple.TEXT && it.operation() == Operation.ADD) {
            return Simple.TEXT;
        }
        boolean known = isKnown(left) && isKnown(right);
        boolean temporal = isTemporal(left) || isTemporal(right);
        if (known && (!temporal || left == Simple.TEXT || right == Simple.TEXT)) {
            throw problem(
                    it,
                    "%s and %s cannot be put together with “%s”.%s"
                            .formatted(
                                    capital(left.words()),
                                    right.words(),
                                    it.operation().sign,
                                    left == Simple.TEXT || right == Simple.TEXT
                                            ? " Make the one a text with string(…), or the other a number with number(…)."
                                            : ""));
        }
        boolean daysAsNumber = (isMoment(left) && right == Simple.NUMBER) || (isMoment(right) && left == Simple.NUMBER);
        if (daysAsNumber) {
            throw problem(
                    it,
                    "%s and %s cannot be put together with “%s”; days are added as a duration: start + duration(\"P30D\")."
                            .formatted(capital(left.words()), right.words(), it.operation().sign));
        }
        return known && left.equals(right) && it.operation() == Operation.SUBTRACT && left != Simple.MONTHS
                ? Simple.DAYS
                : Simple.ANY;
    }

    /** The type of a part that is reckoned with: without what is known of choices, of one element that of the element. */
    private Type single(Tree tree) {
        Type type = type(tree).base();
        boolean isOne = tree instanceof Tree.ListOf(var elements) && elements.size() == 1;
        return isOne && type instanceof Type.ListOf(var element) ? element.base() : type;
    }

    private static boolean isKnown(Type type) {
        return type != Simple.ANY && type != Simple.NOTHING;
    }

    /** A day, a time of day, or both. */
    private static boolean isMoment(Type type) {
        return type == Simple.DATE || type == Simple.TIME || type == Simple.DATE_TIME;
    }

    private static boolean isTemporal(Type type) {
        return type == Simple.DATE
                || type == Simple.TIME
                || type == Simple.DATE_TIME
                || type == Simple.DAYS
                || type == Simple.MONTHS;
    }

    private void comparable(Tree at, Test test, Type one, Type other) {
        Type left = one.base();
        Type right = other.base();
        if (isKnown(left) && isKnown(right) && !sameKind(left, right)) {
            throw problem(at, "%s cannot be compared with %s.".formatted(capital(left.words()), right.words()));
        }
        boolean ordered = test != Test.EQUAL && test != Test.NOT_EQUAL;
        for (Type side : List.of(left, right)) {
            if (ordered
                    && isKnown(side)
                    && (side == Simple.YES_NO || side == Simple.RANGE || !(side instanceof Simple))) {
                throw problem(at, "%s is neither more nor less than another.".formatted(capital(side.words())));
            }
        }
    }

    private static boolean sameKind(Type left, Type right) {
        boolean simple = left instanceof Simple || right instanceof Simple;
        return simple ? left.equals(right) : left.getClass() == right.getClass();
    }

    private void test(Tree.In at, Type value, Tree test) {
        Type type = type(test);
        if (type instanceof Type.ListOf(var element)) {
            offered(element, at.value());
        }
        if (test instanceof Tree.UnaryTest(var how, var to)) {
            comparable(at, how, value, type);
            offered(value, to);
            return;
        }
        offered(value, test);
        if (test instanceof Tree.ListOf(var elements)) {
            elements.forEach(element -> offered(value, element));
        }
        if (type != Simple.RANGE && !(type instanceof Type.ListOf)) {
            comparable(at, Test.EQUAL, value, type);
        }
    }

    private Type both(Tree left, Tree right) {
        truth(left);
        truth(right);
        return Simple.YES_NO;
    }

    private void truth(Tree tree) {
        require(tree, type(tree), List.of(Simple.YES_NO), "is neither true nor false");
    }

    private void require(Tree at, Type type, List<Type> wanted, String what) {
        if (isKnown(type) && !wanted.contains(type)) {
            throw problem(at, "%s %s.".formatted(capital(type.words()), what));
        }
    }

    private Type common(Type one, Type other) {
        Type left = one.equals(other) ? one : one.base();
        Type right = one.equals(other) ? other : other.base();
        if (left.equals(right) || right == Simple.NOTHING) {
            return left;
        }
        return left == Simple.NOTHING ? right : Simple.ANY;
    }

    private Type within(List<Tree.Binding> bindings, Tree result) {
        for (Tree.Binding binding : bindings) {
            Type in = type(binding.in());
            if (binding.to() != null) {
                type(binding.to());
            }
            Type element = in instanceof Type.ListOf(var inner)
                    ? inner
                    : binding.to() != null ? in : in == Simple.RANGE ? Simple.ANY : in;
            scopes.push(new Bound(binding.name(), element));
        }
        Type type = type(result);
        bindings.forEach(binding -> scopes.pop());
        return type;
    }

    private Type filter(Tree.Filter it) {
        Type list = type(it.list());
        Type element = list instanceof Type.ListOf(var inner) ? inner : list;
        scopes.push(new Element(element));
        scopes.push(new Bound("item", element));
        Type by = type(it.condition());
        scopes.pop();
        scopes.pop();
        require(it.condition(), by, List.of(Simple.YES_NO, Simple.NUMBER), "is neither a condition nor a position");
        return by == Simple.NUMBER ? element : by == Simple.YES_NO ? new Type.ListOf(element) : Simple.ANY;
    }

    private Type call(Tree.Call it) {
        Function function = Functions.find(it.function()).orElseThrow();
        List<Type> given = new ArrayList<>();
        for (Tree argument : it.arguments()) {
            given.add(argument instanceof Tree.FunctionOf of ? function(of, given) : type(argument));
        }
        String takes = "%s(%s%s)"
                .formatted(
                        function.name(), String.join(", ", function.parameters()), function.isVariadic() ? ", …" : "");
        for (String name : it.names()) {
            if (function.place(name) < 0) {
                throw problem(it, "There is no “%s” to give to %s.".formatted(name, takes));
            }
        }
        List<Integer> places = it.names().stream().map(function::place).toList();
        boolean missing = !it.names().isEmpty()
                && !IntStream.range(0, function.required()).allMatch(places::contains);
        if (missing || !function.takes(it.arguments().size())) {
            throw problem(
                    it,
                    "Expected %s, found %d given."
                            .formatted(takes, it.arguments().size()));
        }
        Signature signature = Signature.of(function.name());
        for (int i = 0; i < given.size(); i++) {
            Signature.Taken taken = signature.at(places.isEmpty() ? i : places.get(i));
            String wrong = it.arguments().get(i) instanceof Tree.Literal(String text)
                    ? WrittenArguments.problem(
                            function.name(), places.isEmpty() ? i : places.get(i), given.size(), given.getFirst(), text)
                    : null;
            if (wrong != null) {
                throw problem(it.arguments().get(i), wrong);
            }
            // A list of one element is that element, where one is wanted.
            boolean isOne = it.arguments().get(i) instanceof Tree.ListOf(var elements) && elements.size() == 1;
            if (!taken.takes(given.get(i)) && !isOne && !(it.arguments().get(i) instanceof Tree.FunctionOf)) {
                throw problem(
                        it.arguments().get(i),
                        "%s takes %s here; this is %s.%s"
                                .formatted(
                                        function.name(),
                                        taken.words,
                                        given.get(i).words(),
                                        function.name().equals("contains") && given.get(i) instanceof Type.ListOf
                                                ? " For a list write list contains(…, …)."
                                                : ""));
            }
        }
        if (function.name().equals("format") && !isWritten(given.getFirst().base())) {
            throw problem(
                    it.arguments().getFirst(),
                    "format takes a number, date or time here; this is %s."
                            .formatted(given.getFirst().words()));
        }
        if (function.name().equals("label")) {
            labels.put(it, choices(it, given.getFirst()));
        }
        if (given.getFirst() instanceof Type.ListOf(var element)
                && element instanceof Type.Choice
                && (function.name().equals("list contains") || function.name().equals("index of"))) {
            it.arguments().forEach(argument -> offered(element, argument));
        }
        return signature.result(given);
    }

    private static boolean isWritten(Type type) {
        return !isKnown(type) || type == Simple.NUMBER || isMoment(type);
    }

    private Map<String, String> choices(Tree.Call it, Type of) {
        if (of instanceof Type.Choice(var labels)) {
            return labels;
        }
        if (of instanceof Type.ListOf(Type.Choice(var labels))) {
            return labels;
        }
        throw problem(it, "label takes a field with choices here; this is %s.".formatted(of.words()));
    }

    /** The parameters of a function that is given stand for elements of the list before it. */
    private Type function(Tree.FunctionOf it, List<Type> before) {
        Type element = !before.isEmpty() && before.getFirst() instanceof Type.ListOf(var inner) ? inner : Simple.ANY;
        it.parameters().forEach(parameter -> scopes.push(new Bound(parameter, element)));
        truth(it.result());
        it.parameters().forEach(parameter -> scopes.pop());
        return Simple.ANY;
    }

    private Type context(List<Tree.Entry> entries) {
        Map<String, Type> types = new LinkedHashMap<>();
        for (Tree.Entry entry : entries) {
            Type type = type(entry.value());
            if (types.put(entry.name(), type) != null) {
                throw problem(entry.value(), "The entry “%s” is there twice.".formatted(entry.name()));
            }
            scopes.push(new Bound(entry.name(), type));
        }
        entries.forEach(entry -> scopes.pop());
        return new Type.Context(types);
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
