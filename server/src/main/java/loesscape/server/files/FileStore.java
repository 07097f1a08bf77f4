package loesscape.server.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import loesscape.server.platform.database.Spool;
import loesscape.server.platform.doors.Secrets;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.SqlParameterValue;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.core.support.SqlBinaryValue;
import org.springframework.stereotype.Repository;

/** Files that were handed in. */
@Repository
public class FileStore {

    private final JdbcClient database;
    private final Spool spool;
    private final Clock clock;

    FileStore(JdbcClient database, Spool spool, Clock clock) {
        this.database = database;
        this.spool = spool;
        this.clock = clock;
    }

    /**
     * A file that comes in.
     *
     * @param name the name it came with
     * @param media its media type
     */
    public record Incoming(String name, String media, Spool.Passing passing) {}

    /**
     * A file on its way out: a copy on disk, which whoever has it deletes.
     *
     * @param name the name it came with
     * @param media its media type
     */
    public record Outgoing(String name, String media, long bytes, Path at) {

        /** All of it, held in memory; the copy on disk is gone afterwards. */
        public byte[] taken() {
            try {
                byte[] content = Files.readAllBytes(at);
                Files.deleteIfExists(at);
                return content;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** A file is named by a secret and the hash of its bytes, so that an answer that names it says what was handed in. */
    private static String identity(Incoming file) {
        return Secrets.make() + "." + file.passing().digest();
    }

    /** Keeps a file of a filling and tells its identity. */
    public String keep(long filling, Incoming file) {
        return keep(file, filling, null, null);
    }

    /** Keeps a file an author tries a template with and tells its identity. */
    public String keep(UUID template, long account, Incoming file) {
        return keep(file, null, template, account);
    }

    private String keep(Incoming file, @Nullable Long filling, @Nullable UUID template, @Nullable Long account) {
        String id = identity(file);
        try (InputStream content = Files.newInputStream(file.passing().at())) {
            database.sql("""
                            INSERT INTO handed_in (id, filling_id, template_id, account_id, name, media, bytes, added, content)
                            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)
                            """)
                    .param(id)
                    .param(filling)
                    .param(template)
                    .param(account)
                    .params(
                            file.name(),
                            file.media(),
                            file.passing().bytes(),
                            OffsetDateTime.now(clock),
                            new SqlParameterValue(
                                    Types.BLOB,
                                    new SqlBinaryValue(content, file.passing().bytes())))
                    .update();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return id;
    }

    /** A file without its bytes. */
    public record FileAtHand(String id, String name, long bytes) {}

    /** The files of a filling, in the order in which they were handed in. */
    public List<FileAtHand> list(long filling) {
        return database.sql("SELECT id, name, bytes FROM handed_in WHERE filling_id = ? ORDER BY added, id")
                .param(filling)
                .query((row, n) -> new FileAtHand(row.getString("id"), row.getString("name"), row.getLong("bytes")))
                .list();
    }

    /** A file of a filling, on its way out. */
    public Optional<Outgoing> find(long filling, String id) {
        return database.sql("SELECT name, media, bytes, content FROM handed_in WHERE id = ? AND filling_id = ?")
                .params(id, filling)
                .query(this::outgoing)
                .optional();
    }

    private Outgoing outgoing(ResultSet row, int n) throws SQLException {
        try (InputStream content = row.getBinaryStream("content")) {
            return new Outgoing(
                    row.getString("name"), row.getString("media"), row.getLong("bytes"), spool.copy(content));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A whole file, held in memory. */
    public record Whole(String name, String media, byte[] content) {}

    /** A file of a filling, as it goes into a document. */
    public Optional<Whole> whole(long filling, String id) {
        return database.sql("SELECT name, media, content FROM handed_in WHERE id = ? AND filling_id = ?")
                .params(id, filling)
                .query(Whole.class)
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
        return database.sql("SELECT COUNT(*) FROM handed_in WHERE id = ? AND filling_id = ? AND bytes = ? AND name = ?")
                        .params(id, filling, bytes, name)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /** A file of the record with a number. */
    public Optional<Outgoing> ofRecord(UUID template, int number, String id) {
        return database.sql("""
                        SELECT handed_in.name, media, bytes, content FROM handed_in
                        JOIN record ON record.filling_id = handed_in.filling_id
                        WHERE handed_in.id = ? AND record.template_id = ? AND record.number = ?""")
                .params(id, template, number)
                .query(this::outgoing)
                .optional();
    }

    /** A file an author tries a template with, on its way out. */
    public Optional<Outgoing> find(UUID template, long account, String id) {
        return database.sql(
                        "SELECT name, media, bytes, content FROM handed_in WHERE id = ? AND template_id = ? AND account_id = ?")
                .params(id, template, account)
                .query(this::outgoing)
                .optional();
    }

    /** How many bytes the files of a filling have together. */
    public long size(long filling) {
        return sum("WHERE filling_id = ?", filling);
    }

    /** How many bytes the files have together that were handed in through the same link as those of a filling. */
    public long sizeOfLink(long filling) {
        return sum(
                "WHERE filling_id IN (SELECT id FROM filling WHERE link = (SELECT link FROM filling WHERE id = ?))",
                filling);
    }

    /** How many bytes have the files that an author tries a template with. */
    public long size(UUID template, long account) {
        return sum("WHERE template_id = ? AND account_id = ?", template, account);
    }

    /** How many bytes all files have together. */
    public long size() {
        return sum("");
    }

    private long sum(String where, Object... with) {
        return database.sql("SELECT COALESCE(SUM(bytes), 0) FROM handed_in " + where)
                .params(List.of(with))
                .query(Long.class)
                .single();
    }
}
