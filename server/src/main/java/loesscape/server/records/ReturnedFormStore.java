package loesscape.server.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The files that records were made of which nobody filled in through a link. */
@Repository
public class ReturnedFormStore {

    private final JdbcClient database;
    private final Clock clock;

    ReturnedFormStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * A document in a file with answers.
     *
     * @param name of the file
     * @param digest of the file, SHA-256 in hexadecimal
     * @param position of the document in the file, counted from 1
     * @param content of the file; null where it holds other documents too
     */
    public record ReturnedForm(String name, String digest, int position, byte @Nullable [] content) {}

    /**
     * How a record came in.
     *
     * @param name of the file
     * @param position of the document in the file, counted from 1
     * @param kept whether the file itself can be saved
     * @param by who brought it
     */
    public record BroughtIn(String name, int position, boolean kept, String by, Instant brought) {}

    /** The record that was made of a document in a file; empty where none was. */
    public Optional<Integer> record(UUID template, ReturnedForm form) {
        return database.sql("SELECT number FROM returned_form WHERE template_id = ? AND digest = ? AND position = ?")
                .params(template, form.digest(), form.position())
                .query(Integer.class)
                .optional();
    }

    /** Keeps of what a record was made. */
    public void keep(UUID template, int number, ReturnedForm form, long account) {
        database.sql("""
                        INSERT INTO returned_form (template_id, number, name, digest, position, content, account_id, brought)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(template, number, form.name(), form.digest(), form.position())
                .param(form.content())
                .param(account)
                .param(OffsetDateTime.now(clock))
                .update();
    }

    /** How a record came in; empty where it was filled in through a link or signed. */
    public Optional<BroughtIn> about(UUID template, int number) {
        return database.sql("""
                        SELECT f.name, position, content IS NOT NULL AS kept, a.name AS who, brought
                        FROM returned_form f JOIN account a ON a.id = f.account_id
                        WHERE template_id = ? AND number = ?
                        """)
                .params(template, number)
                .query(ReturnedFormStore::broughtIn)
                .optional();
    }

    private static BroughtIn broughtIn(ResultSet row, int n) throws SQLException {
        return new BroughtIn(
                row.getString("name"),
                row.getInt("position"),
                row.getBoolean("kept"),
                row.getString("who"),
                row.getObject("brought", OffsetDateTime.class).toInstant());
    }

    /** The file that a record was made of. */
    public Optional<ReturnedForm> file(UUID template, int number) {
        return database.sql(
                        "SELECT name, digest, position, content FROM returned_form WHERE template_id = ? AND number = ? AND content IS NOT NULL")
                .params(template, number)
                .query((row, n) -> new ReturnedForm(
                        row.getString("name"),
                        row.getString("digest"),
                        row.getInt("position"),
                        row.getBytes("content")))
                .optional();
    }
}
