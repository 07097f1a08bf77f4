package loesscape.server.dispatch;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import loesscape.server.security.Secrets;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Links through which anybody can begin a dispatch. */
@Repository
class OpenLinks {

    private final JdbcClient database;
    private final Clock clock;

    OpenLinks(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Where an open link leads, and how what is begun through it is sent. */
    record Open(
            UUID template,
            int release,
            long account,
            String message,
            int dueDays,
            boolean mayDelegate,
            int remindDays) {}

    /** Makes a link and tells its secret, which is kept nowhere. */
    String add(UUID template, int release, long account, Sending.SendingWanted wanted, int dueDays) {
        String secret = Secrets.make();
        database.sql("""
                        INSERT INTO open_link (hash, template_id, release, account_id, message, due_days, delegable,
                                               remind_days, created)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        Secrets.hash(secret),
                        template,
                        release,
                        account,
                        wanted.message(),
                        dueDays,
                        wanted.mayDelegate(),
                        wanted.remindDays(),
                        OffsetDateTime.now(clock))
                .update();
        return secret;
    }

    /** Where the link with a secret leads. */
    Optional<Open> follow(String secret) {
        return database.sql("SELECT * FROM open_link WHERE hash = ?")
                .param(Secrets.hash(secret))
                .query((row, n) -> new Open(
                        row.getObject("template_id", UUID.class),
                        row.getInt("release"),
                        row.getLong("account_id"),
                        row.getString("message"),
                        row.getInt("due_days"),
                        row.getBoolean("delegable"),
                        row.getInt("remind_days")))
                .optional();
    }
}
