package loesscape.core.expression.functions;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import loesscape.core.expression.Decimals;
import loesscape.core.expression.Semantics;
import loesscape.core.expression.Work;
import org.jspecify.annotations.Nullable;

/** Lists (DMN 1.4, 10.3.4.4). Those that take one list also take its elements one by one. */
final class ListFunctions {

    static final List<Function> ALL = List.of(
            new Function(
                    "list contains",
                    List.of("list", "element"),
                    2,
                    false,
                    "Whether a list has an element.",
                    "list contains([1, 2, 3], 2)",
                    (work, given) -> given.get(0) instanceof List<?> list
                            ? Boolean.valueOf(Semantics.contains(work, list, given.get(1)))
                            : null),
            each("count", "How many elements a list has.", "count([1, 2, 3])", list -> BigDecimal.valueOf(list.size())),
            each("min", "The least element.", "min([1, 2, 3])", list -> extreme(list, -1)),
            each("max", "The greatest element.", "max(1, 2, 3)", list -> extreme(list, 1)),
            each("sum", "All elements added.", "sum([1, 2, 3])", ListFunctions::sum),
            new Function(
                    "total",
                    List.of("list"),
                    1,
                    true,
                    "All numbers added; what is blank counts as 0, so that the total of nothing is 0.",
                    "total([120, null, 80])",
                    (work, given) -> total(work, given.values())),
            each("product", "All elements multiplied.", "product([2, 3, 4])", ListFunctions::product),
            each("mean", "The sum divided by the number of elements.", "mean([1, 2, 3])", ListFunctions::mean),
            each(
                    "median",
                    "The middle element, or the mean of the two in the middle.",
                    "median(8, 2, 5, 3, 4)",
                    ListFunctions::median),
            each("stddev", "The standard deviation of a sample.", "stddev(2, 4, 7, 5)", ListFunctions::deviation),
            each("mode", "The elements that occur most often, in order.", "mode(6, 3, 9, 6, 6)", ListFunctions::mode),
            each("all", "Whether all elements are true.", "all([true, false])", list -> {
                Boolean all = true;
                for (Object element : list) {
                    all = Semantics.and(all, element);
                }
                return all;
            }),
            each("any", "Whether an element is true.", "any([true, false])", list -> {
                Boolean any = false;
                for (Object element : list) {
                    any = Semantics.or(any, element);
                }
                return any;
            }),
            new Function(
                    "sublist",
                    List.of("list", "start position", "length"),
                    2,
                    false,
                    "A part of a list; the first element is 1, the last -1.",
                    "sublist([4, 5, 6], 1, 2)",
                    (work, given) -> sublist(given)),
            new Function(
                    "append",
                    List.of("list", "item"),
                    1,
                    true,
                    "A list with elements put behind it.",
                    "append([1], 2, 3)",
                    (work, given) -> given.get(0) instanceof List<?> list
                            ? joined(work, List.of(list, given.values().subList(1, given.size())))
                            : null),
            new Function(
                    "concatenate",
                    List.of("list"),
                    1,
                    true,
                    "Lists one behind the other.",
                    "concatenate([1, 2], [3])",
                    (work, given) -> given.areLists() ? joined(work, given.values()) : null),
            new Function(
                    "insert before",
                    List.of("list", "position", "newItem"),
                    3,
                    false,
                    "A list with an element put before a place.",
                    "insert before([1, 3], 1, 2)",
                    (work, given) -> {
                        Integer at = place(given.get(0), given.get(1));
                        if (at == null) {
                            return null;
                        }
                        List<@Nullable Object> inserted = copy(work, given.get(0));
                        inserted.add(at, given.get(2));
                        return inserted;
                    }),
            new Function(
                    "remove",
                    List.of("list", "position"),
                    2,
                    false,
                    "A list without the element at a place.",
                    "remove([1, 2, 3], 2)",
                    (work, given) -> {
                        Integer at = place(given.get(0), given.get(1));
                        if (at == null) {
                            return null;
                        }
                        List<@Nullable Object> rest = copy(work, given.get(0));
                        rest.remove(at.intValue());
                        return rest;
                    }),
            new Function(
                    "reverse",
                    List.of("list"),
                    1,
                    false,
                    "A list from its end to its beginning.",
                    "reverse([1, 2, 3])",
                    (work, given) -> {
                        if (given.get(0) == null) {
                            return null;
                        }
                        List<@Nullable Object> reversed = copy(work, given.get(0));
                        Collections.reverse(reversed);
                        return reversed;
                    }),
            new Function(
                    "list replace",
                    List.of("list", "position", "newItem"),
                    3,
                    false,
                    "A list with another element at a place, or wherever a function of an element and the new one says so.",
                    "list replace([2, 4, 7, 8], 3, 6)",
                    (work, given) -> replaced(work, given)),
            new Function(
                    "sort",
                    List.of("list", "precedes"),
                    1,
                    false,
                    "A list in order: of its elements, or as a function of two of them says whether the one comes first.",
                    "sort([{rate: 25}, {rate: 10}], function(a, b) a.rate < b.rate)",
                    (work, given) -> sorted(work, given)),
            new Function(
                    "index of",
                    List.of("list", "match"),
                    2,
                    false,
                    "The places of an element.",
                    "index of([1, 2, 3, 2], 2)",
                    (work, given) -> {
                        if (!(given.get(0) instanceof List<?> list)) {
                            return null;
                        }
                        List<Object> places = new ArrayList<>();
                        for (int i = 0; i < list.size(); i++) {
                            if (Boolean.TRUE.equals(Semantics.equal(work, list.get(i), given.get(1)))) {
                                places.add(BigDecimal.valueOf(i + 1L));
                            }
                        }
                        return places;
                    }),
            new Function(
                    "union",
                    List.of("list"),
                    1,
                    true,
                    "Lists one behind the other, each element once.",
                    "union([1, 2], [2, 3])",
                    (work, given) -> given.areLists() ? distinct(work, joined(work, given.values())) : null),
            new Function(
                    "distinct values",
                    List.of("list"),
                    1,
                    false,
                    "A list with each element once.",
                    "distinct values([1, 2, 1])",
                    (work, given) -> given.get(0) == null ? null : distinct(work, Semantics.listOf(given.get(0)))),
            new Function(
                    "flatten",
                    List.of("list"),
                    1,
                    false,
                    "A list with the elements of the lists in it.",
                    "flatten([[1, 2], [[3]], 4])",
                    (work, given) -> {
                        if (given.get(0) == null) {
                            return null;
                        }
                        List<@Nullable Object> flat = new ArrayList<>();
                        flatten(work, Semantics.listOf(given.get(0)), flat);
                        return flat;
                    }));

    private ListFunctions() {}

    private interface OfList {
        @Nullable
        Object of(List<?> list);
    }

    /** A function of one list, or of its elements one by one. */
    private static Function each(String name, String says, String example, OfList body) {
        return new Function(name, List.of("list"), 1, true, says, example, (work, given) -> {
            List<?> list = given.size() == 1 && given.get(0) instanceof List<?> one ? one : given.values();
            work.take(list.size());
            return given.size() == 1 && given.get(0) == null ? null : body.of(list);
        });
    }

    private static @Nullable Object extreme(List<?> list, int sign) {
        Object best = null;
        for (Object element : list) {
            Integer order = Semantics.order(element, best == null ? element : best);
            if (order == null) {
                return null;
            }
            best = best == null || order * sign > 0 ? element : best;
        }
        return best;
    }

    /** The elements as numbers; null where one is none, or there are none. */
    private static @Nullable List<BigDecimal> numbers(List<?> list) {
        List<BigDecimal> numbers = new ArrayList<>(list.size());
        for (Object element : list) {
            if (!(element instanceof BigDecimal number)) {
                return null;
            }
            numbers.add(number);
        }
        return numbers.isEmpty() ? null : numbers;
    }

    private static @Nullable BigDecimal sum(List<?> list) {
        List<BigDecimal> numbers = numbers(list);
        return numbers == null
                ? null
                : Decimals.inRange(numbers.stream().reduce(BigDecimal.ZERO, (a, b) -> a.add(b, Decimals.CONTEXT)));
    }

    /** The sum of all numbers in lists or alone; null where something is neither a number nor blank. */
    private static @Nullable BigDecimal total(Work work, List<?> values) {
        BigDecimal total = BigDecimal.ZERO;
        for (Object value : values) {
            work.take(1);
            BigDecimal more = switch (value) {
                case null -> BigDecimal.ZERO;
                case BigDecimal number -> number;
                case List<?> list when list.stream().noneMatch(List.class::isInstance) -> total(work, list);
                default -> null;
            };
            if (more == null) {
                return null;
            }
            total = total.add(more, Decimals.CONTEXT);
        }
        return Decimals.inRange(total);
    }

    private static @Nullable BigDecimal product(List<?> list) {
        List<BigDecimal> numbers = numbers(list);
        if (numbers == null) {
            return null;
        }
        BigDecimal product = BigDecimal.ONE;
        for (BigDecimal number : numbers) {
            BigDecimal next = Decimals.inRange(product.multiply(number, Decimals.CONTEXT));
            if (next == null) {
                return null;
            }
            product = next;
        }
        return product;
    }

    private static @Nullable BigDecimal mean(List<?> list) {
        BigDecimal sum = sum(list);
        return sum == null ? null : sum.divide(BigDecimal.valueOf(list.size()), Decimals.CONTEXT);
    }

    private static @Nullable BigDecimal median(List<?> list) {
        List<BigDecimal> numbers = numbers(list);
        if (numbers == null) {
            return null;
        }
        Collections.sort(numbers);
        int middle = numbers.size() / 2;
        return numbers.size() % 2 == 1
                ? numbers.get(middle)
                : numbers.get(middle - 1).add(numbers.get(middle)).divide(BigDecimal.valueOf(2), Decimals.CONTEXT);
    }

    private static @Nullable BigDecimal deviation(List<?> list) {
        List<BigDecimal> numbers = numbers(list);
        BigDecimal mean = mean(list);
        if (numbers == null || mean == null || numbers.size() < 2) {
            return null;
        }
        BigDecimal squares = BigDecimal.ZERO;
        for (BigDecimal number : numbers) {
            BigDecimal off = number.subtract(mean, Decimals.CONTEXT);
            squares = squares.add(off.multiply(off, Decimals.CONTEXT), Decimals.CONTEXT);
        }
        return squares.divide(BigDecimal.valueOf(numbers.size() - 1L), Decimals.CONTEXT)
                .sqrt(Decimals.CONTEXT);
    }

    private static @Nullable List<BigDecimal> mode(List<?> list) {
        if (list.isEmpty()) {
            return List.of();
        }
        List<BigDecimal> numbers = numbers(list);
        if (numbers == null) {
            return null;
        }
        Collections.sort(numbers);
        List<BigDecimal> most = new ArrayList<>();
        int best = 0;
        for (int start = 0; start < numbers.size(); ) {
            int end = start;
            while (end < numbers.size() && numbers.get(end).compareTo(numbers.get(start)) == 0) {
                end++;
            }
            if (end - start > best) {
                best = end - start;
                most.clear();
            }
            if (end - start == best) {
                most.add(numbers.get(start));
            }
            start = end;
        }
        return most;
    }

    private static @Nullable List<?> sublist(Arguments given) {
        Object length = given.size() > 2 ? given.get(2) : null;
        if (!(given.get(0) instanceof List<?> list)
                || !(given.get(1) instanceof BigDecimal start)
                || (given.size() > 2 && !(length instanceof BigDecimal))) {
            return null;
        }
        long position = Decimals.place(start);
        long from = position < 0 ? list.size() + position : position - 1;
        long count = length instanceof BigDecimal wanted ? Decimals.place(wanted) : list.size() - from;
        boolean fits = position != 0 && from >= 0 && from < list.size() && count >= 0 && from + count <= list.size();
        return fits ? list.subList((int) from, (int) (from + count)) : null;
    }

    /** The index of a position, which counts from 1, or from the end where it is below 0; null where there is none. */
    private static @Nullable Integer place(@Nullable Object list, @Nullable Object position) {
        if (!(list instanceof List<?> elements) || !(position instanceof BigDecimal number)) {
            return null;
        }
        long place = Decimals.place(number);
        long index = place < 0 ? elements.size() + place : place - 1;
        return place != 0 && index >= 0 && index < elements.size() ? Integer.valueOf((int) index) : null;
    }

    private static @Nullable List<?> replaced(Work work, Arguments given) {
        if (!(given.get(0) instanceof List<?> list)) {
            return null;
        }
        List<@Nullable Object> replaced = copy(work, list);
        if (given.get(1) instanceof GivenFunction chooses) {
            replaced.replaceAll(
                    element -> Boolean.TRUE.equals(chooses.of(element, given.get(2))) ? given.get(2) : element);
            return replaced;
        }
        Integer at = place(list, given.single(1));
        if (at == null) {
            return null;
        }
        replaced.set(at, given.get(2));
        return replaced;
    }

    private static @Nullable List<?> sorted(Work work, Arguments given) {
        boolean isAsked = given.size() > 1;
        if (!(given.get(0) instanceof List<?> list) || (isAsked && !(given.get(1) instanceof GivenFunction))) {
            return null;
        }
        List<@Nullable Object> sorted = copy(work, list);
        Comparator<@Nullable Object> order = given.get(1) instanceof GivenFunction precedes
                ? (a, b) -> Boolean.TRUE.equals(precedes.of(a, b)) ? -1 : Boolean.TRUE.equals(precedes.of(b, a)) ? 1 : 0
                : (a, b) -> {
                    work.take(1);
                    Integer each = Semantics.order(a, b);
                    if (each == null) {
                        throw new IllegalArgumentException("No order");
                    }
                    return each;
                };
        try {
            sorted.sort(order);
            return sorted;
        } catch (IllegalArgumentException e) {
            // Two elements have no order, or a function contradicts itself.
            return null;
        }
    }

    private static List<@Nullable Object> copy(Work work, @Nullable Object list) {
        List<?> elements = Semantics.listOf(list);
        work.take(elements.size());
        return new ArrayList<>(elements);
    }

    private static List<@Nullable Object> joined(Work work, List<?> lists) {
        List<@Nullable Object> all = new ArrayList<>();
        for (Object list : lists) {
            all.addAll(copy(work, list));
        }
        return all;
    }

    private static List<@Nullable Object> distinct(Work work, List<?> list) {
        List<@Nullable Object> seen = new ArrayList<>();
        for (Object element : list) {
            if (!Semantics.contains(work, seen, element)) {
                seen.add(element);
            }
        }
        return seen;
    }

    private static void flatten(Work work, List<?> list, List<@Nullable Object> into) {
        for (Object element : list) {
            work.take(1);
            if (element instanceof List<?> inner) {
                flatten(work, inner, into);
            } else {
                into.add(element);
            }
        }
    }
}
