package loesscape.core.evaluation;

import loesscape.core.model.Value;

/** What conditions and formulas see: counting values by slot and row, and how the document is looked at. */
final class Seen {

    private static final String[] NO_ROWS = {};

    /** The counting values by slot; outside of rows one for each slot, in rows one for each row. */
    final Value[][] counting;

    /** The names of the rows of each repeating section, by its slot; none for what does not repeat or is folded. */
    final String[][] rows;

    final Context context;

    /** The place of the row of which conditions are asked; of no meaning outside of rows. */
    int row;

    Seen(int slots, Context context) {
        this.counting = new Value[slots][];
        this.rows = new String[slots][];
        java.util.Arrays.fill(rows, NO_ROWS);
        this.context = context;
    }
}
