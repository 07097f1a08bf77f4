package loesscape.server.signing;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.server.platform.doors.Secrets;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Links through which anybody can begin a dispatch. */
@Repository
public class OpenLinkStore {

    private final JdbcClient database;
    private final Clock clock;

    OpenLinkStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * Where an open link leads, and how what is begun through it is sent.
     *
     * @param mostADay how many can be begun through it within a day
     * @param mailCode whether a code sent by mail is asked of everybody who is named
     */
    record Open(
            int id,
            UUID template,
            int release,
            long account,
            String message,
            int dueDays,
            boolean mayDelegate,
            int remindDays,
            boolean mailCode,
            boolean filesInside,
            int mostADay,
            boolean endsWhenDue) {}

    /** Makes a link and tells its secret, which is kept nowhere. */
    String add(
            UUID template,
            int release,
            long account,
            Sending.SendingWanted wanted,
            int dueDays,
            int mostADay,
            boolean mailCode) {
        String secret = Secrets.make();
        database.sql("""
                        INSERT INTO open_link (hash, template_id, release, account_id, message, due_days, delegable,
                                               remind_days, mail_code, files_inside, ends_when_due, most_a_day, created)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
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
                        mailCode,
                        wanted.filesInside(),
                        wanted.endsWhenDue(),
                        mostADay,
                        OffsetDateTime.now(clock))
                .update();
        return secret;
    }

    /**
     * A link that was made.
     *
     * @param begun how many dispatches were begun through it
     * @param ended when it was ended; null while it leads somewhere
     */
    public record OpenLinkRow(
            int id,
            int release,
            Instant made,
            String by,
            int begun,
            @Nullable Instant ended) {}

    /** The links to releases of a template, the newest first. */
    List<OpenLinkRow> list(UUID template) {
        return database.sql("""
                        SELECT l.id, l.release, l.created, a.name, l.begun, l.ended FROM open_link l JOIN account a ON a.id = l.account_id
                        WHERE l.template_id = ? ORDER BY l.created DESC
                        """)
                .param(template)
                .query((row, n) -> new OpenLinkRow(
                        row.getInt("id"),
                        row.getInt("release"),
                        row.getObject("created", OffsetDateTime.class).toInstant(),
                        row.getString("name"),
                        row.getInt("begun"),
                        Optional.ofNullable(row.getObject("ended", OffsetDateTime.class))
                                .map(OffsetDateTime::toInstant)
                                .orElse(null)))
                .list();
    }

    /** Ends a link; tells whether there was one that led somewhere. */
    boolean end(UUID template, int id) {
        return database.sql("UPDATE open_link SET ended = ? WHERE template_id = ? AND id = ? AND ended IS NULL")
                        .params(OffsetDateTime.now(clock), template, id)
                        .update()
                == 1;
    }

    /** Counts a dispatch that was begun. */
    void begun(int id) {
        database.sql("UPDATE open_link SET begun = begun + 1 WHERE id = ?")
                .param(id)
                .update();
    }

    /** Where the link with a secret leads; an ended one leads nowhere. */
    Optional<Open> follow(String secret) {
        return database.sql("SELECT * FROM open_link WHERE hash = ? AND ended IS NULL")
                .param(Secrets.hash(secret))
                .query((row, n) -> new Open(
                        row.getInt("id"),
                        row.getObject("template_id", UUID.class),
                        row.getInt("release"),
                        row.getLong("account_id"),
                        row.getString("message"),
                        row.getInt("due_days"),
                        row.getBoolean("delegable"),
                        row.getInt("remind_days"),
                        row.getBoolean("mail_code"),
                        row.getBoolean("files_inside"),
                        row.getInt("most_a_day"),
                        row.getBoolean("ends_when_due")))
                .optional();
    }
}
