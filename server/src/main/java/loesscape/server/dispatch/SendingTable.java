package loesscape.server.dispatch;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.editing.Refusal;
import loesscape.core.model.Role;
import loesscape.core.model.Template;
import loesscape.server.dispatch.Sending.PersonNamed;
import loesscape.server.dispatch.Sending.SendingWanted;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** A table of people and answers, one dispatch a line. */
final class SendingTable {

    private static final int MOST_LINES = 1_000;

    private SendingTable() {}

    /** The lines of a table, their cells by the heading of their column; empty cells are left out. */
    static List<Map<String, String>> read(String table) {
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        String text = table.startsWith("\ufeff") ? table.substring(1) : table;
        try (CSVParser parser = CSVParser.parse(text, format)) {
            List<Map<String, String>> lines = new ArrayList<>();
            for (CSVRecord line : parser) {
                if (lines.size() == MOST_LINES) {
                    throw new Refusal("A table has at most %d lines; split it.".formatted(MOST_LINES));
                }
                Map<String, String> cells = new LinkedHashMap<>(line.toMap());
                cells.values().removeIf(String::isEmpty);
                if (!line.isConsistent()) {
                    cells.put("", "");
                }
                lines.add(cells);
            }
            if (lines.isEmpty()) {
                throw new Refusal("The table has no line below its heading.");
            }
            return lines;
        } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
            throw new Refusal("This is not a table with commas between its cells: " + e.getMessage());
        }
    }

    /** What a line asks for. */
    static SendingWanted wanted(Map<String, String> cells, Template template, SendingWanted common) {
        if (cells.containsKey("")) {
            throw new Refusal("The line has more or fewer cells than the heading.");
        }
        Map<String, String> rest = new LinkedHashMap<>(cells);
        List<PersonNamed> people = new ArrayList<>();
        for (Role role : template.roles()) {
            String name = rest.remove(role.key() + ".name");
            String address = rest.remove(role.key() + ".address");
            if (name != null || address != null) {
                people.add(new PersonNamed(role.key(), name == null ? "" : name, address == null ? "" : address));
            }
        }
        String due = rest.remove("due");
        Map<String, String> answers = new LinkedHashMap<>(common.answers());
        answers.putAll(rest);
        return new SendingWanted(
                people,
                answers,
                common.message(),
                due == null ? common.due() : day(due),
                common.remindDays(),
                common.mayDelegate());
    }

    private static LocalDate day(String text) {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw new Refusal("“%s” is not a day like 2026-12-31.".formatted(text));
        }
    }
}
