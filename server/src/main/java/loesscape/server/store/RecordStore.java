package loesscape.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Settled;
import loesscape.core.signing.FinishedDocument;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What came in. */
@Repository
public class RecordStore {

    private static final String COLUMNS = "SELECT number, release, finished, answers, settled FROM record ";

    private final JdbcClient database;

    RecordStore(JdbcClient database) {
        this.database = database;
    }

    /** A finished filling: the answers that counted, and what stands as it stood when they were given. */
    public record Kept(int number, int release, Instant finished, Answers answers, Settled settled) {}

    /** Keeps a record under the next number; its caller holds the template's lock, so that numbers have no gaps. */
    public int add(UUID template, int release, long filling, Instant finished, FinishedDocument document) {
        int number = database.sql("SELECT coalesce(max(number), 0) + 1 FROM record WHERE template_id = ?")
                .param(template)
                .query(Integer.class)
                .single();
        database.sql("""
                        INSERT INTO record (template_id, number, release, filling_id, finished, answers, settled)
                        VALUES (?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        template,
                        number,
                        release,
                        filling,
                        OffsetDateTime.ofInstant(finished, ZoneOffset.UTC),
                        AnswersColumn.write(document.answers()),
                        Json.compact(JsonWriter.full(document.settled(), Settled.class)))
                .update();
        return number;
    }

    /** The records of a template, the newest first. */
    public List<Kept> list(UUID template) {
        return database.sql(COLUMNS + "WHERE template_id = ? ORDER BY number DESC")
                .param(template)
                .query(RecordStore::kept)
                .list();
    }

    /** One record. */
    public Optional<Kept> find(UUID template, int number) {
        return database.sql(COLUMNS + "WHERE template_id = ? AND number = ?")
                .params(template, number)
                .query(RecordStore::kept)
                .optional();
    }

    /** The record a filling became. */
    public Optional<Kept> ofFilling(long filling) {
        return database.sql(COLUMNS + "WHERE filling_id = ?")
                .param(filling)
                .query(RecordStore::kept)
                .optional();
    }

    private static Kept kept(ResultSet row, int n) throws SQLException {
        return new Kept(
                row.getInt("number"),
                row.getInt("release"),
                row.getObject("finished", OffsetDateTime.class).toInstant(),
                AnswersColumn.read(row.getString("answers")),
                JsonReader.read(Json.parse(row.getString("settled")), Settled.class));
    }
}
