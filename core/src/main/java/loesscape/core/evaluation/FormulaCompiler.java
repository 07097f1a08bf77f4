package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.function.IntSupplier;
import loesscape.core.expression.Formula;
import loesscape.core.expression.Names;
import loesscape.core.expression.Program;
import loesscape.core.expression.Work;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Lexicon;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** Turns formulas of a template into functions of what is seen. */
final class FormulaCompiler {

    private final Lexicon lexicon;
    private final Slots slots;
    private final Function<String, Test> shared;
    private final Offerings offerings;
    private final IntSupplier memos;

    /**
     * @param shared the test of a shared condition
     * @param memos where things can be remembered
     */
    FormulaCompiler(
            Lexicon lexicon, Slots slots, Function<String, Test> shared, Offerings offerings, IntSupplier memos) {
        this.lexicon = lexicon;
        this.slots = slots;
        this.shared = shared;
        this.offerings = offerings;
        this.memos = memos;
    }

    /**
     * What a formula gives; null where it is null or does more than a formula may.
     *
     * @param within the repeating section in whose rows it is asked; null for outside of rows
     */
    Function<Seen, @Nullable Object> compile(String formula, @Nullable String within) {
        Map<String, loesscape.core.expression.Type> types = lexicon.types(within);
        List<String> names = new ArrayList<>(Names.in(formula));
        names.retainAll(types.keySet());
        Program program = Formula.of(formula, types).compile(names);
        List<Function<Seen, @Nullable Object>> values = new ArrayList<>();
        names.forEach(name -> values.add(value(name, formula)));
        return seen -> {
            @Nullable Object[] given = new Object[values.size()];
            for (int i = 0; i < given.length; i++) {
                given[i] = values.get(i).apply(seen);
            }
            try {
                return program.run(given);
            } catch (Work.TooMuchWork tooMuch) {
                return null;
            }
        };
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
            default -> {}
        }
        Field field = lexicon.field(name);
        if (field != null) {
            return field(field);
        }
        if (lexicon.repeating(name) != null) {
            return rows(name, formula);
        }
        Test test = shared.apply(name);
        return test::holds;
    }

    /** How to read the counting value of a field. */
    Function<Seen, Value> counting(String key) {
        int slot = slots.of(key);
        return slots.isInRows(slot) ? seen -> seen.counting[slot][seen.row] : seen -> seen.counting[slot][0];
    }

    private Function<Seen, @Nullable Object> field(Field field) {
        Function<Seen, Value> value = counting(field.key());
        return field.kind() instanceof FieldKind.Lookup lookup
                ? offerings.row(lookup, value)
                : seen -> plain(value.apply(seen));
    }

    /** The rows of a section as a list of contexts, each with the fields that the formula names. */
    private Function<Seen, @Nullable Object> rows(String section, String formula) {
        int slot = slots.of(section);
        Map<String, Function<Seen, @Nullable Object>> columns = new LinkedHashMap<>();
        lexicon.columns(section, formula)
                .forEach(key -> columns.put(key, field(Objects.requireNonNull(lexicon.field(key), key))));
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
