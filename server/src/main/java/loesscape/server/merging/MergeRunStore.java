package loesscape.server.merging;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.formats.answers.Merging.Making;
import loesscape.formats.answers.Merging.MergedFile;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Runs in which documents are made of a table of answers, and what was made so far. */
@Repository
class MergeRunStore {

    private final JdbcClient database;
    private final Clock clock;

    MergeRunStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * What is to be made.
     *
     * @param name of the file with the answers
     * @param documents how many there are answers for
     */
    record Order(UUID template, int release, Making making, String name, byte[] answers, int documents) {}

    /**
     * How far a run is.
     *
     * @param tried how many documents were made or could not be
     * @param made how many there are
     * @param ended null while it goes on
     */
    record RunStanding(
            UUID id,
            int release,
            Making making,
            String name,
            int documents,
            int tried,
            int made,
            Instant begun,
            @Nullable Instant ended) {}

    UUID begin(Order order, long account) {
        UUID id = UUID.randomUUID();
        database.sql("""
                        INSERT INTO merge_run (id, template_id, release, making, name, answers, documents, account_id, begun)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        id,
                        order.template(),
                        order.release(),
                        order.making().name(),
                        order.name(),
                        order.answers(),
                        order.documents(),
                        account,
                        OffsetDateTime.now(clock))
                .update();
        return id;
    }

    private static final String STANDING = """
            SELECT r.id, release, making, name, documents, begun, ended,
                   (SELECT count(*) FROM merged_document WHERE run_id = r.id) AS tried,
                   (SELECT count(content) FROM merged_document WHERE run_id = r.id) AS made
            FROM merge_run r
            """;

    /** The runs that somebody began with a template, the newest first. */
    List<RunStanding> list(UUID template, long account) {
        return database.sql(STANDING + "WHERE template_id = ? AND account_id = ? ORDER BY begun DESC")
                .params(template, account)
                .query(MergeRunStore::standing)
                .list();
    }

    /** A run that somebody began with a template. */
    Optional<RunStanding> find(UUID template, UUID run, long account) {
        return database.sql(STANDING + "WHERE template_id = ? AND r.id = ? AND account_id = ?")
                .params(template, run, account)
                .query(MergeRunStore::standing)
                .optional();
    }

    private static RunStanding standing(ResultSet row, int n) throws SQLException {
        OffsetDateTime ended = row.getObject("ended", OffsetDateTime.class);
        return new RunStanding(
                row.getObject("id", UUID.class),
                row.getInt("release"),
                Making.valueOf(row.getString("making")),
                row.getString("name"),
                row.getInt("documents"),
                row.getInt("tried"),
                row.getInt("made"),
                row.getObject("begun", OffsetDateTime.class).toInstant(),
                ended == null ? null : ended.toInstant());
    }

    /** How many runs of an account go on. */
    int underWay(long account) {
        return database.sql("SELECT count(*) FROM merge_run WHERE account_id = ? AND ended IS NULL")
                .param(account)
                .query(Integer.class)
                .single();
    }

    /** The oldest of those that go on. */
    List<UUID> underWay(int most) {
        return database.sql("SELECT id FROM merge_run WHERE ended IS NULL ORDER BY begun LIMIT ?")
                .param(most)
                .query((row, n) -> row.getObject("id", UUID.class))
                .list();
    }

    /** What a run that goes on makes. */
    Optional<Order> order(UUID run) {
        return database.sql(
                        "SELECT template_id, release, making, name, answers, documents FROM merge_run WHERE id = ? AND ended IS NULL")
                .param(run)
                .query((row, n) -> new Order(
                        row.getObject("template_id", UUID.class),
                        row.getInt("release"),
                        Making.valueOf(row.getString("making")),
                        row.getString("name"),
                        row.getBytes("answers"),
                        row.getInt("documents")))
                .optional();
    }

    /** How many documents of a run were tried, and how many bytes those have that were made. */
    record RunProgress(int tried, long bytes) {}

    /** How far a run is. */
    RunProgress progress(UUID run) {
        return database.sql(
                        "SELECT count(*) AS tried, coalesce(sum(octet_length(content)), 0) AS bytes FROM merged_document WHERE run_id = ?")
                .param(run)
                .query((row, n) -> new RunProgress(row.getInt("tried"), row.getLong("bytes")))
                .single();
    }

    /** Whether a run goes on. */
    boolean goesOn(UUID run) {
        return database.sql("SELECT count(*) FROM merge_run WHERE id = ? AND ended IS NULL")
                        .param(run)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /** Keeps what came of a document. */
    void keep(UUID run, int number, MergedFile made) {
        database.sql("INSERT INTO merged_document (run_id, number, name, content, problems) VALUES (?, ?, ?, ?, ?)")
                .params(run, number, made.name())
                .param(made.file().orElse(null))
                .param(String.join("\n", made.problems()))
                .update();
    }

    /** Ends a run where it still goes on. */
    void end(UUID run) {
        database.sql("UPDATE merge_run SET ended = ? WHERE id = ? AND ended IS NULL")
                .params(OffsetDateTime.now(clock), run)
                .update();
    }

    /** Throws a run away with all that was made. */
    void delete(UUID run) {
        database.sql("DELETE FROM merge_run WHERE id = ?").param(run).update();
    }

    /** Throws away those that ended long ago. */
    void clear(Duration age) {
        database.sql("DELETE FROM merge_run WHERE ended < ?")
                .param(OffsetDateTime.now(clock).minus(age))
                .update();
    }

    /** What came of some document. */
    MergedFile document(UUID run, int number) {
        return database.sql("SELECT name, content, problems FROM merged_document WHERE run_id = ? AND number = ?")
                .params(run, number)
                .query((row, n) -> new MergedFile(
                        row.getString("name"),
                        Optional.ofNullable(row.getBytes("content")),
                        problems(row.getString("problems"))))
                .single();
    }

    /**
     * A document of which there is something to say.
     *
     * @param number counted from 1
     * @param isMade whether there is one
     */
    record Remarked(int number, boolean isMade, List<String> problems) {}

    /** The first documents of which there is something to say. */
    List<Remarked> remarked(UUID run, int most) {
        return database.sql(
                        "SELECT number, content IS NOT NULL AS made, problems FROM merged_document WHERE run_id = ? AND octet_length(problems) > 0 ORDER BY number LIMIT ?")
                .params(run, most)
                .query((row, n) ->
                        new Remarked(row.getInt("number"), row.getBoolean("made"), problems(row.getString("problems"))))
                .list();
    }

    private static List<String> problems(String lines) {
        return lines.isEmpty() ? List.of() : lines.lines().toList();
    }
}
