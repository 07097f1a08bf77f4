package loesscape.server.outside;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import loesscape.server.store.Backoff;
import loesscape.server.store.DatabaseFull;
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

    /** Whether links and codes are kept once their message is delivered, as the mailbox of the demo is this one. */
    private final boolean keepsSecrets;

    private final JdbcClient database;
    private final OutsideLog log;
    private final Post post;
    private final Clock clock;

    Mail(JdbcClient database, OutsideLog log, Post post, Clock clock, @Value("${loesscape.demo:false}") boolean demo) {
        this.keepsSecrets = demo;
        this.post = post;
        this.database = database;
        this.log = log;
        this.clock = clock;
    }

    /**
     * A message.
     *
     * @param service that takes it: mail or text messages
     * @param address an e-mail address or a telephone number
     * @param path where the link in it leads, on this server; empty where it has none
     * @param code the code in it; empty where it has none
     * @param delivered when it was delivered; null while it waits
     */
    public record Message(
            long id,
            OutsideService service,
            Instant made,
            String name,
            String address,
            String subject,
            String body,
            String path,
            String code,
            int tries,
            @Nullable Instant delivered) {}

    /** Keeps a message to be delivered, in the transaction of what it is about. */
    public void send(String name, String address, String subject, String body, String path) {
        add(OutsideService.MAIL, name, address, subject, body, path, "");
    }

    /** Keeps a message with a code in it. */
    public void sendCode(OutsideService service, String name, String to, String subject, String body, String code) {
        add(service, name, to, subject, body, "", code);
    }

    private void add(
            OutsideService service, String name, String to, String subject, String body, String path, String code) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        database.sql("""
                        INSERT INTO outside_mail (service, made, name, address, subject, body, path, code, tries, next_try)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?, 0, ?)
                        """)
                .params(service.name(), now, name, to, subject, body, path, code, now)
                .update();
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
                log.ask(message.service(), what);
                if (message.service() == OutsideService.MAIL) {
                    deliver(message, what);
                }
                database.sql("""
                                UPDATE outside_mail SET delivered = ?, next_try = NULL, tries = tries + 1, path = ?, code = ?
                                WHERE id = ?
                                """)
                        .params(OffsetDateTime.now(clock), shown(message.path()), shown(message.code()), message.id())
                        .update();
                log.passed(message.service(), what, false);
            } catch (RuntimeException failed) {
                DatabaseFull.passOn(failed);
                if (!(failed instanceof OutsideFailed)) {
                    LOG.error("The message {} was not delivered; it is tried again", message.id(), failed);
                }
                database.sql("UPDATE outside_mail SET next_try = ?, tries = tries + 1 WHERE id = ?")
                        .params(OffsetDateTime.now(clock).plus(Backoff.after(message.tries())), message.id())
                        .update();
            }
        }
    }

    private void deliver(Message message, String what) {
        try {
            post.deliver(message);
        } catch (OutsideFailed failed) {
            log.passed(message.service(), what + ": " + failed.getMessage(), true);
            throw failed;
        }
    }

    /** The last messages, the newest first, with their links and codes in the demo only. */
    public List<Message> list(int most) {
        return database.sql("SELECT * FROM outside_mail ORDER BY id DESC LIMIT ?")
                .param(most)
                .query((row, n) -> {
                    Message it = message(row, n);
                    return new Message(
                            it.id(),
                            it.service(),
                            it.made(),
                            it.name(),
                            it.address(),
                            it.subject(),
                            it.body(),
                            shown(it.path()),
                            shown(it.code()),
                            it.tries(),
                            it.delivered());
                })
                .list();
    }

    private String shown(String secret) {
        return keepsSecrets ? secret : "";
    }

    private static Message message(ResultSet row, int n) throws SQLException {
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
