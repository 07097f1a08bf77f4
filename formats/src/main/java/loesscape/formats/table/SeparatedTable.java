package loesscape.formats.table;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
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
