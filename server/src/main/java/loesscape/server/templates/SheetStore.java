package loesscape.server.templates;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.model.Refused;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The PDF files beside templates, whose pages documents are written on. */
@Repository
public class SheetStore {

    private static final long MOST_BYTES = 80L * 1024 * 1024;

    private final JdbcClient database;
    private final Clock clock;

    SheetStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** A file as it was brought. */
    public record Original(String name, byte[] content) {}

    /**
     * Keeps a file beside a template; what is kept already under this name stays.
     *
     * @throws Refused where all files beside it were too many bytes
     */
    public void keep(UUID template, String name, byte[] content, @Nullable Original original) {
        long all = database.sql("""
                        SELECT COALESCE(SUM(OCTET_LENGTH(content) + COALESCE(OCTET_LENGTH(original), 0)), 0)
                        FROM template_sheet WHERE template_id = ?
                        """).param(template).query(Long.class).single();
        long more = (long) content.length + (original == null ? 0 : original.content().length);
        if (all + more > MOST_BYTES) {
            throw new Refused(
                    Refused.Cause.NOT_VALID, "The PDF files beside this template have more than 80 MB together.");
        }
        database.sql("""
                        INSERT INTO template_sheet (template_id, name, content, original, original_name, added)
                        SELECT ?, ?, ?, ?, ?, ? WHERE NOT EXISTS
                          (SELECT * FROM template_sheet WHERE template_id = ? AND name = ?)
                        """)
                .param(template)
                .param(name)
                .param(content)
                .param(original == null ? null : original.content())
                .param(original == null ? "" : original.name())
                .param(OffsetDateTime.now(clock))
                .param(template)
                .param(name)
                .update();
    }

    /** The pages of a file, without fields. */
    public Optional<byte[]> find(UUID template, String name) {
        return database.sql("SELECT content FROM template_sheet WHERE template_id = ? AND name = ?")
                .params(template, name)
                .query((row, n) -> row.getBytes("content"))
                .optional();
    }

    /** A file as it was brought; none where only its pages came, in an archive. */
    public Optional<Original> original(UUID template, String name) {
        return database.sql("""
                        SELECT original_name, original FROM template_sheet
                        WHERE template_id = ? AND name = ? AND original IS NOT NULL
                        """)
                .params(template, name)
                .query((row, n) -> new Original(row.getString("original_name"), row.getBytes("original")))
                .optional();
    }

    /** The names of the files beside a template. */
    public List<String> names(UUID template) {
        return database.sql("SELECT name FROM template_sheet WHERE template_id = ? ORDER BY name")
                .param(template)
                .query((row, n) -> row.getString("name"))
                .list();
    }

    /** How many bytes the files beside a template have together, without originals. */
    public long size(UUID template) {
        return database.sql("SELECT COALESCE(SUM(OCTET_LENGTH(content)), 0) FROM template_sheet WHERE template_id = ?")
                .param(template)
                .query(Long.class)
                .single();
    }

    Optional<byte[]> picture(UUID template, String name, int page) {
        return database.sql("SELECT content FROM sheet_picture WHERE template_id = ? AND name = ? AND page = ?")
                .params(template, name, page)
                .query((row, n) -> row.getBytes("content"))
                .optional();
    }

    void keepPicture(UUID template, String name, int page, byte[] picture) {
        database.sql("""
                        MERGE INTO sheet_picture (template_id, name, page, content) KEY (template_id, name, page)
                        VALUES (?, ?, ?, ?)
                        """).params(template, name, page, picture).update();
    }
}
