package loesscape.core.editing;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.core.model.LookupList;
import org.jspecify.annotations.Nullable;

/** Lookup lists from tables of text. */
public final class Tables {

    private static final Pattern NUMBER = Pattern.compile("[-+]?\\d{1,15}([.,]\\d{1,15})?");

    private Tables() {}

    /**
     * A list from the lines of a table, the first of which holds the titles of its columns. Lines that are too short are
     * filled up with blank cells. A column with nothing but numbers is one of numbers; these may have a decimal comma.
     *
     * @param known the list as it was, whose columns keep their keys by their titles; null for a new one
     * @throws Refusal where there is no line below the titles, a title is blank or stands there twice, a line is too long,
     *     or there are too many lines or columns
     */
    public static LookupList list(String name, List<List<String>> table, @Nullable LookupList known) {
        if (table.size() < 2) {
            throw new Refusal("Put the titles of the columns into the first line and a row into each line below it.");
        }
        List<String> titles = table.getFirst().stream().map(String::strip).toList();
        if (titles.stream().anyMatch(String::isEmpty)
                || titles.stream().distinct().count() != titles.size()) {
            throw new Refusal("Every column needs a title of its own in the first line.");
        }
        if (titles.size() > LookupList.MOST_COLUMNS || table.size() - 1 > LookupList.MOST_ROWS) {
            throw new Refusal("A list has at most %d columns and %d rows."
                    .formatted(LookupList.MOST_COLUMNS, LookupList.MOST_ROWS));
        }
        List<List<String>> rows = new ArrayList<>();
        for (int line = 1; line < table.size(); line++) {
            List<String> cells =
                    new ArrayList<>(table.get(line).stream().map(String::strip).toList());
            if (cells.size() > titles.size()) {
                throw new Refusal("Line %d has more cells than there are columns.".formatted(line + 1));
            }
            while (cells.size() < titles.size()) {
                cells.add("");
            }
            rows.add(cells);
        }
        List<LookupList.Column> columns = new ArrayList<>();
        for (int i = 0; i < titles.size(); i++) {
            int at = i;
            List<String> cells = rows.stream()
                    .map(row -> row.get(at))
                    .filter(cell -> !cell.isEmpty())
                    .toList();
            boolean numbers = !cells.isEmpty()
                    && cells.stream().allMatch(cell -> NUMBER.matcher(cell).matches());
            if (numbers) {
                rows.forEach(row -> row.set(at, number(row.get(at))));
            }
            columns.add(new LookupList.Column(key(titles.get(i), known), titles.get(i), numbers));
        }
        return Others.keyed(new LookupList("", name, columns, rows));
    }

    /**
     * The lines of a list with a row put in the place of the one that is the same in its first column, or at the end. Cells
     * go by the titles of their columns; what the list has no column for is left out.
     *
     * @param titles those of the row's cells
     * @throws Refusal where the list has no column with the first of them
     */
    public static List<List<String>> withRow(LookupList list, List<String> titles, List<String> row) {
        List<String> columns =
                list.columns().stream().map(LookupList.Column::title).toList();
        int first = columns.indexOf(titles.getFirst());
        if (first < 0) {
            throw new Refusal("“%s” has no column “%s” by which the row would be known."
                    .formatted(list.name(), titles.getFirst()));
        }
        List<List<String>> lines = new ArrayList<>(List.of(columns));
        boolean isThere = false;
        for (List<String> known : list.rows()) {
            boolean isSame = known.get(first).equals(row.getFirst());
            lines.add(isSame ? filled(columns, titles, row, known) : known);
            isThere |= isSame;
        }
        if (!isThere) {
            lines.add(filled(
                    columns, titles, row, columns.stream().map(title -> "").toList()));
        }
        return lines;
    }

    private static List<String> filled(
            List<String> columns, List<String> titles, List<String> row, List<String> otherwise) {
        List<String> cells = new ArrayList<>(otherwise);
        for (int i = 0; i < columns.size(); i++) {
            int at = titles.indexOf(columns.get(i));
            if (at >= 0) {
                cells.set(i, row.get(at));
            }
        }
        return cells;
    }

    /** A number as lists hold it: with a point before its decimals, and no plus. */
    private static String number(String cell) {
        return cell.replace(',', '.').replace("+", "");
    }

    private static String key(String title, @Nullable LookupList known) {
        return known == null
                ? ""
                : known.columns().stream()
                        .filter(column -> column.title().equals(title))
                        .map(LookupList.Column::key)
                        .findFirst()
                        .orElse("");
    }
}
