package loesscape.core.expression;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.expression.Program.Code;
import loesscape.core.expression.Program.Frame;
import loesscape.core.expression.functions.Arguments;
import loesscape.core.expression.functions.Function;
import loesscape.core.expression.functions.Functions;
import loesscape.core.expression.functions.GivenFunction;
import org.jspecify.annotations.Nullable;

/** Turns a tree into steps that run over an array of values: every name has its place in it before the run. */
final class Compiler {

    private static final String ITEM = "item";

    private static final long MOST_AHEAD = 500;

    private final Map<String, Integer> globals = new HashMap<>();
    private final Deque<Bound> bound = new ArrayDeque<>();
    private final Map<Tree, Map<String, String>> labels;
    private final Locale language;
    private final Set<String> varying;
    private int slots;
    private int kept;
    private boolean isKeeping;

    /** A name bound inside the formula; {@code isItem} where the slot holds the element of a filter, whose entries are names. */
    private record Bound(String name, int slot, boolean isItem) {}

    private Compiler(List<String> names, Set<String> varying, Map<Tree, Map<String, String>> labels, Locale language) {
        this.varying = varying;
        this.labels = labels;
        this.language = language;
        names.forEach(name -> globals.put(name, slots++));
    }

    /**
     * Compiles a tree whose free names are all among {@code names}.
     *
     * @param varying the names whose values differ from row to row
     * @param labels of choices, by the call that asks for them
     * @param language in which functions write
     */
    static Program compile(
            Tree tree,
            List<String> names,
            Set<String> varying,
            Map<Tree, Map<String, String>> labels,
            Locale language) {
        Compiler compiler = new Compiler(names, varying, labels, language);
        Code code = compiler.code(tree);
        return new Program(names, code, compiler.slots, compiler.kept);
    }

    /** A part that says the same whatever is answered is worked out once, unless it is much work. */
    private Code code(Tree tree) {
        if (tree instanceof Tree.Call
                && !varying.isEmpty()
                && !isKeeping
                && bound.isEmpty()
                && isSameForAllRows(tree)) {
            isKeeping = true;
            Code code = written(tree);
            isKeeping = false;
            int part = kept++;
            return frame -> frame.kept.of(part, code, frame);
        }
        Code code = written(tree);
        boolean isFixed = switch (tree) {
            case Tree.Call ignored -> isFixed(tree);
            case Tree.Arithmetic ignored -> isFixed(tree);
            case Tree.RangeOf ignored -> isFixed(tree);
            case Tree.ListOf ignored -> isFixed(tree);
            default -> false;
        };
        if (!isFixed) {
            return code;
        }
        try {
            Object value = code.run(new Frame(new Object[slots], new Work(MOST_AHEAD), NOTHING_KEPT));
            return frame -> value;
        } catch (Work.TooMuchWork e) {
            return code;
        }
    }

    /** Whether a part asks something of the document, and nothing that is another in each row. */
    private boolean isSameForAllRows(Tree tree) {
        Set<String> named = Names.in(tree);
        return !named.isEmpty() && Collections.disjoint(named, varying);
    }

    private static final Program.SharedParts NOTHING_KEPT =
            new Program(List.of(), frame -> null, 0, 0).kept(new Work(0));

    private static boolean isFixed(Tree tree) {
        return tree.children().stream()
                .allMatch(child -> child instanceof Tree.Literal || (isFolded(child) && isFixed(child)));
    }

    private static boolean isFolded(Tree tree) {
        return tree instanceof Tree.Call
                || tree instanceof Tree.Arithmetic
                || tree instanceof Tree.RangeOf
                || tree instanceof Tree.ListOf
                || tree instanceof Tree.Minus;
    }

    private Code written(Tree tree) {
        return switch (tree) {
            case Tree.Literal(var value) -> frame -> value;
            case Tree.Name(var name) -> name(name);
            case Tree.Path(var of, var name) -> {
                Code from = code(of);
                yield frame -> PathProperties.of(from.run(frame), name);
            }
            case Tree.Arithmetic it -> arithmetic(it);
            case Tree.Minus(var operand) -> {
                Code of = code(operand);
                yield frame -> Semantics.negated(of.run(frame));
            }
            case Tree.Comparison(var test, var left, var right) -> {
                Code a = code(left);
                Code b = code(right);
                yield frame -> Semantics.compare(frame.work, test, a.run(frame), b.run(frame));
            }
            case Tree.Between(var value, var low, var high) -> {
                Code of = code(value);
                Code from = code(low);
                Code to = code(high);
                yield frame -> Semantics.between(frame.work, of.run(frame), from.run(frame), to.run(frame));
            }
            case Tree.In it -> in(it);
            case Tree.UnaryTest ignored -> throw new IllegalStateException("A test stands only behind “in”");
            case Tree.And(var left, var right) -> {
                Code a = code(left);
                Code b = code(right);
                yield frame -> {
                    Object first = a.run(frame);
                    return Boolean.FALSE.equals(first) ? Boolean.FALSE : Semantics.and(first, b.run(frame));
                };
            }
            case Tree.Or(var left, var right) -> {
                Code a = code(left);
                Code b = code(right);
                yield frame -> {
                    Object first = a.run(frame);
                    return Boolean.TRUE.equals(first) ? Boolean.TRUE : Semantics.or(first, b.run(frame));
                };
            }
            case Tree.If(var condition, var one, var other) -> {
                Code test = code(condition);
                Code then = code(one);
                Code otherwise = code(other);
                yield frame -> Boolean.TRUE.equals(test.run(frame)) ? then.run(frame) : otherwise.run(frame);
            }
            case Tree.For(var bindings, var result) -> loop(bindings, result);
            case Tree.FunctionOf it -> given(it);
            case Tree.Quantified(var every, var bindings, var condition) -> quantified(bindings, 0, every, condition);
            case Tree.Filter it -> filter(it);
            case Tree.Call it -> call(it);
            case Tree.ListOf(var elements) -> {
                Code[] codes = codes(elements);
                yield frame -> values(codes, frame);
            }
            case Tree.Context(var entries) -> context(entries);
            case Tree.RangeOf it -> range(it);
            case Tree.InstanceOf(var value, var type) -> {
                Code of = code(value);
                yield frame -> type.has(of.run(frame));
            }
        };
    }

    private Code[] codes(List<Tree> trees) {
        return trees.stream().map(this::code).toArray(Code[]::new);
    }

    private static List<@Nullable Object> values(Code[] codes, Frame frame) {
        frame.work.take(codes.length);
        List<@Nullable Object> values = new ArrayList<>(codes.length);
        for (Code code : codes) {
            values.add(code.run(frame));
        }
        return values;
    }

    /** Bound names hide those further out; the entries of a filter's element hide names outside the filter. */
    private Code name(String name) {
        List<Integer> items = new ArrayList<>();
        Integer slot = null;
        for (Bound each : bound) {
            if (each.isItem() && !name.equals(ITEM)) {
                items.add(each.slot());
            } else if (each.name().equals(name)) {
                slot = each.slot();
                break;
            }
        }
        slot = slot == null ? globals.get(name) : slot;
        int last = slot == null ? -1 : slot;
        if (items.isEmpty()) {
            return last < 0 ? frame -> null : frame -> frame.slots[last];
        }
        int[] from = items.stream().mapToInt(Integer::intValue).toArray();
        return frame -> {
            for (int item : from) {
                if (frame.slots[item] instanceof Map<?, ?> entries && entries.containsKey(name)) {
                    return entries.get(name);
                }
            }
            return last < 0 ? null : frame.slots[last];
        };
    }

    private Code arithmetic(Tree.Arithmetic it) {
        Code left = code(it.left());
        Code right = code(it.right());
        return frame -> {
            Object result = Semantics.calculate(it.operation(), left.run(frame), right.run(frame));
            if (result instanceof String text) {
                frame.work.take(text.length());
            }
            return result;
        };
    }

    private interface Tested {
        @Nullable
        Boolean by(Frame frame, @Nullable Object value);
    }

    private Code in(Tree.In it) {
        Code value = code(it.value());
        Tested[] tests = it.tests().stream().map(this::test).toArray(Tested[]::new);
        return frame -> {
            Object tested = value.run(frame);
            Boolean any = false;
            for (Tested test : tests) {
                any = Semantics.or(any, test.by(frame, tested));
            }
            return any;
        };
    }

    private Tested test(Tree test) {
        if (test instanceof Tree.UnaryTest(var how, var to)) {
            Code other = code(to);
            return (frame, value) -> Semantics.compare(frame.work, how, value, other.run(frame));
        }
        Code other = code(test);
        boolean isRange = test instanceof Tree.RangeOf;
        return (frame, value) -> {
            Object met = other.run(frame);
            // A range one of whose ends is not there says nothing, not even of null.
            return (isRange && met == null) ? null : Semantics.in(frame.work, value, met);
        };
    }

    /** What a loop gives so far, seen as a list that never changes once it was looked at. */
    private static final class Results {
        private @Nullable Object[] values = new Object[8];
        private int count;

        void add(@Nullable Object value) {
            if (count == values.length) {
                values = Arrays.copyOf(values, 2 * count);
            }
            values[count++] = value;
        }

        List<@Nullable Object> list() {
            return Collections.unmodifiableList(Arrays.asList(values).subList(0, count));
        }
    }

    /** Goes through what is bound and adds what comes out; false where something gone through is null. */
    private interface Step {
        boolean run(Frame frame, Results results);
    }

    private Code loop(List<Tree.Binding> bindings, Tree result) {
        int partial = slots++;
        bound.push(new Bound(Names.PARTIAL, partial, false));
        Step step = step(bindings, 0, result, partial);
        bound.pop();
        return frame -> {
            Results results = new Results();
            return step.run(frame, results) ? results.list() : null;
        };
    }

    private Step step(List<Tree.Binding> bindings, int at, Tree result, int partial) {
        if (at == bindings.size()) {
            Code code = code(result);
            return (frame, results) -> {
                frame.work.take(1);
                frame.slots[partial] = results.list();
                results.add(code.run(frame));
                return true;
            };
        }
        Tree.Binding binding = bindings.get(at);
        Code in = code(binding.in());
        Code to = binding.to() == null ? null : code(binding.to());
        int slot = slots++;
        bound.push(new Bound(binding.name(), slot, false));
        Step inner = step(bindings, at + 1, result, partial);
        bound.pop();
        return (frame, results) -> {
            List<?> elements = elements(frame, in, to);
            if (elements == null) {
                return false;
            }
            for (Object element : elements) {
                frame.slots[slot] = element;
                if (!inner.run(frame, results)) {
                    return false;
                }
            }
            return true;
        };
    }

    private Code given(Tree.FunctionOf it) {
        int first = slots;
        slots += it.parameters().size();
        for (int i = 0; i < it.parameters().size(); i++) {
            bound.push(new Bound(it.parameters().get(i), first + i, false));
        }
        Code result = code(it.result());
        it.parameters().forEach(parameter -> bound.pop());
        int parameters = it.parameters().size();
        return frame -> (GivenFunction) values -> {
            frame.work.take(1);
            System.arraycopy(values, 0, frame.slots, first, Math.min(values.length, parameters));
            return result.run(frame);
        };
    }

    /** What is gone through: the elements of a list, the whole numbers of a range, or one value alone; null has none. */
    private static @Nullable List<?> elements(Frame frame, Code in, @Nullable Code to) {
        Object from = in.run(frame);
        if (to != null) {
            return counted(frame, from, to.run(frame));
        }
        if (from instanceof Range range) {
            List<?> all = counted(frame, range.low(), range.high());
            if (all == null) {
                return null;
            }
            int first = range.lowIncluded() ? 0 : 1;
            boolean isLastOut = !range.highIncluded()
                    && Boolean.TRUE.equals(Semantics.equal(frame.work, all.getLast(), range.high()));
            return all.subList(Math.min(first, all.size()), Math.max(first, all.size() - (isLastOut ? 1 : 0)));
        }
        return from == null ? null : Semantics.listOf(from);
    }

    private static @Nullable List<?> counted(Frame frame, @Nullable Object from, @Nullable Object to) {
        if (from instanceof LocalDate first && to instanceof LocalDate last) {
            return days(frame, first, last);
        }
        if (!(from instanceof BigDecimal first) || !(to instanceof BigDecimal last)) {
            return null;
        }
        boolean rises = first.compareTo(last) <= 0;
        // Taken before the first step: a step between numbers of thousands of digits is long.
        frame.work.take(Decimals.place(first.subtract(last, Decimals.CONTEXT).abs()));
        List<BigDecimal> numbers = new ArrayList<>();
        BigDecimal next = first;
        while (rises ? next.compareTo(last) <= 0 : next.compareTo(last) >= 0) {
            numbers.add(next);
            next = rises ? next.add(BigDecimal.ONE) : next.subtract(BigDecimal.ONE);
        }
        return numbers;
    }

    private static List<LocalDate> days(Frame frame, LocalDate first, LocalDate last) {
        frame.work.take(Math.abs(last.toEpochDay() - first.toEpochDay()) + 1);
        List<LocalDate> days = new ArrayList<>();
        int step = first.isAfter(last) ? -1 : 1;
        for (LocalDate day = first; ; day = day.plusDays(step)) {
            days.add(day);
            if (day.equals(last)) {
                return days;
            }
        }
    }

    /** Stops at the first element that decides. */
    private Code quantified(List<Tree.Binding> bindings, int at, boolean every, Tree condition) {
        if (at == bindings.size()) {
            return code(condition);
        }
        Tree.Binding binding = bindings.get(at);
        Code in = code(binding.in());
        Code to = binding.to() == null ? null : code(binding.to());
        int slot = slots++;
        bound.push(new Bound(binding.name(), slot, false));
        Code inner = quantified(bindings, at + 1, every, condition);
        bound.pop();
        return frame -> {
            List<?> elements = elements(frame, in, to);
            if (elements == null) {
                return null;
            }
            Boolean folded = every;
            for (Object element : elements) {
                frame.work.take(1);
                frame.slots[slot] = element;
                Object met = inner.run(frame);
                folded = every ? Semantics.and(folded, met) : Semantics.or(folded, met);
                if (folded != null && folded != every) {
                    return folded;
                }
            }
            return folded;
        };
    }

    private Code filter(Tree.Filter it) {
        Code list = code(it.list());
        int slot = slots++;
        bound.push(new Bound(ITEM, slot, true));
        Code condition = code(it.condition());
        bound.pop();
        boolean mayBePosition = !isTruth(it.condition());
        return frame -> {
            List<?> elements = Semantics.listOf(list.run(frame));
            Object outer = frame.slots[slot];
            BigDecimal position = mayBePosition ? position(frame, slot, elements, condition) : null;
            if (position != null) {
                frame.slots[slot] = outer;
                return at(elements, position);
            }
            List<@Nullable Object> kept = new ArrayList<>();
            for (Object element : elements) {
                frame.work.take(1);
                frame.slots[slot] = element;
                if (Boolean.TRUE.equals(condition.run(frame))) {
                    kept.add(element);
                }
            }
            frame.slots[slot] = outer;
            return kept;
        };
    }

    /** What can be nothing but true, false or null. */
    private static boolean isTruth(Tree tree) {
        return tree instanceof Tree.Comparison
                || tree instanceof Tree.And
                || tree instanceof Tree.Or
                || tree instanceof Tree.Between
                || tree instanceof Tree.In
                || tree instanceof Tree.Quantified
                || tree instanceof Tree.InstanceOf;
    }

    /**
     * The position that a filter names: a number without regard to any element, unless an entry of the elements makes it
     * something else. Null where it is a condition.
     */
    private static @Nullable BigDecimal position(Frame frame, int slot, List<?> elements, Code condition) {
        frame.slots[slot] = null;
        if (!(condition.run(frame) instanceof BigDecimal position)) {
            return null;
        }
        frame.slots[slot] = elements.isEmpty() ? null : elements.getFirst();
        return condition.run(frame) instanceof Boolean ? null : position;
    }

    private static @Nullable Object at(List<?> elements, BigDecimal position) {
        int place = Decimals.place(position);
        int index = place < 0 ? elements.size() + place : place - 1;
        boolean isThere =
                position.stripTrailingZeros().scale() <= 0 && place != 0 && index >= 0 && index < elements.size();
        return isThere ? elements.get(index) : null;
    }

    private Code call(Tree.Call it) {
        Function function = Functions.find(it.function()).orElseThrow();
        Code[] arguments = codes(ordered(function, it));
        Signature signature = Signature.of(function.name());
        Map<String, String> choices = labels.getOrDefault(it, Map.of());
        return frame -> {
            List<@Nullable Object> given = new ArrayList<>(arguments.length);
            for (int i = 0; i < arguments.length; i++) {
                Object value = signature.at(i).converted(arguments[i].run(frame));
                frame.work.take(size(value));
                given.add(value);
            }
            try {
                Object result = function.body().of(frame.work, new Arguments(given, language, choices));
                frame.work.take(size(result));
                return result;
            } catch (ArithmeticException | DateTimeException e) {
                // Beyond what a number, a date or a duration can be.
                return null;
            }
        };
    }

    /** How much work it is to go through a value once. */
    private static long size(@Nullable Object value) {
        return switch (value) {
            case String text -> 1 + text.length() / CHARACTERS_A_STEP;
            case List<?> list -> 1L + list.size();
            case null, default -> 1;
        };
    }

    private static final int CHARACTERS_A_STEP = 16;

    /** The arguments by their places; between named ones, those that are not given are null. */
    private static List<Tree> ordered(Function function, Tree.Call call) {
        if (call.names().isEmpty()) {
            return call.arguments();
        }
        List<Tree> ordered = new ArrayList<>();
        for (int i = 0; i < call.names().size(); i++) {
            int place = function.place(call.names().get(i));
            while (ordered.size() <= place) {
                ordered.add(new Tree.Literal(null));
            }
            ordered.set(place, call.arguments().get(i));
        }
        return ordered;
    }

    private Code context(List<Tree.Entry> entries) {
        Map<String, Code> codes = new LinkedHashMap<>();
        Map<String, Integer> places = new HashMap<>();
        for (Tree.Entry entry : entries) {
            codes.put(entry.name(), code(entry.value()));
            int slot = slots++;
            places.put(entry.name(), slot);
            bound.push(new Bound(entry.name(), slot, false));
        }
        entries.forEach(entry -> bound.pop());
        return frame -> {
            Map<String, @Nullable Object> values = new LinkedHashMap<>();
            codes.forEach((name, code) -> {
                frame.work.take(1);
                Object value = code.run(frame);
                frame.slots[Objects.requireNonNull(places.get(name))] = value;
                values.put(name, value);
            });
            return values;
        };
    }

    private Code range(Tree.RangeOf it) {
        Code low = code(it.low());
        Code high = code(it.high());
        return frame -> {
            Object from = low.run(frame);
            Object to = high.run(frame);
            Integer order = from == null || to == null ? null : Semantics.order(from, to);
            return order == null || order > 0
                    ? null
                    : new Range(
                            Objects.requireNonNull(from),
                            it.lowIncluded(),
                            Objects.requireNonNull(to),
                            it.highIncluded());
        };
    }
}
