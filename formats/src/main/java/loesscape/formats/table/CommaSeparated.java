package loesscape.formats.table;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.QuoteMode;

/** Tables that others open as spreadsheets (RFC 4180). */
public final class CommaSeparated {

    /** Every cell is quoted, as spreadsheets part cells at semicolons and tabs too, and take what follows for a formula. */
    private static final CSVFormat FORMAT =
            CSVFormat.RFC4180.builder().setQuoteMode(QuoteMode.ALL).get();

    /** Begins with a line break or a tab, or, behind what is not seen, with a sign that begins formulas. */
    private static final Pattern FORMULA =
            Pattern.compile("[\\t\\r\\n]|[\\s\\p{Cf}\\p{Cc}\\p{Zs}]*[-=+@＝＋－＠−]", Pattern.UNICODE_CHARACTER_CLASS);

    private CommaSeparated() {}

    /** Lines of cells as text. */
    public static String write(List<List<String>> lines) {
        StringWriter text = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(text, FORMAT)) {
            for (List<String> line : lines) {
                printer.printRecord(line);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /**
     * A text that a spreadsheet will not take for a formula: one that begins like a formula gets an apostrophe in front
     * (OWASP, CSV Injection). Numbers are not texts and keep their sign.
     */
    public static String harmless(String text) {
        return FORMULA.matcher(text).lookingAt() ? "'" + text : text;
    }
}
