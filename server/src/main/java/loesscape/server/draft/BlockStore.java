package loesscape.server.draft;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.model.Template;
import loesscape.formats.template.TemplateFile;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Each author's own library of blocks. */
@Repository
public class BlockStore {

    private final JdbcClient database;
    private final Clock clock;

    BlockStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** A block in the library; the version is its last. */
    public record ListedBlock(UUID id, String name, int version, Instant kept) {}

    /** The blocks of an author, by name. */
    public List<ListedBlock> list(long account) {
        return database.sql("""
                        SELECT block.id, name, version, kept FROM block
                        JOIN block_version ON block_id = block.id
                         AND version = (SELECT max(version) FROM block_version v WHERE v.block_id = block.id)
                        WHERE account_id = ? ORDER BY lower(name), name
                        """)
                .param(account)
                .query((row, n) -> new ListedBlock(
                        row.getObject("id", UUID.class),
                        row.getString("name"),
                        row.getInt("version"),
                        row.getObject("kept", OffsetDateTime.class).toInstant()))
                .list();
    }

    /** A version of a block of an author. */
    public Optional<Template> find(long account, UUID id, int version) {
        return database.sql("""
                        SELECT document FROM block_version JOIN block ON block.id = block_id
                        WHERE account_id = ? AND block_id = ? AND version = ?
                        """)
                .params(account, id, version)
                .query((row, n) -> TemplateFile.read(row.getString("document")))
                .optional();
    }

    /** Keeps a new block. */
    @Transactional
    public UUID add(long account, String name, Template block) {
        UUID id = UUID.randomUUID();
        database.sql("INSERT INTO block (id, account_id, name) VALUES (?, ?, ?)")
                .params(id, account, name)
                .update();
        keep(id, 1, block);
        return id;
    }

    /** Keeps the next version of a block. */
    public void keep(UUID id, int version, Template block) {
        database.sql("INSERT INTO block_version (block_id, version, document, kept) VALUES (?, ?, ?, ?)")
                .params(id, version, TemplateFile.write(block), OffsetDateTime.now(clock))
                .update();
    }

    /** Takes a block out of the library; sections that were made from it stay as they are. */
    @Transactional
    public boolean remove(long account, UUID id) {
        boolean own = database.sql("SELECT count(*) FROM block WHERE id = ? AND account_id = ?")
                        .params(id, account)
                        .query(Integer.class)
                        .single()
                > 0;
        if (own) {
            database.sql("DELETE FROM block_version WHERE block_id = ?")
                    .param(id)
                    .update();
            database.sql("DELETE FROM block WHERE id = ?").param(id).update();
        }
        return own;
    }
}
