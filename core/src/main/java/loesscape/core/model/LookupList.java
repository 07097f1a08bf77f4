package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A table from which fields offer choices.
 *
 * @param key unique among the lists
 * @param name what its author calls it
 * @param columns at least one
 * @param rows each with a cell for every column; an empty cell is blank
 * @param source the list of the organisation it was taken from; null for one of the template's own
 */
public record LookupList(
        String key,
        String name,
        List<Column> columns,
        @MayBeLeftOut List<List<String>> rows,
        @Nullable Source source) {

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

    /**
     * Where a list was taken from.
     *
     * @param list the identity of the organisation's list
     * @param version which of its versions
     */
    public record Source(String list, int version) {}

    /** A list of the template's own. */
    public LookupList(String key, String name, List<Column> columns, List<List<String>> rows) {
        this(key, name, columns, rows, null);
    }

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
