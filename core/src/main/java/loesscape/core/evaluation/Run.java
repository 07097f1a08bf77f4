package loesscape.core.evaluation;

import java.util.Arrays;
import java.util.Set;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * What an evaluation has found out so far, by slot and row; outside of rows there is one place for each slot. Arrays of one
 * place, which almost all are, are shared where they say the same: they are exchanged, never written to.
 */
final class Run {

    private static final boolean[] SHOWN = {true};
    private static final boolean[] FOLDED = {false};
    private static final boolean[] NOWHERE = {};
    private static final Value[] BLANK = {Value.blank()};

    final Seen seen;
    final boolean[][] shown;
    final @Nullable Reading[][] readings;
    /** The addresses of what is settled. */
    final Set<String> settled;

    /** Whether a worked-out value was typed over; of nodes where none can be there is no place. */
    private final boolean[][] overtyped;

    Run(int slots, Context context, Settled settled) {
        this.settled = Set.copyOf(settled.shown());
        this.seen = new Seen(slots, context);
        this.shown = new boolean[slots][];
        this.readings = new Reading[slots][];
        this.overtyped = new boolean[slots][];
    }

    /** Makes place for so many rows of a node, of which nothing is known yet. What is no field never counts. */
    void prepare(int slot, int rows, boolean isField) {
        shown[slot] = rows == 1 ? FOLDED : new boolean[rows];
        overtyped[slot] = NOWHERE;
        if (isField) {
            seen.counting[slot] = new Value[rows];
            readings[slot] = new Reading[rows];
        } else if (rows == 1) {
            seen.counting[slot] = BLANK;
        } else {
            seen.counting[slot] = new Value[rows];
            Arrays.fill(seen.counting[slot], Value.blank());
        }
    }

    /** Notes whether a node is shown. */
    void show(int slot, int row, boolean isShown) {
        if (shown[slot].length == 1) {
            shown[slot] = isShown ? SHOWN : FOLDED;
        } else {
            shown[slot][row] = isShown;
        }
    }

    /** Notes whether a worked-out value was typed over. */
    void overtype(int slot, int row, boolean isOvertyped) {
        boolean[] known = overtyped[slot];
        if (known.length == 0) {
            known = new boolean[shown[slot].length];
            overtyped[slot] = known;
        }
        known[row] = isOvertyped;
    }

    boolean isOvertyped(int slot, int row) {
        boolean[] known = overtyped[slot];
        return known.length > 0 && known[row];
    }
}
