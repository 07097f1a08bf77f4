package loesscape.server.retention;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Deletes what came in, with all that belongs to it, and keeps that it was deleted, by whom and why. */
@Repository
public class DeletionStore {

    private final JdbcClient database;
    private final Clock clock;

    DeletionStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** What is deleted. */
    public enum Kind {
        RECORD,
        DISPATCH,
        FILLING,
        MESSAGE
    }

    /**
     * Something that was deleted.
     *
     * @param what it was, without what it said
     */
    public record Deleted(Kind kind, String what, String because, String who, Instant at) {}

    private void keep(
            @Nullable UUID template, Kind kind, String what, String because, String who, @Nullable String digest) {
        database.sql(
                        "INSERT INTO deletion (template_id, kind, what, because, who, at, digest) VALUES (?, ?, ?, ?, ?, ?, ?)")
                .param(template)
                .param(kind.name())
                .param(what)
                .param(because)
                .param(who)
                .param(OffsetDateTime.now(clock))
                .param(digest)
                .update();
    }

    /** What was deleted of a template, the newest first. */
    List<Deleted> list(UUID template) {
        return database.sql(
                        "SELECT kind, what, because, who, at FROM deletion WHERE template_id = ? ORDER BY id DESC LIMIT 500")
                .param(template)
                .query((row, n) -> new Deleted(
                        Kind.valueOf(row.getString("kind")),
                        row.getString("what"),
                        row.getString("because"),
                        row.getString("who"),
                        row.getObject("at", OffsetDateTime.class).toInstant()))
                .list();
    }

    /** The dispatch a record came of; empty where it was filled in through a link. */
    Optional<UUID> dispatchOf(UUID template, int record) {
        return database.sql("SELECT id FROM dispatch WHERE template_id = ? AND record = ?")
                .params(template, record)
                .query((row, n) -> row.getObject("id", UUID.class))
                .optional();
    }

    /** Deletes a record that was filled in through a link; tells whether there was one. */
    boolean record(UUID template, int number, String because, String who) {
        Optional<Long> filling = database.sql(
                        "SELECT filling_id FROM record WHERE template_id = ? AND number = ? FOR UPDATE")
                .params(template, number)
                .query(Long.class)
                .optional();
        if (filling.isEmpty()) {
            return false;
        }
        printed(template, number);
        database.sql("DELETE FROM record WHERE template_id = ? AND number = ?")
                .params(template, number)
                .update();
        filled(filling.get());
        keep(template, Kind.RECORD, "Record " + number, because, who, null);
        return true;
    }

    private void printed(UUID template, int number) {
        database.sql("DELETE FROM record_pdf WHERE template_id = ? AND number = ?")
                .params(template, number)
                .update();
    }

    /** Deletes a filling that is not finished. */
    void filling(UUID template, long filling, String because, String who) {
        filled(filling);
        keep(template, Kind.FILLING, "What somebody had begun to fill in", because, who, null);
    }

    private void filled(long filling) {
        for (String of : List.of("answer WHERE filling_id", "handed_in WHERE filling_id", "filling WHERE id")) {
            database.sql("DELETE FROM %s = ?".formatted(of)).param(filling).update();
        }
    }

    /** Deletes a dispatch that has ended, and the record it became. The hash of its sealed document stays. */
    void dispatch(UUID id, String because, String who) {
        record Sent(
                UUID template,
                long filling,
                @Nullable Integer record,
                String title,
                @Nullable String digest) {}
        Sent sent = database.sql(
                        "SELECT template_id, filling_id, record, title, digest FROM dispatch WHERE id = ? FOR UPDATE")
                .param(id)
                .query((row, n) -> new Sent(
                        row.getObject("template_id", UUID.class),
                        row.getLong("filling_id"),
                        row.getObject("record", Integer.class),
                        row.getString("title"),
                        row.getString("digest")))
                .single();
        for (String table : List.of(
                "webhook_delivery",
                "identity_pass",
                "identity_secret",
                "turn_snapshot",
                "payment",
                "party_link",
                "trail",
                "party")) {
            database.sql("DELETE FROM %s WHERE dispatch_id = ?".formatted(table))
                    .param(id)
                    .update();
        }
        database.sql("DELETE FROM dispatch WHERE id = ?").param(id).update();
        if (sent.record() != null) {
            printed(sent.template(), sent.record());
            database.sql("DELETE FROM record WHERE template_id = ? AND number = ?")
                    .params(sent.template(), sent.record())
                    .update();
        }
        filled(sent.filling());
        String what = "Dispatch %s%s".formatted(id, sent.record() == null ? "" : ", record " + sent.record());
        keep(sent.template(), Kind.DISPATCH, what, because, who, sent.digest());
    }

    /** After how many days what comes in is deleted; empty for never. */
    Optional<Integer> keepDays(UUID template) {
        return database.sql("SELECT keep_days FROM template WHERE id = ?")
                .param(template)
                .query((row, n) -> Optional.ofNullable(row.getObject("keep_days", Integer.class)))
                .single();
    }

    /** Sets after how many days what comes in is deleted; null for never. */
    void keepFor(UUID template, @Nullable Integer days) {
        database.sql("UPDATE template SET keep_days = ? WHERE id = ?")
                .param(days)
                .param(template)
                .update();
    }

    /** A record whose time is over. */
    record OverRecord(UUID template, int number) {}

    /** Records of before their time was over that were filled in through links, some at a time. */
    List<OverRecord> overRecords() {
        return database.sql("""
                        SELECT r.template_id, r.number FROM record r JOIN template t ON t.id = r.template_id
                        WHERE t.keep_days IS NOT NULL AND DATEADD('DAY', t.keep_days, r.finished) < ?
                          AND NOT EXISTS (SELECT * FROM dispatch d WHERE d.template_id = r.template_id AND d.record = r.number)
                        LIMIT 100
                        """)
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> new OverRecord(row.getObject("template_id", UUID.class), row.getInt("number")))
                .list();
    }

    /** Dispatches that ended so long ago that their time is over, some at a time. */
    List<UUID> overDispatches() {
        return database.sql("""
                        SELECT d.id FROM dispatch d JOIN template t ON t.id = d.template_id
                        WHERE t.keep_days IS NOT NULL AND d.status <> 'UNDER_WAY' AND d.seal_next IS NULL
                          AND (d.status <> 'FINISHED' OR d.digest IS NOT NULL)
                          AND DATEADD('DAY', t.keep_days, d.changed) < ?
                        LIMIT 100
                        """)
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> row.getObject("id", UUID.class))
                .list();
    }

    /** A filling that nobody goes on with. */
    record OverFilling(UUID template, long filling) {}

    /** Fillings that were not finished and not touched for so long that their time is over, some at a time. */
    List<OverFilling> overFillings() {
        return database.sql("""
                        SELECT l.template_id, f.id FROM filling f JOIN link l ON l.hash = f.link
                        JOIN template t ON t.id = l.template_id
                        WHERE f.finished IS NULL AND t.keep_days IS NOT NULL AND DATEADD('DAY', t.keep_days, f.changed) < ?
                        LIMIT 100
                        """)
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> new OverFilling(row.getObject("template_id", UUID.class), row.getLong("id")))
                .list();
    }
}
