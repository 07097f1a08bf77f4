package loesscape.core.editing;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.core.evaluation.TypedNumber;
import loesscape.core.model.LookupList;
import loesscape.core.model.Numbers;
import org.jspecify.annotations.Nullable;

/** Lookup lists from tables of text. */
public final class Tables {

    /** Numbers that stand in a list as they were written, but for the sign before their decimals. */
    private static final Pattern AS_WRITTEN = Pattern.compile("-?\\d{1,15}([.,]\\d{1,15})?");

    /** With a comma that can only stand before decimals, and with one that can only stand between thousands. */
    private static final Pattern DECIMAL_COMMA = Pattern.compile("[^,]*,\\d{0,2}|[^,]*,\\d{4,}|0,\\d+|[^,]*\\..*,.*");

    private static final Pattern DECIMAL_POINT =
            Pattern.compile("[^.]*\\.\\d{0,2}|[^.]*\\.\\d{4,}|0\\.\\d+|[^.]*,.*[,.].*");

    private Tables() {}

    /**
     * A list from the lines of a table, the first of which holds the titles of its columns. Lines that are too short are
     * filled up with blank cells. A column with nothing but numbers is one of numbers, which are read as what fillers type;
     * what could be two numbers is told by the others of its column.
     *
     * @param known the list as it was, whose columns keep their keys by their titles; null for a new one
     * @throws Refusal where there is no line below the titles, a title is blank or stands there twice, a line is too long,
     *     there are too many lines or columns, or a number could be two
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
                    && cells.stream().allMatch(cell -> TypedNumber.isNumber(cell) || TypedNumber.couldBeTwo(cell));
            if (numbers) {
                boolean hasDecimalComma = cells.stream()
                        .anyMatch(cell -> DECIMAL_COMMA.matcher(cell).matches());
                boolean hasDecimalPoint = cells.stream()
                        .anyMatch(cell -> DECIMAL_POINT.matcher(cell).matches());
                for (int r = 0; r < rows.size(); r++) {
                    String cell = rows.get(r).get(at);
                    if (TypedNumber.couldBeTwo(cell)) {
                        if (hasDecimalComma == hasDecimalPoint) {
                            throw couldBeTwo(cell, r + 2, titles.get(i));
                        }
                        rows.get(r).set(at, hasDecimalComma ? cell.replace(',', '.') : cell.replace(",", ""));
                    } else if (!cell.isEmpty()) {
                        rows.get(r).set(at, number(cell));
                    }
                }
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

    private static Refusal couldBeTwo(String cell, int line, String title) {
        return new Refusal("Line %d, “%s”: “%s” could be %s or %s; write it one of these ways."
                .formatted(line, title, cell, cell.replace(",", ""), cell.replace(',', '.')));
    }

    /** A number as lists hold it: with a point before its decimals, and nothing between thousands. */
    private static String number(String cell) {
        return AS_WRITTEN.matcher(cell).matches() ? cell.replace(',', '.') : Numbers.plain(TypedNumber.of(cell));
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
