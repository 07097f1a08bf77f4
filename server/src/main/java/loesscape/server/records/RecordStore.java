package loesscape.server.records;

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
import loesscape.server.platform.database.AnswersColumn;
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
    public record StoredRecord(int number, int release, Instant finished, Answers answers, Settled settled) {}

    /** Keeps a record under the next number, which no other ever had; its caller holds the template's lock. */
    public int add(UUID template, int release, long filling, Instant finished, FinishedDocument document) {
        int number = database.sql("SELECT last_record + 1 FROM template WHERE id = ?")
                .param(template)
                .query(Integer.class)
                .single();
        database.sql("UPDATE template SET last_record = ? WHERE id = ?")
                .params(number, template)
                .update();
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
    public List<StoredRecord> list(UUID template) {
        return database.sql(COLUMNS + "WHERE template_id = ? ORDER BY number DESC")
                .param(template)
                .query(RecordStore::kept)
                .list();
    }

    /** How many records there are of a template. */
    public int count(UUID template) {
        return database.sql("SELECT count(*) FROM record WHERE template_id = ?")
                .param(template)
                .query(Integer.class)
                .single();
    }

    /** By what a page of records can be ordered without looking into them. */
    public enum Order {
        NUMBER("number"),
        RELEASE("release"),
        FINISHED("finished");

        private final String column;

        Order(String column) {
            this.column = column;
        }
    }

    /** A page of records; those that are equal, the newest first. */
    public List<StoredRecord> page(UUID template, Order order, boolean descending, int page, int size) {
        return database.sql(COLUMNS
                        + "WHERE template_id = ? ORDER BY %s %s, number DESC LIMIT ? OFFSET ?"
                                .formatted(order.column, descending ? "DESC" : "ASC"))
                .params(template, size, (long) page * size)
                .query(RecordStore::kept)
                .list();
    }

    /** The number of the next record after one, or of the one before it; empty at the ends. */
    public Optional<Integer> neighbour(UUID template, int number, boolean isAfter) {
        return database.sql(
                        isAfter
                                ? "SELECT min(number) FROM record WHERE template_id = ? AND number > ?"
                                : "SELECT max(number) FROM record WHERE template_id = ? AND number < ?")
                .params(template, number)
                .query((row, n) -> Optional.ofNullable(row.getObject(1, Integer.class)))
                .single();
    }

    /** A record as a PDF file of some form, if that was made. */
    public Optional<byte[]> pdf(UUID template, int number, int form) {
        return database.sql("SELECT content FROM record_pdf WHERE template_id = ? AND number = ? AND form = ?")
                .params(template, number, form)
                .query((row, n) -> row.getBytes("content"))
                .optional();
    }

    /** Keeps a record as a PDF file, in place of one of another form. */
    public void keepPdf(UUID template, int number, int form, byte[] content) {
        database.sql(
                        "MERGE INTO record_pdf (template_id, number, form, content) KEY (template_id, number) VALUES (?, ?, ?, ?)")
                .params(template, number, form, content)
                .update();
    }

    /** One record. */
    public Optional<StoredRecord> find(UUID template, int number) {
        return database.sql(COLUMNS + "WHERE template_id = ? AND number = ?")
                .params(template, number)
                .query(RecordStore::kept)
                .optional();
    }

    /** The record a filling became. */
    public Optional<StoredRecord> ofFilling(long filling) {
        return database.sql(COLUMNS + "WHERE filling_id = ?")
                .param(filling)
                .query(RecordStore::kept)
                .optional();
    }

    private static StoredRecord kept(ResultSet row, int n) throws SQLException {
        return new StoredRecord(
                row.getInt("number"),
                row.getInt("release"),
                row.getObject("finished", OffsetDateTime.class).toInstant(),
                AnswersColumn.read(row.getString("answers")),
                JsonReader.read(Json.parse(row.getString("settled")), Settled.class));
    }
}
