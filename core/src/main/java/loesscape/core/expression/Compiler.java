package loesscape.core.expression;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Program.Code;
import loesscape.core.expression.Program.Frame;
import loesscape.core.expression.functions.Arguments;
import loesscape.core.expression.functions.Function;
import loesscape.core.expression.functions.Functions;
import org.jspecify.annotations.Nullable;

/** Turns a tree into steps that run over an array of values: every name has its place in it before the run. */
final class Compiler {

    private static final String ITEM = "item";

    private final Map<String, Integer> globals = new HashMap<>();
    private final Deque<Bound> bound = new ArrayDeque<>();
    private int slots;

    /** A name bound inside the formula; {@code isItem} where the slot holds the element of a filter, whose entries are names. */
    private record Bound(String name, int slot, boolean isItem) {}

    private Compiler(List<String> names) {
        names.forEach(name -> globals.put(name, slots++));
    }

    /** Compiles a tree whose free names are all among {@code names}. */
    static Program compile(Tree tree, List<String> names) {
        Compiler compiler = new Compiler(names);
        Code code = compiler.code(tree);
        return new Program(names, code, compiler.slots);
    }

    private Code code(Tree tree) {
        return switch (tree) {
            case Tree.Literal(var value) -> frame -> value;
            case Tree.Name(var name) -> name(name);
            case Tree.Path(var of, var name) -> {
                Code from = code(of);
                yield frame -> Properties.of(from.run(frame), name);
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
            case Tree.For(var bindings, var result) -> loop(bindings, 0, result);
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
                yield frame -> Type.isInstance(of.run(frame), type);
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
        return (frame, value) -> Semantics.in(frame.work, value, other.run(frame));
    }

    private Code loop(List<Tree.Binding> bindings, int at, Tree result) {
        if (at == bindings.size()) {
            Code code = code(result);
            return frame -> {
                frame.work.take(1);
                List<@Nullable Object> one = new ArrayList<>(1);
                one.add(code.run(frame));
                return one;
            };
        }
        Tree.Binding binding = bindings.get(at);
        Code in = code(binding.in());
        Code to = binding.to() == null ? null : code(binding.to());
        int slot = slots++;
        bound.push(new Bound(binding.name(), slot, false));
        Code inner = loop(bindings, at + 1, result);
        bound.pop();
        return frame -> {
            List<?> elements = elements(frame, in, to);
            if (elements == null) {
                return null;
            }
            List<@Nullable Object> results = new ArrayList<>();
            for (Object element : elements) {
                frame.slots[slot] = element;
                if (inner.run(frame) instanceof List<?> more) {
                    frame.work.take(more.size());
                    results.addAll(more);
                } else {
                    return null;
                }
            }
            return results;
        };
    }

    /** What is gone through: the elements of a list, the whole numbers of a range, or one value alone; null has none. */
    private static @Nullable List<?> elements(Frame frame, Code in, @Nullable Code to) {
        Object from = in.run(frame);
        if (to != null) {
            return counted(frame, from, to.run(frame));
        }
        if (from instanceof Range range) {
            return counted(frame, range.low(), range.high());
        }
        return from == null ? null : Semantics.listOf(from);
    }

    private static @Nullable List<?> counted(Frame frame, @Nullable Object from, @Nullable Object to) {
        if (!(from instanceof BigDecimal first) || !(to instanceof BigDecimal last)) {
            return null;
        }
        boolean rises = first.compareTo(last) <= 0;
        List<BigDecimal> numbers = new ArrayList<>();
        BigDecimal next = first;
        while (rises ? next.compareTo(last) <= 0 : next.compareTo(last) >= 0) {
            frame.work.take(1);
            numbers.add(next);
            next = rises ? next.add(BigDecimal.ONE) : next.subtract(BigDecimal.ONE);
        }
        return numbers;
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
        return frame -> {
            List<?> elements = Semantics.listOf(list.run(frame));
            List<@Nullable Object> kept = new ArrayList<>();
            Object outer = frame.slots[slot];
            frame.slots[slot] = elements.isEmpty() ? null : elements.getFirst();
            Object first = condition.run(frame);
            if (first instanceof BigDecimal position) {
                frame.slots[slot] = outer;
                return at(elements, position);
            }
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
        return frame -> {
            List<@Nullable Object> given = new ArrayList<>(arguments.length);
            for (int i = 0; i < arguments.length; i++) {
                Object value = signature.at(i).converted(arguments[i].run(frame));
                frame.work.take(size(value));
                given.add(value);
            }
            try {
                Object result = function.body().of(frame.work, new Arguments(given));
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
                frame.slots[java.util.Objects.requireNonNull(places.get(name))] = value;
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
            return from != null && to != null && Semantics.order(from, to) == null
                    ? null
                    : new Range(from, it.lowIncluded(), to, it.highIncluded());
        };
    }
}
