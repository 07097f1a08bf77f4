package loesscape.core.evaluation;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** What an evaluation has found out so far, by slot, and by row of what stands in rows. */
final class Run {

    private static final boolean[] NO_ROWS = {};
    private static final String[] NO_NAMES = {};

    final Seen seen;
    /** The addresses of what is settled. */
    final Set<String> settled;

    /** Whether anything is settled; in most documents nothing is. */
    final boolean hasSettled;

    /** Whether the document is still being answered; what is finished or printed only shows. */
    final boolean isAnswered;

    private final Slots slots;
    private final boolean[] shown;
    private final boolean[][] shownInRows;

    /** What is said of what was typed where it could not be read, by slot and row. */
    private final Map<Integer, Map<Integer, String>> unreadable = new HashMap<>();

    /** In which rows a worked-out value was typed over, by slot. */
    private final Map<Integer, BitSet> overtyped = new HashMap<>();

    /** Nothing is known yet: all are folded and blank. */
    Run(Slots slots) {
        this.slots = slots;
        this.settled = Set.of();
        this.hasSettled = false;
        this.isAnswered = true;
        this.seen = new Seen(slots.count(), slots.hasRows(), Context.UNDATED);
        this.shown = new boolean[slots.count()];
        this.shownInRows = new boolean[slots.hasRows() ? slots.count() : 0][];
        Arrays.fill(shownInRows, NO_ROWS);
    }

    /** The same in a context, made from one of which nothing is known: copied, which is fast. */
    Run(Run blank, Context context, Settled settled) {
        this.slots = blank.slots;
        this.settled = Set.copyOf(settled.shown());
        this.hasSettled = !this.settled.isEmpty();
        this.isAnswered = switch (context.stage()) {
            case FILLING, REVIEWING -> true;
            case FINISHED, PRINT -> false;
        };
        this.seen = new Seen(blank.seen, context);
        this.shown = new boolean[blank.shown.length];
        this.shownInRows = blank.shownInRows.clone();
    }

    /**
     * What was found out of one node.
     *
     * @param rows the names of its rows, where it repeats
     */
    record Found(boolean shown, Value value, boolean[] shownInRows, Value[] valueInRows, String[] rows) {

        boolean isShownLike(Found other) {
            return shown == other.shown && Arrays.equals(shownInRows, other.shownInRows);
        }

        boolean countsLike(Found other) {
            return value.equals(other.value) && Arrays.equals(valueInRows, other.valueInRows);
        }

        boolean hasRowsLike(Found other) {
            return Arrays.equals(rows, other.rows);
        }
    }

    /** What was found out of a node; what is found out later does not change it. */
    Found found(int slot) {
        return slots.hasRows()
                ? new Found(
                        shown[slot], seen.counting[slot], shownInRows[slot], seen.countingInRows[slot], seen.rows[slot])
                : new Found(shown[slot], seen.counting[slot], NO_ROWS, Seen.NO_VALUES, NO_NAMES);
    }

    /** Forgets what was found out of a node: it is folded and blank until more is known. */
    void forget(int slot) {
        shown[slot] = false;
        seen.counting[slot] = Value.blank();
        unreadable.remove(slot);
        overtyped.remove(slot);
    }

    /** Makes place for so many rows of a node of which nothing is known. */
    void prepare(int slot, int rows) {
        shownInRows[slot] = new boolean[rows];
        seen.countingInRows[slot] = new Value[rows];
        Arrays.fill(seen.countingInRows[slot], Value.blank());
    }

    /** Notes that a node outside of rows is shown. */
    void noteShown(int slot) {
        shown[slot] = true;
    }

    /** Notes that a node in rows is shown in one of them. */
    void noteShown(int slot, int row) {
        shownInRows[slot][row] = true;
    }

    /** Notes what counts of the answer to a field outside of rows. */
    void noteCounting(int slot, Value value) {
        seen.counting[slot] = value;
    }

    /** Notes what counts of the answer to a field in one of its rows. */
    void noteCounting(int slot, int row, Value value) {
        seen.countingInRows[slot][row] = value;
    }

    /** Notes that what was typed could not be read. */
    void noteUnreadable(int slot, int row, String message) {
        unreadable.computeIfAbsent(slot, ignored -> new HashMap<>()).put(row, message);
    }

    /** Notes that a worked-out value was typed over. */
    void noteOvertyped(int slot, int row) {
        overtyped.computeIfAbsent(slot, ignored -> new BitSet()).set(row);
    }

    /** Whether a node outside of rows is shown. */
    boolean isShown(int slot) {
        return shown[slot];
    }

    /** Whether a node is shown; outside of rows the row has no meaning. */
    boolean isShown(int slot, int row) {
        return slots.isInRows(slot) ? shownInRows[slot][row] : shown[slot];
    }

    /** What counts of the answer to a field; outside of rows the row has no meaning. */
    Value counting(int slot, int row) {
        return slots.isInRows(slot) ? seen.countingInRows[slot][row] : seen.counting[slot];
    }

    /** What is said of what was typed, where it could not be read; null where it could, or is folded. */
    @Nullable
    String unreadable(int slot, int row) {
        return unreadable.isEmpty()
                ? null
                : unreadable.getOrDefault(slot, Map.of()).get(row);
    }

    boolean isOvertyped(int slot, int row) {
        if (overtyped.isEmpty()) {
            return false;
        }
        BitSet rows = overtyped.get(slot);
        return rows != null && rows.get(row);
    }
}
