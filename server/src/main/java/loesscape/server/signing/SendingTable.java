package loesscape.server.signing;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.editing.Refusal;
import loesscape.core.model.Role;
import loesscape.core.model.Template;
import loesscape.core.signing.IdentityCheck;
import loesscape.formats.table.SeparatedTable;
import loesscape.server.signing.Sending.PersonNamed;
import loesscape.server.signing.Sending.SendingWanted;
import org.jspecify.annotations.Nullable;

/** A table of people and answers, one dispatch a line. */
final class SendingTable {

    private static final int MOST_LINES = 1_000;

    /** What a line with more or fewer cells than the heading has instead of a column. */
    private static final String UNEVEN = "";

    private SendingTable() {}

    /** The lines of a table, their cells by the heading of their column; empty cells are left out. */
    static List<Map<String, String>> read(String table) {
        SeparatedTable.Headed headed = SeparatedTable.headed(table, MOST_LINES);
        return headed.lines().stream()
                .map(line -> cells(headed.heading(), line))
                .toList();
    }

    private static Map<String, String> cells(List<String> heading, List<String> line) {
        Map<String, String> cells = new LinkedHashMap<>();
        for (int i = 0; i < Math.min(heading.size(), line.size()); i++) {
            if (!line.get(i).isEmpty()) {
                cells.put(heading.get(i), line.get(i));
            }
        }
        if (line.size() != heading.size()) {
            cells.put(UNEVEN, "");
        }
        return cells;
    }

    /** What a line asks for. */
    static SendingWanted wanted(Map<String, String> cells, Template template, SendingWanted common) {
        if (cells.containsKey(UNEVEN)) {
            throw new Refusal("The line has more or fewer cells than the heading.");
        }
        Map<String, String> rest = new LinkedHashMap<>(cells);
        List<PersonNamed> people = new ArrayList<>();
        for (Role role : template.roles()) {
            String name = rest.remove(role.key() + ".name");
            String address = rest.remove(role.key() + ".address");
            String phone = rest.remove(role.key() + ".phone");
            String check = rest.remove(role.key() + ".check");
            if (name != null || address != null || phone != null || check != null) {
                people.add(new PersonNamed(
                        role.key(),
                        name == null ? "" : name,
                        address == null ? "" : address,
                        check(role, check, phone),
                        phone == null ? "" : phone,
                        ""));
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
                common.mayDelegate(),
                common.filesInside(),
                common.endsWhenDue());
    }

    private static IdentityCheck check(Role role, @Nullable String check, @Nullable String phone) {
        if (phone != null && (check == null || check.equals("text"))) {
            return IdentityCheck.TEXT_CODE;
        }
        if (phone == null && (check == null || check.equals("mail"))) {
            return check == null ? IdentityCheck.LINK : IdentityCheck.MAIL_CODE;
        }
        throw new Refusal(
                "In %s.check stands “mail” for a code sent by mail, or “text” for one sent to the number in %s.phone; a phrase is agreed with one person, and given under “To named people”."
                        .formatted(role.key(), role.key()));
    }

    private static LocalDate day(String text) {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw new Refusal("“%s” is not a day like 2026-12-31.".formatted(text));
        }
    }
}
