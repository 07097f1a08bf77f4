package loesscape.server.store;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import loesscape.formats.evidence.Trail;
import loesscape.server.security.Secrets;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Files that were handed in. */
@Repository
public class FileStore {

    private final JdbcClient database;
    private final Clock clock;

    FileStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * A file.
     *
     * @param name the name it came with
     * @param media its media type
     */
    public record Kept(String name, String media, byte[] content) {}

    /** A file is named by a secret and the hash of its bytes, so that an answer that names it says what was handed in. */
    private static String identity(Kept file) {
        return Secrets.make() + "." + Trail.digest(file.content());
    }

    /** Keeps a file of a filling and tells its identity. */
    public String keep(long filling, Kept file) {
        String id = identity(file);
        database.sql("INSERT INTO handed_in (id, filling_id, name, media, content, added) VALUES (?, ?, ?, ?, ?, ?)")
                .params(id, filling, file.name(), file.media(), file.content(), OffsetDateTime.now(clock))
                .update();
        return id;
    }

    /** Keeps a file an author tries a template with and tells its identity. */
    public String keep(UUID template, long account, Kept file) {
        String id = identity(file);
        database.sql(
                        "INSERT INTO handed_in (id, template_id, account_id, name, media, content, added) VALUES (?, ?, ?, ?, ?, ?, ?)")
                .params(id, template, account, file.name(), file.media(), file.content(), OffsetDateTime.now(clock))
                .update();
        return id;
    }

    /** A file without its bytes. */
    public record FileAtHand(String id, String name, long bytes) {}

    /** The files of a filling, in the order in which they were handed in. */
    public List<FileAtHand> list(long filling) {
        return database.sql(
                        "SELECT id, name, OCTET_LENGTH(content) AS bytes FROM handed_in WHERE filling_id = ? ORDER BY added, id")
                .param(filling)
                .query((row, n) -> new FileAtHand(row.getString("id"), row.getString("name"), row.getLong("bytes")))
                .list();
    }

    /** A file of a filling. */
    public Optional<Kept> find(long filling, String id) {
        return database.sql("SELECT name, media, content FROM handed_in WHERE id = ? AND filling_id = ?")
                .params(id, filling)
                .query(Kept.class)
                .optional();
    }

    /** SHA-256, in hexadecimal, of the bytes of each file of a filling, by its identity. */
    public Map<String, String> digests(long filling) {
        Map<String, String> digests = new TreeMap<>();
        // The database hashes them piece by piece, so that no file is held in memory for it.
        database.sql(
                        "SELECT id, LOWER(RAWTOHEX(HASH('SHA-256', content))) AS digest FROM handed_in WHERE filling_id = ?")
                .param(filling)
                .query(row -> {
                    digests.put(row.getString("id"), row.getString("digest"));
                });
        return digests;
    }

    /** Whether a filling has a file of this identity, size and name. */
    public boolean isKept(long filling, String id, int bytes, String name) {
        return database.sql(
                                "SELECT COUNT(*) FROM handed_in WHERE id = ? AND filling_id = ? AND OCTET_LENGTH(content) = ? AND name = ?")
                        .params(id, filling, bytes, name)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /** A file of the record with a number. */
    public Optional<Kept> ofRecord(UUID template, int number, String id) {
        return database.sql("""
                        SELECT handed_in.name, media, content FROM handed_in
                        JOIN record ON record.filling_id = handed_in.filling_id
                        WHERE handed_in.id = ? AND record.template_id = ? AND record.number = ?""").params(id, template, number).query(Kept.class).optional();
    }

    /** A file an author tries a template with. */
    public Optional<Kept> find(UUID template, long account, String id) {
        return database.sql(
                        "SELECT name, media, content FROM handed_in WHERE id = ? AND template_id = ? AND account_id = ?")
                .params(id, template, account)
                .query(Kept.class)
                .optional();
    }

    /** How many bytes the files of a filling have together. */
    public long size(long filling) {
        return database.sql("SELECT COALESCE(SUM(OCTET_LENGTH(content)), 0) FROM handed_in WHERE filling_id = ?")
                .param(filling)
                .query(Long.class)
                .single();
    }
}
