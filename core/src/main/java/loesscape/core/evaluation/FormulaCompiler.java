package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntSupplier;
import java.util.stream.Collectors;
import loesscape.core.expression.Decimals;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Names;
import loesscape.core.expression.Program;
import loesscape.core.expression.Type;
import loesscape.core.expression.Work;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** Turns formulas of a template into functions of what is seen. */
final class FormulaCompiler {

    /** How much all formulas of a document may do at one look at it. */
    private static final long MOST_WORK = 30_000_000;

    /** How much any of them may do, however many there are. */
    private static final long LEAST_SHARE = 1_000;

    private final SymbolTable symbols;
    private final Slots slots;
    private final Function<String, CompiledCondition> shared;
    private final Offerings offerings;
    private final IntSupplier memos;
    private final Locale language;
    private int compiled;
    private int sharing;

    /**
     * @param shared the test of a shared condition
     * @param memos where things can be remembered
     */
    FormulaCompiler(
            SymbolTable symbols,
            Slots slots,
            Function<String, CompiledCondition> shared,
            Offerings offerings,
            IntSupplier memos) {
        this.symbols = symbols;
        this.slots = slots;
        this.shared = shared;
        this.offerings = offerings;
        this.memos = memos;
        this.language = symbols.language();
    }

    /**
     * What a formula gives; null where it is null or does more than a formula may.
     *
     * @param within the repeating section in whose rows it is asked; null for outside of rows
     */
    Function<Seen, @Nullable Object> compile(String formula, @Nullable String within) {
        Map<String, Type> types = symbols.types(within);
        List<String> names = names(formula, types);
        Program program;
        try {
            program = symbols.formula(formula, within).compile(names, varying(names, within), language);
        } catch (FormulaProblem refusedByNow) {
            // Kept since before it was refused, as in a release; by what it is refused for it decides nothing.
            return seen -> null;
        }
        List<Function<Seen, @Nullable Object>> values = new ArrayList<>();
        names.forEach(name -> values.add(value(name, formula)));
        int rows = within == null ? Slots.NONE : slots.of(within);
        int memo = memos.getAsInt();
        compiled++;
        return seen -> {
            @Nullable Object[] given = new Object[values.size()];
            for (int i = 0; i < given.length; i++) {
                given[i] = values.get(i).apply(seen);
            }
            Work work = new Work(share(rows == Slots.NONE ? 1 : seen.rows[rows].length));
            Program.SharedParts kept = program.keeps()
                    ? seen.remembered(memo, -1, () -> program.kept(new Work(share(1))))
                    : program.kept(work);
            try {
                return program.run(work, kept, given);
            } catch (Work.TooMuchWork tooMuch) {
                return null;
            }
        };
    }

    /** Which part of a formula gives nothing, in a sentence; null where it gives something. */
    Function<Seen, @Nullable String> blankPart(String formula, @Nullable String within) {
        Map<String, Type> types = symbols.types(within);
        List<String> names = names(formula, types);
        Formula understood;
        try {
            understood = symbols.formula(formula, within);
        } catch (FormulaProblem refusedByNow) {
            return seen -> refusedByNow.getMessage();
        }
        List<Function<Seen, @Nullable Object>> values =
                names.stream().map(name -> value(name, formula)).toList();
        return seen -> understood.blankPart(
                names, language, values.stream().map(value -> value.apply(seen)).toArray());
    }

    /** What a formula that is not of the template gives outside of rows. */
    Function<Seen, @Nullable Object> once(String formula) {
        Map<String, Type> types = symbols.types(null);
        List<String> names = names(formula, types);
        Program program = Formula.of(formula, types).compile(names, Set.of(), language);
        List<Function<Seen, @Nullable Object>> values =
                names.stream().map(name -> value(name, formula)).toList();
        return seen ->
                program.run(values.stream().map(value -> value.apply(seen)).toArray());
    }

    private static List<String> names(String formula, Map<String, Type> types) {
        List<String> names = new ArrayList<>(Names.in(formula));
        names.retainAll(types.keySet());
        return names;
    }

    /** All formulas of the template are compiled; what is compiled later, to give reasons, takes nothing from their share. */
    void complete() {
        sharing = compiled;
    }

    /** The names whose values are others in each row. */
    private Set<String> varying(List<String> names, @Nullable String within) {
        return within == null
                ? Set.of()
                : names.stream().filter(name -> isVarying(name, within)).collect(Collectors.toSet());
    }

    private boolean isVarying(String name, String within) {
        SharedCondition condition = symbols.shared(name);
        return name.equals(Names.ROW_NUMBER)
                || (!Names.isList(name) && within.equals(symbols.rowsAround(Names.key(name))))
                || (condition != null && within.equals(symbols.rowsOf(condition)));
    }

    /**
     * How much one formula may do in one row: all of them together, in all rows, do no more than a document may, whatever
     * order they are asked in.
     */
    private long share(int rows) {
        long times = (long) Math.max(1, sharing) * Math.max(1, rows);
        return Math.clamp(MOST_WORK / times, LEAST_SHARE, Work.MOST);
    }

    private Function<Seen, @Nullable Object> value(String name, String formula) {
        switch (name) {
            case Names.TODAY -> {
                return seen -> seen.context.today();
            }
            case Names.STAGE -> {
                return seen -> seen.context.stage().word();
            }
            case Names.ROLE -> {
                return seen -> seen.context.role().isEmpty() ? null : seen.context.role();
            }
            case Names.ROW_NUMBER -> {
                return seen -> BigDecimal.valueOf(seen.row + 1L);
            }
            default -> {}
        }
        String key = Names.key(name);
        if (Names.isList(name)) {
            List<Map<String, @Nullable Object>> rows = offerings.rows(Objects.requireNonNull(symbols.list(key), key));
            return seen -> rows;
        }
        if (name.equals(Names.previous(key))) {
            return previous(Objects.requireNonNull(symbols.field(key), key));
        }
        if (name.equals(Names.runningTotal(key))) {
            return runningTotal(slots.of(key));
        }
        Field field = symbols.field(name);
        if (field != null) {
            return field(field);
        }
        if (symbols.repeating(name) != null) {
            return rows(name, formula);
        }
        CompiledCondition test = shared.apply(name);
        return test::holds;
    }

    /** How to read the counting value of a field. */
    Function<Seen, Value> counting(String key) {
        int slot = slots.of(key);
        return slots.isInRows(slot) ? seen -> seen.countingInRows[slot][seen.row] : seen -> seen.counting[slot];
    }

    private Function<Seen, @Nullable Object> field(Field field) {
        Function<Seen, Value> value = counting(field.key());
        return field.kind() instanceof FieldKind.Lookup lookup
                ? offerings.row(lookup, value)
                : seen -> plain(value.apply(seen));
    }

    /** The value of a field in the row before; null in the first one. */
    private Function<Seen, @Nullable Object> previous(Field field) {
        Function<Seen, @Nullable Object> value = field(field);
        return seen -> {
            if (seen.row == 0) {
                return null;
            }
            seen.row--;
            Object before = value.apply(seen);
            seen.row++;
            return before;
        };
    }

    /** The total of a field from the first row to this one; what is blank counts as 0. */
    private Function<Seen, @Nullable Object> runningTotal(int slot) {
        int memo = memos.getAsInt();
        return seen -> {
            List<BigDecimal> totals = seen.remembered(memo, -1, () -> runningTotals(seen.countingInRows[slot]));
            return Decimals.inRange(totals.get(seen.row));
        };
    }

    private static List<BigDecimal> runningTotals(Value[] values) {
        List<BigDecimal> totals = new ArrayList<>(values.length);
        BigDecimal total = BigDecimal.ZERO;
        for (Value value : values) {
            total = plain(value) instanceof BigDecimal number ? total.add(number) : total;
            totals.add(total);
        }
        return totals;
    }

    /** The rows of a section as a list of contexts, each with the fields that the formula names. */
    private Function<Seen, @Nullable Object> rows(String section, String formula) {
        int slot = slots.of(section);
        Map<String, Function<Seen, @Nullable Object>> columns = new LinkedHashMap<>();
        symbols.columns(section, formula)
                .forEach(key -> columns.put(key, field(Objects.requireNonNull(symbols.field(key), key))));
        symbols.sharedOfRows(section, formula).forEach(key -> {
            CompiledCondition test = shared.apply(key);
            columns.put(key, test::holds);
        });
        int memo = memos.getAsInt();
        return seen -> seen.remembered(memo, -1, () -> rows(slot, columns, seen));
    }

    private static List<Map<String, @Nullable Object>> rows(
            int section, Map<String, Function<Seen, @Nullable Object>> columns, Seen seen) {
        int outer = seen.row;
        List<Map<String, @Nullable Object>> rows = new ArrayList<>();
        for (int i = 0; i < seen.rows[section].length; i++) {
            seen.row = i;
            Map<String, @Nullable Object> entries = LinkedHashMap.newLinkedHashMap(columns.size());
            columns.forEach((key, value) -> entries.put(key, value.apply(seen)));
            rows.add(entries);
        }
        seen.row = outer;
        return rows;
    }

    /** A value as formulas know it. */
    static @Nullable Object plain(Value value) {
        return switch (value) {
            case Value.Blank ignored -> null;
            case Value.Text(var text) -> text;
            case Value.Number(var number) -> number;
            case Value.YesNo(var yes) -> yes;
            case Value.Date(var date) -> date;
            case Value.Time(var time) -> time;
            case Value.Chosen(var choice, var ignored) -> choice;
            case Value.ChosenSet(var choices, var ignored) -> choices;
            case Value.Signed(var reference) -> reference;
            case Value.Files(var files) -> files.stream().map(Value.File::name).toList();
            case Value.Paid(var amount, var ignored) -> amount;
        };
    }
}
