package loesscape.core.model;

import java.util.List;

/**
 * A table from which fields offer choices.
 *
 * @param key unique among the lists
 * @param name what its author calls it
 * @param columns at least one
 * @param rows each with a cell for every column; an empty cell is blank
 */
public record LookupList(
        String key,
        String name,
        List<Column> columns,
        @MayBeLeftOut List<List<String>> rows) {

    /** The most rows of a list. */
    public static final int MOST_ROWS = 100_000;

    /** The most columns of a list. */
    public static final int MOST_COLUMNS = 50;

    /**
     * A column.
     *
     * @param key unique in the list; formulas refer to it as a part of the field, such as {@code equipment.day_rate}
     * @param title what its author calls it
     * @param number whether its cells are numbers
     */
    public record Column(
            String key, String title, @MayBeLeftOut boolean number) {}

    public LookupList {
        columns = List.copyOf(columns);
        rows = rows.stream().map(List::copyOf).toList();
    }

    /** Where a column stands; -1 where there is none of this key. */
    public int column(String columnKey) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).key().equals(columnKey)) {
                return i;
            }
        }
        return -1;
    }
}
