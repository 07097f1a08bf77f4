package loesscape.server.outside;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import loesscape.server.outside.Mail.Message;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Messages that go out, and those that went. */
@Repository
class MailStore {

    private final JdbcClient database;
    private final Clock clock;

    MailStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Keeps a message to be delivered now. */
    void add(OutsideService service, String name, String to, String subject, String body, String path, String code) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        database.sql("""
                        INSERT INTO outside_mail (service, made, name, address, subject, body, path, code, tries, next_try)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?, 0, ?)
                        """)
                .params(service.name(), now, name, to, subject, body, path, code, now)
                .update();
    }

    /** What is to be delivered now, the oldest first. */
    List<Message> waiting() {
        return database.sql("SELECT * FROM outside_mail WHERE next_try <= ? ORDER BY id LIMIT 200")
                .param(OffsetDateTime.now(clock))
                .query(MailStore::read)
                .list();
    }

    /** The last messages, the newest first. */
    List<Message> last(int most) {
        return database.sql("SELECT * FROM outside_mail ORDER BY id DESC LIMIT ?")
                .param(most)
                .query(MailStore::read)
                .list();
    }

    /** Notes that a message was delivered, and keeps of its link and its code what is given here. */
    void delivered(long id, String path, String code) {
        database.sql("""
                        UPDATE outside_mail SET delivered = ?, next_try = NULL, tries = tries + 1, path = ?, code = ?
                        WHERE id = ?
                        """).params(OffsetDateTime.now(clock), path, code, id).update();
    }

    /** Has a message tried again after a while. */
    void later(long id, Duration wait) {
        database.sql("UPDATE outside_mail SET next_try = ?, tries = tries + 1 WHERE id = ?")
                .params(OffsetDateTime.now(clock).plus(wait), id)
                .update();
    }

    private static Message read(ResultSet row, int n) throws SQLException {
        OffsetDateTime delivered = row.getObject("delivered", OffsetDateTime.class);
        return new Message(
                row.getLong("id"),
                OutsideService.valueOf(row.getString("service")),
                row.getObject("made", OffsetDateTime.class).toInstant(),
                row.getString("name"),
                row.getString("address"),
                row.getString("subject"),
                row.getString("body"),
                row.getString("path"),
                row.getString("code"),
                row.getInt("tries"),
                delivered == null ? null : delivered.toInstant());
    }
}
