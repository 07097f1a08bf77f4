package loesscape.formats.table;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.editing.Refusal;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table as text: RFC 4180, with commas between its cells, or, as spreadsheets in many countries write it, semicolons, or
 * tabs, as they put it on the clipboard.
 */
public final class SeparatedTable {

    private static final String SEPARATORS = "\t;,";

    private SeparatedTable() {}

    /**
     * The lines of a table, each with as many cells as it has, without blanks around them; empty lines are left out, and so
     * is a mark of the byte order.
     *
     * @throws Refusal where a quotation mark is left open, or stands where it cannot
     */
    public static List<List<String>> read(String table) {
        String text = table.startsWith("\ufeff") ? table.substring(1) : table;
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator(text))
                .setIgnoreEmptyLines(true)
                .setIgnoreSurroundingSpaces(true)
                .get();
        List<List<String>> lines = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(text, format)) {
            for (CSVRecord line : parser) {
                lines.add(line.stream().map(String::strip).toList());
            }
        } catch (IOException | UncheckedIOException e) {
            throw new Refusal("This table cannot be read: %s (line %d). A quotation mark belongs around a whole cell."
                    .formatted(e.getMessage(), lines.size() + 1));
        }
        return lines;
    }

    /**
     * A table with a heading.
     *
     * @param heading what each column is called, each otherwise
     * @param lines those below it; one may have more or fewer cells than the heading
     */
    public record Headed(List<String> heading, List<List<String>> lines) {}

    /**
     * Reads a table with a heading and at least one line below it.
     *
     * @param most how many lines are taken
     * @throws Refusal where it is no such table
     */
    public static Headed headed(String table, int most) {
        List<List<String>> lines = read(table);
        if (lines.size() < 2) {
            throw new Refusal("The table has no line below its heading.");
        }
        if (lines.size() > most + 1) {
            throw new Refusal("A table has at most %,d lines; split it.".formatted(most));
        }
        List<String> heading = lines.getFirst();
        Set<String> columns = new HashSet<>();
        for (String column : heading) {
            if (column.isEmpty()) {
                throw new Refusal("A column of the table has no heading.");
            }
            if (!columns.add(column)) {
                throw new Refusal("Two columns of the table are headed “%s”; take one of them away.".formatted(column));
            }
        }
        return new Headed(heading, lines.subList(1, lines.size()));
    }

    /** What stands between the cells of the first line: a tab where there is one, else a semicolon, else a comma. */
    private static char separator(String text) {
        boolean[] found = new boolean[SEPARATORS.length()];
        boolean quoted = false;
        for (int at = 0; at < text.length(); at++) {
            char letter = text.charAt(at);
            if (letter == '"') {
                quoted = !quoted;
            } else if (letter == '\n' && !quoted) {
                break;
            } else if (!quoted && SEPARATORS.indexOf(letter) >= 0) {
                found[SEPARATORS.indexOf(letter)] = true;
            }
        }
        for (int i = 0; i < found.length; i++) {
            if (found[i]) {
                return SEPARATORS.charAt(i);
            }
        }
        return ',';
    }
}
