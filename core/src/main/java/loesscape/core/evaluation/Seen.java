package loesscape.core.evaluation;

import java.util.Arrays;
import java.util.function.Supplier;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** What conditions and formulas see: counting values by slot and row, and how the document is looked at. */
final class Seen {

    private static final String[] NO_ROWS = {};
    static final Value[] NO_VALUES = {};

    private static final int FIRST_MEMOS = 8;

    /** The counting values of nodes outside of rows, by slot; blank for all others. */
    final Value[] counting;

    /** The counting values of nodes in rows, by slot and row. No places where nothing repeats, as in most documents. */
    final Value[][] countingInRows;

    /** The names of the rows of each repeating section, by its slot; no places where nothing repeats. */
    final String[][] rows;

    final Context context;

    /** The place of the row of which conditions are asked; of no meaning outside of rows. */
    int row;

    private @Nullable String[] compared = {};
    private @Nullable String[] comparable = {};
    private int epoch = 1;
    private @Nullable Object[] memos = new Object[FIRST_MEMOS];
    private long[] made = new long[FIRST_MEMOS];

    /** Nothing is answered yet, in places for so many nodes. */
    Seen(int slots, boolean hasRows, Context context) {
        this.counting = new Value[slots];
        this.countingInRows = new Value[hasRows ? slots : 0][];
        this.rows = new String[hasRows ? slots : 0][];
        Arrays.fill(counting, Value.blank());
        Arrays.fill(countingInRows, NO_VALUES);
        Arrays.fill(rows, NO_ROWS);
        this.context = context;
    }

    /** Nothing is answered yet, in as many places as in another of which nothing is: copied, which is fast. */
    Seen(Seen blank, Context context) {
        this.counting = blank.counting.clone();
        this.countingInRows = blank.countingInRows.clone();
        this.rows = blank.rows.clone();
        this.context = context;
    }

    /** Tells that a counting value or a row has become another, so that nothing found out before need be true any more. */
    void changed() {
        epoch++;
    }

    /** The text of a field as it is compared; many clauses ask it of the same one. */
    String comparable(int slot, String text) {
        if (compared.length == 0) {
            compared = new String[counting.length];
            comparable = new String[counting.length];
        }
        String known = comparable[slot];
        if (known != null && text.equals(compared[slot])) {
            return known;
        }
        String found = FoldedText.comparable(text);
        compared[slot] = text;
        comparable[slot] = found;
        return found;
    }

    /**
     * Something found out once and remembered until a value changes.
     *
     * @param memo where it is remembered; the same for the same question
     * @param ofRow the row of which it is asked; any number that is always the same where it is asked of no row
     */
    @SuppressWarnings("unchecked")
    <T> T remembered(int memo, int ofRow, Supplier<T> find) {
        if (memo >= memos.length) {
            int longer = Math.max(memo + 1, memos.length * 2);
            memos = Arrays.copyOf(memos, longer);
            made = Arrays.copyOf(made, longer);
        }
        long now = ((long) epoch << Integer.SIZE) | Integer.toUnsignedLong(ofRow);
        Object known = memos[memo];
        if (known != null && made[memo] == now) {
            return (T) known;
        }
        T found = find.get();
        memos[memo] = found;
        made[memo] = now;
        return found;
    }
}
