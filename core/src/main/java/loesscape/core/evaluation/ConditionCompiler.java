package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** Turns conditions into tests of what is seen. */
final class ConditionCompiler {

    private final SymbolTable symbols;
    private final Slots slots;
    private final ClauseMeaning meaning;
    private final Offerings offerings;
    private final FormulaCompiler formulas;
    private final Map<String, CompiledCondition> shared = new ConcurrentHashMap<>();
    private final AtomicInteger memos = new AtomicInteger();

    ConditionCompiler(SymbolTable symbols, Slots slots) {
        this.symbols = symbols;
        this.slots = slots;
        this.meaning = new ClauseMeaning(symbols);
        this.offerings = new Offerings(symbols, this::counting);
        this.formulas = new FormulaCompiler(symbols, slots, this::shared, offerings, this::memo);
    }

    /** Where something that is found out can be remembered. */
    private int memo() {
        return memos.getAndIncrement();
    }

    /** What fields offer to choose from. */
    Offerings offerings() {
        return offerings;
    }

    /** What formulas give. */
    FormulaCompiler formulas() {
        return formulas;
    }

    private Function<Seen, Value> counting(String key) {
        return formulas.counting(key);
    }

    /** The test of a shared condition, the same wherever it is used. */
    private CompiledCondition shared(String key) {
        CompiledCondition known = shared.get(key);
        if (known == null) {
            SharedCondition condition = Objects.requireNonNull(symbols.shared(key), key);
            String within = symbols.rowsOf(condition);
            CompiledCondition asked = compile(condition.condition(), within);
            int memo = memo();
            known = seen -> seen.remembered(memo, within == null ? -1 : seen.row, () -> asked.holds(seen));
            shared.put(key, known);
        }
        return known;
    }

    /**
     * The test of a condition.
     *
     * @param within the repeating section in whose rows it is asked; null for outside of rows
     */
    CompiledCondition compile(Condition condition, @Nullable String within) {
        return switch (condition) {
            case Condition.Always() -> seen -> true;
            case Condition.Never() -> seen -> false;
            case Condition.All(var parts) -> all(tests(parts, within));
            case Condition.Any(var parts) -> any(tests(parts, within));
            case Condition.AtLeast(var count, var parts) -> enough(tests(parts, within), count);
            case Condition.None(var parts) -> {
                CompiledCondition any = any(tests(parts, within));
                yield seen -> !any.holds(seen);
            }
            case Condition.Written(var formula) -> {
                Function<Seen, @Nullable Object> gives = formulas.compile(formula, within);
                yield seen -> Boolean.TRUE.equals(gives.apply(seen));
            }
            case Condition.StageIs(var stages) -> {
                Set<Stage> wanted = Set.copyOf(stages);
                yield seen -> wanted.contains(seen.context.stage());
            }
            case Condition.RoleIs(var roles) -> {
                Set<String> wanted = Set.copyOf(roles);
                yield seen -> wanted.contains(seen.context.role());
            }
            case Condition.Shared(var key) -> shared(key);
            case Condition.OfRows it -> ofRows(it);
            case Condition.RowCount it -> {
                int section = slots.of(it.section());
                IntPredicate order = ClauseMeaning.order(it.test());
                int count = it.count();
                yield seen -> order.test(Integer.compare(seen.rows[section].length, count));
            }
            case Condition.Total it -> total(it, within);
            case Clause clause -> clause(clause, within);
        };
    }

    private CompiledCondition ofRows(Condition.OfRows it) {
        int section = slots.of(it.section());
        CompiledCondition test = compile(it.condition(), it.section());
        boolean wanted = it.quantity() != Condition.OfRows.Quantity.EVERY;
        boolean whenFound = it.quantity() == Condition.OfRows.Quantity.ANY;
        boolean whenBlank = it.metWhenBlank();
        int memo = memo();
        // Of rows in rows the same is said for each of them.
        return seen -> seen.remembered(memo, -1, () -> {
            int count = seen.rows[section].length;
            if (count == 0) {
                return whenBlank;
            }
            int outer = seen.row;
            boolean found = false;
            for (int row = 0; row < count && !found; row++) {
                seen.row = row;
                found = test.holds(seen) == wanted;
            }
            seen.row = outer;
            return found == whenFound;
        });
    }

    private CompiledCondition total(Condition.Total it, @Nullable String within) {
        int field = slots.of(it.field());
        int section = slots.rows(field);
        OtherSide to = otherSide(it.to(), within);
        IntPredicate order = ClauseMeaning.order(it.test());
        boolean whenBlank = it.metWhenBlank();
        return seen -> {
            BigDecimal total = null;
            for (int row = 0; row < seen.rows[section].length; row++) {
                if (seen.countingInRows[field][row] instanceof Value.Number(var number)) {
                    total = total == null ? number : total.add(number);
                }
            }
            Value other = to.value(seen);
            if (total == null || other.isBlank()) {
                return whenBlank && (total == null || it.to().canBeBlank());
            }
            return ClauseMeaning.decide(new Value.Number(total), other, order);
        };
    }

    private CompiledCondition[] tests(List<Condition> parts, @Nullable String within) {
        return parts.stream().map(part -> compile(part, within)).toArray(CompiledCondition[]::new);
    }

    private static CompiledCondition all(CompiledCondition[] tests) {
        if (tests.length == 2) { // as most have, and there is nothing to be gone through then
            CompiledCondition first = tests[0];
            CompiledCondition second = tests[1];
            return seen -> first.holds(seen) && second.holds(seen);
        }
        return seen -> {
            for (CompiledCondition test : tests) {
                if (!test.holds(seen)) {
                    return false;
                }
            }
            return true;
        };
    }

    private static CompiledCondition any(CompiledCondition[] tests) {
        if (tests.length == 2) { // see above
            CompiledCondition first = tests[0];
            CompiledCondition second = tests[1];
            return seen -> first.holds(seen) || second.holds(seen);
        }
        return seen -> {
            for (CompiledCondition test : tests) {
                if (test.holds(seen)) {
                    return true;
                }
            }
            return false;
        };
    }

    /** Holds when enough of the tests do; looks no further than it has to. */
    private static CompiledCondition enough(CompiledCondition[] tests, int wanted) {
        return seen -> {
            int missing = wanted;
            for (int i = 0; i < tests.length && missing > 0 && missing <= tests.length - i; i++) {
                if (tests[i].holds(seen)) {
                    missing--;
                }
            }
            return missing <= 0;
        };
    }

    private interface Answered {
        boolean meets(Value value, Seen seen);
    }

    private CompiledCondition clause(Clause clause, @Nullable String within) {
        int field = slots.of(clause.field());
        boolean inRows = slots.isInRows(field);
        boolean whenBlank = clause.metWhenBlank();
        return switch (clause) {
            case Clause.Comparison it -> {
                OtherSide to = otherSide(it.to(), within);
                IntPredicate order = ClauseMeaning.order(it.test());
                if (it.to() instanceof Operand.NumberOperand(var edge)) {
                    // By far the most there are, and the same as below without its questions.
                    yield new EdgeTest(field, inRows, edge, order.test(-1), order.test(0), order.test(1), whenBlank);
                }
                yield answered(
                        field, inRows, whenBlank, (value, seen) -> ClauseMeaning.meets(it, value, to.value(seen)));
            }
            case Clause.Between it -> answered(field, inRows, whenBlank, between(it, within));
            case Clause.TextClause it
            when it.test() != Clause.TextClause.TextTest.MATCHES && !it.matchCase() -> {
                Predicate<String> met = ClauseMeaning.words(it);
                yield answered(
                        field,
                        inRows,
                        whenBlank,
                        (value, seen) ->
                                value instanceof Value.Text(var text) && met.test(seen.comparable(field, text)));
            }
            default -> {
                Predicate<Value> met = meaning.fixed(clause);
                yield answered(field, inRows, whenBlank, (value, seen) -> met.test(value));
            }
        };
    }

    private static CompiledCondition answered(int field, boolean inRows, boolean whenBlank, Answered answered) {
        if (inRows) {
            return seen -> {
                Value value = seen.countingInRows[field][seen.row];
                return value.isBlank() ? whenBlank : answered.meets(value, seen);
            };
        }
        return seen -> {
            Value value = seen.counting[field];
            return value.isBlank() ? whenBlank : answered.meets(value, seen);
        };
    }

    private Answered between(Clause.Between it, @Nullable String within) {
        OtherSide from = otherSide(it.from(), within);
        OtherSide to = otherSide(it.to(), within);
        return (value, seen) -> ClauseMeaning.meets(it, value, from.value(seen), to.value(seen));
    }

    /** The other side of a comparison; blank where it is not known. */
    private interface OtherSide {
        Value value(Seen seen);
    }

    private OtherSide otherSide(Operand operand, @Nullable String within) {
        return switch (operand) {
            case Operand.NumberOperand(var number) -> {
                Value fixed = new Value.Number(number);
                yield seen -> fixed;
            }
            case Operand.DateOperand(var date) -> {
                Value fixed = new Value.Date(date);
                yield seen -> fixed;
            }
            case Operand.TimeOperand(var time) -> {
                Value fixed = new Value.Time(time);
                yield seen -> fixed;
            }
            case Operand.FieldOperand(var field) -> {
                Function<Seen, Value> other = counting(field);
                yield other::apply;
            }
            case Operand.FormulaOperand(var formula) -> {
                Function<Seen, @Nullable Object> gives = formulas.compile(formula, within);
                yield seen -> value(gives.apply(seen));
            }
            case Operand.TodayOperand(var days) ->
                seen -> {
                    LocalDate today = seen.context.today();
                    return today == null ? Value.blank() : new Value.Date(today.plusDays(days));
                };
        };
    }

    /** What a formula gave as a value that can be compared by size; blank where it is none. */
    private static Value value(@Nullable Object result) {
        return switch (result) {
            case BigDecimal number -> new Value.Number(number);
            case LocalDate date -> new Value.Date(date);
            case LocalTime time -> new Value.Time(time);
            case null, default -> Value.blank();
        };
    }
}
