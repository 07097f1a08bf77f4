package loesscape.server.outside;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import loesscape.server.store.Backoff;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Messages to people: first kept with what they are about, then delivered, into a mailbox that can be looked into. */
@Repository
public class Mail {

    private static final Logger LOG = LoggerFactory.getLogger(Mail.class);

    /** What is kept of the way a link leads once its message is delivered: in the demo, whose mailbox this is, all. */
    private final String afterDelivery;

    private final JdbcClient database;
    private final OutsideLog log;
    private final Clock clock;

    Mail(JdbcClient database, OutsideLog log, Clock clock, @Value("${loesscape.demo:false}") boolean demo) {
        this.afterDelivery = demo ? "path" : "''";
        this.database = database;
        this.log = log;
        this.clock = clock;
    }

    /**
     * A message.
     *
     * @param path where the link in it leads, on this server; empty where it has none
     * @param delivered when it was delivered; null while it waits
     */
    public record Message(
            long id,
            Instant made,
            String name,
            String address,
            String subject,
            String body,
            String path,
            int tries,
            @Nullable Instant delivered) {}

    /** Keeps a message to be delivered, in the transaction of what it is about. */
    public void send(String name, String address, String subject, String body, String path) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        database.sql("""
                        INSERT INTO outside_mail (made, name, address, subject, body, path, tries, next_try)
                        VALUES (?, ?, ?, ?, ?, ?, 0, ?)
                        """).params(now, name, address, subject, body, path, now).update();
    }

    /** Delivers what waits. */
    public void deliver() {
        List<Message> waiting = database.sql("SELECT * FROM outside_mail WHERE next_try <= ? ORDER BY id LIMIT 200")
                .param(OffsetDateTime.now(clock))
                .query(Mail::message)
                .list();
        for (Message message : waiting) {
            String what = "“%s” to %s".formatted(message.subject(), message.address());
            try {
                log.ask(OutsideService.MAIL, what);
                database.sql(
                                "UPDATE outside_mail SET delivered = ?, next_try = NULL, tries = tries + 1, path = %s WHERE id = ?"
                                        .formatted(afterDelivery))
                        .params(OffsetDateTime.now(clock), message.id())
                        .update();
                log.passed(OutsideService.MAIL, what, false);
            } catch (RuntimeException failed) {
                if (!(failed instanceof OutsideFailed)) {
                    LOG.error("The message {} was not delivered; it is tried again", message.id(), failed);
                }
                database.sql("UPDATE outside_mail SET next_try = ?, tries = tries + 1 WHERE id = ?")
                        .params(OffsetDateTime.now(clock).plus(Backoff.after(message.tries())), message.id())
                        .update();
            }
        }
    }

    /** The last messages, the newest first, with the ways their links lead in the demo only. */
    public List<Message> list(int most) {
        return database.sql(
                        "SELECT id, made, name, address, subject, body, %s AS path, tries, delivered FROM outside_mail ORDER BY id DESC LIMIT ?"
                                .formatted(afterDelivery))
                .param(most)
                .query(Mail::message)
                .list();
    }

    private static Message message(ResultSet row, int n) throws SQLException {
        OffsetDateTime delivered = row.getObject("delivered", OffsetDateTime.class);
        return new Message(
                row.getLong("id"),
                row.getObject("made", OffsetDateTime.class).toInstant(),
                row.getString("name"),
                row.getString("address"),
                row.getString("subject"),
                row.getString("body"),
                row.getString("path"),
                row.getInt("tries"),
                delivered == null ? null : delivered.toInstant());
    }
}
