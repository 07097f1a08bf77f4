package loesscape.formats.export;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import loesscape.core.evaluation.State;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import loesscape.formats.table.CommaSeparated;

/**
 * Records as CSV (RFC 4180): a header of field keys, then a line for each record. Numbers and dates are written plainly,
 * choices by what is stored of them.
 */
public final class RecordsCsv {

    private RecordsCsv() {}

    /**
     * The records as one CSV text.
     *
     * @param fields the columns, in order
     */
    public static String write(List<Field> fields, List<RecordRow> rows) {
        List<List<String>> lines = new ArrayList<>();
        List<String> header = new ArrayList<>(List.of("record", "release", "finished"));
        fields.forEach(field -> header.add(field.key()));
        lines.add(header);
        rows.forEach(row -> lines.add(cells(fields, row)));
        return CommaSeparated.write(lines);
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
            case Value.Chosen(var choice, var words)
            when words.isEmpty() -> CommaSeparated.harmless(stored(kind, choice));
            case Value.ChosenSet(var choices, var words) ->
                CommaSeparated.harmless(choices.stream()
                        .map(choice -> choice.equals(Choice.OTHER) && !words.isEmpty() ? words : stored(kind, choice))
                        .collect(Collectors.joining(", ")));
            default -> CommaSeparated.harmless(Display.of(kind, value));
        };
    }

    private static String stored(FieldKind kind, String id) {
        return kind.offered().stream()
                .filter(choice -> choice.id().equals(id))
                .map(Choice::value)
                .findFirst()
                .orElse(id);
    }
}
