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

    final Seen seen;
    final boolean[][] shown;
    /** The addresses of what is settled. */
    final Set<String> settled;

    /** What is said of what was typed where it could not be read; no place for nodes where nothing is. */
    private final @Nullable String[] @Nullable [] unreadable;

    /** Whether a worked-out value was typed over; no place for nodes where none was. */
    private final boolean[] @Nullable [] overtyped;

    /** Of so many nodes nothing is known yet: all are folded and blank. */
    Run(int slots) {
        this.settled = Set.of();
        this.seen = new Seen(slots, Context.UNDATED);
        this.shown = new boolean[slots][];
        Arrays.fill(shown, FOLDED);
        this.unreadable = new String[slots][];
        this.overtyped = new boolean[slots][];
    }

    /** The same in a context, made from one of which nothing is known: copied, which is fast. */
    Run(Run blank, Context context, Settled settled) {
        this.settled = Set.copyOf(settled.shown());
        this.seen = new Seen(blank.seen, context);
        this.shown = blank.shown.clone();
        this.unreadable = new String[shown.length][];
        this.overtyped = new boolean[shown.length][];
    }

    /** Forgets what was found out of a node: it is folded and blank, in one place, until more is known. */
    void forget(int slot) {
        shown[slot] = FOLDED;
        seen.counting[slot] = Seen.BLANK;
        unreadable[slot] = null;
        overtyped[slot] = null;
    }

    /** Makes place for so many rows of a node of which nothing is known. */
    void prepare(int slot, int rows) {
        if (rows != 1) {
            shown[slot] = new boolean[rows];
            seen.counting[slot] = new Value[rows];
            Arrays.fill(seen.counting[slot], Value.blank());
        }
    }

    /** Notes how a node stands in one of its rows. */
    void note(int slot, int rows, int row, boolean isShown, Value value) {
        if (rows == 1) {
            if (isShown) {
                shown[slot] = SHOWN;
            }
            if (!value.isBlank()) {
                seen.counting[slot] = new Value[] {value};
            }
        } else {
            shown[slot][row] = isShown;
            seen.counting[slot][row] = value;
        }
    }

    /** Notes that what was typed could not be read. */
    void noteUnreadable(int slot, int rows, int row, String message) {
        @Nullable String[] known = unreadable[slot];
        if (known == null) {
            known = new String[rows];
            unreadable[slot] = known;
        }
        known[row] = message;
    }

    /** Notes that a worked-out value was typed over. */
    void noteOvertyped(int slot, int rows, int row) {
        boolean[] known = overtyped[slot];
        if (known == null) {
            known = new boolean[rows];
            overtyped[slot] = known;
        }
        known[row] = true;
    }

    /** What is said of what was typed, where it could not be read; null where it could, or is folded. */
    @Nullable
    String unreadable(int slot, int row) {
        @Nullable String[] known = unreadable[slot];
        return known == null ? null : known[row];
    }

    boolean isOvertyped(int slot, int row) {
        boolean[] known = overtyped[slot];
        return known != null && known[row];
    }
}
