package loesscape.server.retention;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import loesscape.core.evaluation.Answers;
import loesscape.formats.template.AnswersFile;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Finds all that is kept of a person, by their e-mail address, in templates an account may see. */
@Repository
class PersonStore {

    private static final String SEEN =
            "(SELECT template_id FROM template_access WHERE account_id = ? OR account_id IS NULL)";

    private final JdbcClient database;

    PersonStore(JdbcClient database) {
        this.database = database;
    }

    /** A record in which the address was given as an answer. */
    record FoundRecord(String template, String title, int number, Instant finished, Answers answers) {}

    /** What somebody has begun to fill in, with the address in it. */
    record FoundFilling(String template, int filling, Instant changed, Answers answers) {}

    /** A dispatch in which the person has a role. */
    record FoundDispatch(String id, String title, String role, String name, String status, Instant sent) {}

    /** A message that was sent to the address. */
    record FoundMessage(int id, Instant made, String subject) {}

    /** All that is kept of a person. */
    record Found(
            List<FoundRecord> records,
            List<FoundFilling> fillings,
            List<FoundDispatch> dispatches,
            List<FoundMessage> messages) {}

    private static String like(String address) {
        return "%" + address.toLowerCase(Locale.ROOT).replaceAll("([\\\\%_])", "\\\\$1") + "%";
    }

    Found find(String address, long account) {
        return new Found(
                records(address, account), fillings(address, account), dispatches(address, account), messages(address));
    }

    private List<FoundRecord> records(String address, long account) {
        return database.sql("""
                        SELECT r.template_id, t.title, r.number, r.finished, r.answers
                        FROM record r JOIN template t ON t.id = r.template_id
                        WHERE r.template_id IN %s AND lower(r.answers) LIKE ?
                          AND NOT EXISTS (SELECT * FROM dispatch d WHERE d.template_id = r.template_id AND d.record = r.number)
                        ORDER BY t.title, r.number
                        """.formatted(SEEN))
                .params(account, like(address))
                .query((row, n) -> new FoundRecord(
                        row.getString("template_id"),
                        row.getString("title"),
                        row.getInt("number"),
                        row.getObject("finished", OffsetDateTime.class).toInstant(),
                        AnswersFile.read(row.getString("answers"))))
                .list();
    }

    private List<FoundFilling> fillings(String address, long account) {
        record Row(UUID template, int filling, Instant changed) {}
        List<FoundFilling> found = new ArrayList<>();
        List<Row> rows = database.sql("""
                        SELECT DISTINCT l.template_id, f.id, f.changed FROM filling f JOIN link l ON l.hash = f.link
                        JOIN answer a ON a.filling_id = f.id
                        WHERE f.finished IS NULL AND l.template_id IN %s AND lower(a.typed) LIKE ?
                        """.formatted(SEEN))
                .params(account, like(address))
                .query((row, n) -> new Row(
                        row.getObject("template_id", UUID.class),
                        row.getInt("id"),
                        row.getObject("changed", OffsetDateTime.class).toInstant()))
                .list();
        for (Row row : rows) {
            Answers answers = new Answers(Map.of());
            for (var typed : database.sql("SELECT item, typed FROM answer WHERE filling_id = ?")
                    .param(row.filling())
                    .query((each, n) -> Map.entry(each.getString("item"), each.getString("typed")))
                    .list()) {
                answers = answers.with(typed.getKey(), typed.getValue());
            }
            found.add(new FoundFilling(row.template().toString(), row.filling(), row.changed(), answers));
        }
        return found;
    }

    private List<FoundDispatch> dispatches(String address, long account) {
        return database.sql("""
                        SELECT d.id, d.title, p.title AS role, p.name, d.status, d.sent FROM dispatch d
                        JOIN party p ON p.dispatch_id = d.id
                        WHERE lower(p.address) = lower(?) AND (d.account_id = ? OR d.template_id IN %s)
                        ORDER BY d.sent
                        """.formatted(SEEN))
                .params(address, account, account)
                .query((row, n) -> new FoundDispatch(
                        row.getString("id"),
                        row.getString("title"),
                        row.getString("role"),
                        row.getString("name"),
                        row.getString("status"),
                        row.getObject("sent", OffsetDateTime.class).toInstant()))
                .list();
    }

    private List<FoundMessage> messages(String address) {
        return database.sql("SELECT id, made, subject FROM outside_mail WHERE lower(address) = lower(?) ORDER BY id")
                .param(address)
                .query((row, n) -> new FoundMessage(
                        row.getInt("id"),
                        row.getObject("made", OffsetDateTime.class).toInstant(),
                        row.getString("subject")))
                .list();
    }

    /** Deletes the messages that were delivered to an address, and what shows that it was somebody's at an open link. */
    int deleteMessages(String address) {
        database.sql("DELETE FROM open_confirmation WHERE lower(address) = lower(?)")
                .param(address)
                .update();
        return database.sql("DELETE FROM outside_mail WHERE lower(address) = lower(?) AND next_try IS NULL")
                .param(address)
                .update();
    }
}
