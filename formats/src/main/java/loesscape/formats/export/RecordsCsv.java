package loesscape.formats.export;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import loesscape.core.evaluation.State;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.QuoteMode;

/**
 * Records as CSV (RFC 4180): a header of field keys, then a line for each record. Numbers and dates are written plainly,
 * choices by what is stored of them.
 */
public final class RecordsCsv {

    /** Every cell is quoted, as spreadsheets part cells at semicolons and tabs too, and take what follows for a formula. */
    private static final CSVFormat FORMAT =
            CSVFormat.RFC4180.builder().setQuoteMode(QuoteMode.ALL).get();

    private RecordsCsv() {}

    /**
     * The records as one CSV text.
     *
     * @param fields the columns, in order
     */
    public static String write(List<Field> fields, List<RecordRow> rows) {
        StringWriter text = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(text, FORMAT)) {
            List<String> header = new ArrayList<>(List.of("record", "release", "finished"));
            fields.forEach(field -> header.add(field.key()));
            printer.printRecord(header);
            for (RecordRow row : rows) {
                printer.printRecord(cells(fields, row));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static List<String> cells(List<Field> fields, RecordRow row) {
        Map<String, Field> known = new HashMap<>();
        row.template().fields().forEach(field -> known.put(field.key(), field));
        List<String> cells = new ArrayList<>();
        cells.add(Integer.toString(row.heading().number()));
        cells.add(Integer.toString(row.heading().release()));
        cells.add(row.heading().finished().toString());
        for (Field column : fields) {
            Field field = known.get(column.key());
            cells.add(field == null ? "" : cell(field, row.state()));
        }
        return cells;
    }

    /** The answer to a field; in rows, those of all rows one under the other. */
    private static String cell(Field field, State state) {
        List<Value> values = state.answers(field.key());
        return values.stream().map(value -> cell(field.kind(), value)).collect(Collectors.joining("\n"));
    }

    private static String cell(FieldKind kind, Value value) {
        return switch (value) {
            case Value.Number(var number) -> Numbers.plain(number);
            case Value.Date(var date) -> date.toString();
            case Value.Chosen(var choice, var words) when words.isEmpty() -> harmless(stored(kind, choice));
            case Value.ChosenSet(var choices, var words) ->
                harmless(choices.stream()
                        .map(choice -> choice.equals(Choice.OTHER) && !words.isEmpty() ? words : stored(kind, choice))
                        .collect(Collectors.joining(", ")));
            default -> harmless(Display.of(kind, value));
        };
    }

    private static String stored(FieldKind kind, String id) {
        return kind.offered().stream()
                .filter(choice -> choice.id().equals(id))
                .map(Choice::value)
                .findFirst()
                .orElse(id);
    }

    /**
     * A text that a spreadsheet will not take for a formula: one that begins like a formula gets an apostrophe in front
     * (OWASP, CSV Injection). Numbers are not texts and keep their sign.
     */
    static String harmless(String text) {
        return FORMULA.matcher(text).lookingAt() ? "'" + text : text;
    }

    /** Begins with a line break or a tab, or, behind what is not seen, with a sign that begins formulas. */
    private static final Pattern FORMULA =
            Pattern.compile("[\\t\\r\\n]|[\\s\\p{Cf}\\p{Cc}\\p{Zs}]*[-=+@＝＋－＠−]", Pattern.UNICODE_CHARACTER_CLASS);
}
