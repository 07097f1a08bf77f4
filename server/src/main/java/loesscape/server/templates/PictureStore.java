package loesscape.server.templates;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.model.Refused;
import loesscape.formats.picture.SafePicture;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The pictures beside templates. */
@Repository
public class PictureStore {

    private static final long MOST_BYTES = 20L * 1024 * 1024;
    private static final long MOST_PIXELS = 100_000_000;

    private final JdbcClient database;
    private final Clock clock;

    PictureStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * Keeps a picture beside a template; what is kept already under this name stays.
     *
     * @throws Refused where all pictures beside it were too many bytes or pixels
     */
    public void keep(UUID template, SafePicture picture) {
        if (size(template) + picture.content().length > MOST_BYTES) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "The pictures beside this template have more than 20 MB together. Make some smaller.");
        }
        long pixels = picture.pixels();
        if (pixels > 0
                && pixels
                                + all(template).stream()
                                        .mapToLong(SafePicture::pixels)
                                        .sum()
                        > MOST_PIXELS) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "The pictures beside this template have more than 100 million pixels together. Make some smaller.");
        }
        database.sql("""
                        INSERT INTO template_picture (template_id, name, media, content, added)
                        SELECT ?, ?, ?, ?, ? WHERE NOT EXISTS
                          (SELECT * FROM template_picture WHERE template_id = ? AND name = ?)
                        """)
                .params(
                        template,
                        picture.name(),
                        picture.media(),
                        picture.content(),
                        OffsetDateTime.now(clock),
                        template,
                        picture.name())
                .update();
    }

    /** A picture beside a template. */
    public Optional<SafePicture> find(UUID template, String name) {
        return database.sql("SELECT name, media, content FROM template_picture WHERE template_id = ? AND name = ?")
                .params(template, name)
                .query(SafePicture.class)
                .optional();
    }

    /** The pictures beside a template, by name. */
    public List<SafePicture> all(UUID template) {
        return database.sql("SELECT name, media, content FROM template_picture WHERE template_id = ? ORDER BY name")
                .param(template)
                .query((row, n) ->
                        new SafePicture(row.getString("name"), row.getString("media"), row.getBytes("content")))
                .list();
    }

    /** How many bytes the pictures beside a template have together. */
    public long size(UUID template) {
        return database.sql(
                        "SELECT COALESCE(SUM(OCTET_LENGTH(content)), 0) FROM template_picture WHERE template_id = ?")
                .param(template)
                .query(Long.class)
                .single();
    }
}
