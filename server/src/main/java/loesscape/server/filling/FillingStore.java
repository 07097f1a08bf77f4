package loesscape.server.filling;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import loesscape.core.evaluation.Answers;
import loesscape.server.platform.doors.Secrets;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What fillers have answered so far, kept answer by answer. */
@Repository
public class FillingStore {

    private final JdbcClient database;
    private final Clock clock;

    FillingStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** One person's way through a document; {@code finished} is null while it goes on. */
    public record Filling(
            long id,
            Answers answers,
            Instant changed,
            @Nullable Instant finished) {}

    /** A filling, and the secret by which its browser knows it again. */
    public record Known(String secret, Filling filling) {}

    /** Begins a filling on a link. */
    public Known begin(String link) {
        String secret = Secrets.make();
        OffsetDateTime now = OffsetDateTime.now(clock);
        long id = database.sql(
                        "SELECT id FROM FINAL TABLE (INSERT INTO filling (link, secret, started, changed) VALUES (?, ?, ?, ?))")
                .params(Secrets.hash(link), Secrets.hash(secret), now, now)
                .query(Long.class)
                .single();
        return new Known(secret, new Filling(id, Answers.NONE, now.toInstant(), null));
    }

    /** Begins a filling that no link leads to; tells its identity. */
    public long begin() {
        OffsetDateTime now = OffsetDateTime.now(clock);
        return database.sql("SELECT id FROM FINAL TABLE (INSERT INTO filling (started, changed) VALUES (?, ?))")
                .params(now, now)
                .query(Long.class)
                .single();
    }

    /** The filling a browser knows, on the link it was begun on. */
    public Optional<Filling> find(String link, String secret) {
        return find(link, secret, "");
    }

    /** The same, kept from change by others until the transaction ends. */
    public Optional<Filling> lock(String link, String secret) {
        return find(link, secret, " FOR UPDATE");
    }

    private Optional<Filling> find(String link, String secret, String locking) {
        return database.sql("SELECT id, changed, finished FROM filling WHERE link = ? AND secret = ?" + locking)
                .params(Secrets.hash(link), Secrets.hash(secret))
                .query((row, n) -> {
                    OffsetDateTime finished = row.getObject("finished", OffsetDateTime.class);
                    return new Filling(
                            row.getLong("id"),
                            Answers.NONE,
                            row.getObject("changed", OffsetDateTime.class).toInstant(),
                            finished == null ? null : finished.toInstant());
                })
                .optional()
                .map(filling ->
                        new Filling(filling.id(), answers(filling.id()), filling.changed(), filling.finished()));
    }

    /** Keeps a filling from change by others until the transaction ends. */
    public void lock(long filling) {
        database.sql("SELECT id FROM filling WHERE id = ? FOR UPDATE")
                .param(filling)
                .query(Long.class)
                .single();
    }

    /** What was answered so far in a filling. */
    public Answers answers(long filling) {
        Map<String, String> typed = new HashMap<>();
        database.sql("SELECT item, typed FROM answer WHERE filling_id = ?")
                .param(filling)
                .query(row -> {
                    typed.put(row.getString("item"), row.getString("typed"));
                });
        return new Answers(typed);
    }

    /** How many answers of a filling begin in some way. */
    public int drawn(long filling, String beginning) {
        return database.sql("SELECT count(*) FROM answer WHERE filling_id = ? AND substring(typed, 1, ?) = ?")
                .params(filling, beginning.length(), beginning)
                .query(Integer.class)
                .single();
    }

    /**
     * Throws away fillings that were begun on a link and never answered, nor handed anything in.
     *
     * @return how many there were
     */
    public int clearUnanswered(Duration age) {
        return database.sql("""
                        DELETE FROM filling WHERE link IS NOT NULL AND finished IS NULL AND started < ?
                          AND NOT EXISTS (SELECT * FROM answer WHERE filling_id = id)
                          AND NOT EXISTS (SELECT * FROM handed_in WHERE handed_in.filling_id = filling.id)
                        """).param(OffsetDateTime.now(clock).minus(age)).update();
    }

    /** Keeps one answer as it was typed; empty text where it was taken away. */
    @Transactional
    public void keep(long filling, String key, String typed) {
        database.sql("MERGE INTO answer (filling_id, item, typed) KEY (filling_id, item) VALUES (?, ?, ?)")
                .params(filling, key, typed)
                .update();
        database.sql("UPDATE filling SET changed = ? WHERE id = ?")
                .params(OffsetDateTime.now(clock), filling)
                .update();
    }

    /** Ends a filling that its caller has locked. */
    public Instant finish(long filling) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        database.sql("UPDATE filling SET finished = ?, changed = ? WHERE id = ?")
                .params(now, now, filling)
                .update();
        return now.toInstant();
    }
}
