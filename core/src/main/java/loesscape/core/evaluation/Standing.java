package loesscape.core.evaluation;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import loesscape.core.model.Condition;
import loesscape.core.model.Value;
import loesscape.core.wording.Reasons;
import org.jspecify.annotations.Nullable;

/** A document as it stands for some answers, with which conditions can be asked of it one by one. Not for several threads. */
public final class Standing implements Reasons.Facts {

    private final CompiledTemplate compiled;
    private final Run run;
    private final State state;
    private final Map<Question, CompiledCondition> tests = new ConcurrentHashMap<>();

    private record Question(Condition condition, @Nullable String within) {}

    Standing(CompiledTemplate compiled, Run run, State state) {
        this.compiled = compiled;
        this.run = run;
        this.state = state;
    }

    /** The day, stage and role it stands so for. */
    public Context context() {
        return run.seen.context;
    }

    /** How every node stands. */
    public State state() {
        return state;
    }

    /** The counting value of a field as it is seen from a row; from nowhere in particular where that is empty. */
    @Override
    public Value counting(String key, String row) {
        int slot = compiled.slots().of(key);
        return run.counting(slot, place(slot, row));
    }

    /** Whether a field is shown as it is seen from a row. */
    @Override
    public boolean shown(String key, String row) {
        int slot = compiled.slots().of(key);
        return run.isShown(slot, place(slot, row));
    }

    /** The names of the rows of a repeating section. */
    @Override
    public List<String> rows(String section) {
        return List.of(run.seen.rows[compiled.slots().of(section)]);
    }

    private int place(int slot, String row) {
        int section = compiled.slots().rows(slot);
        return section == Slots.NONE ? 0 : place(run.seen.rows[section], row);
    }

    private static int place(String[] rows, String row) {
        for (int i = 0; i < rows.length; i++) {
            if (rows[i].equals(row)) {
                return i;
            }
        }
        throw new IllegalArgumentException("There is no row " + row);
    }

    /**
     * Whether a condition holds.
     *
     * @param within the repeating section in one of whose rows it is asked; null for outside of rows
     * @param row the name of that row; empty for outside of rows
     */
    @Override
    public boolean holds(Condition condition, @Nullable String within, String row) {
        CompiledCondition test = tests.computeIfAbsent(
                new Question(condition, within),
                asked -> compiled.conditions().compile(asked.condition(), asked.within()));
        run.seen.row = within == null ? 0 : place(run.seen.rows[compiled.slots().of(within)], row);
        return test.holds(run.seen);
    }

    /**
     * Which part of a formula gives nothing, in a sentence; null where it gives something.
     *
     * @param within the repeating section in one of whose rows it is asked; null for outside of rows
     * @param row the name of that row; empty for outside of rows
     */
    public @Nullable String blankPart(String formula, @Nullable String within, String row) {
        run.seen.row = within == null ? 0 : place(run.seen.rows[compiled.slots().of(within)], row);
        return compiled.conditions().formulas().blankPart(formula, within).apply(run.seen);
    }

    /**
     * What a formula gives that stands in no row.
     *
     * @throws loesscape.core.expression.FormulaProblem where it cannot be taken
     * @throws loesscape.core.expression.Work.TooMuchWork where it does more than it may
     */
    public @Nullable Object gives(String formula) {
        return compiled.conditions().formulas().once(formula).apply(run.seen);
    }
}
