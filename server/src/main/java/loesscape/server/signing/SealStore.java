package loesscape.server.signing;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.server.platform.database.Backoff;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The sealed documents of dispatches, and those that are still to be sealed. */
@Repository
public class SealStore {

    private final JdbcClient database;
    private final Clock clock;

    SealStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Says that a dispatch became a record, and that its document is to be sealed. */
    public void finished(UUID id, int record) {
        database.sql("UPDATE dispatch SET record = ?, seal_next = ? WHERE id = ?")
                .params(record, OffsetDateTime.now(clock), id)
                .update();
    }

    /** The dispatches whose documents are to be sealed now. */
    public List<UUID> unsealed() {
        return database.sql("SELECT id FROM dispatch WHERE seal_next <= ? ORDER BY seal_next")
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> row.getObject("id", UUID.class))
                .list();
    }

    /** Stops sealing a document until somebody says that it is to be tried again. */
    public void stopSealing(UUID id, String problem) {
        database.sql("UPDATE dispatch SET seal_next = NULL, seal_problem = ? WHERE id = ?")
                .params(problem, id)
                .update();
    }

    /** Why the document of a dispatch could not be sealed; empty where nothing is in the way. */
    public String sealProblem(UUID id) {
        return database.sql("SELECT seal_problem FROM dispatch WHERE id = ?")
                .param(id)
                .query(String.class)
                .single();
    }

    /** Has the sealing of a finished document tried again at once; tells whether there is one that is not sealed. */
    public boolean sealAgain(UUID id) {
        return database.sql(
                                "UPDATE dispatch SET seal_next = ?, seal_tries = 0, seal_problem = '' WHERE id = ? AND record IS NOT NULL AND sealed IS NULL")
                        .params(OffsetDateTime.now(clock), id)
                        .update()
                == 1;
    }

    /** Keeps the sealed document. */
    public void seal(UUID id, byte[] document, String digest) {
        database.sql(
                        "UPDATE dispatch SET sealed = ?, digest = ?, seal_next = NULL, seal_problem = '' WHERE id = ? AND sealed IS NULL")
                .params(document, digest, id)
                .update();
    }

    /** Puts sealing off, each time for longer, because of a problem in words; empty where it only has to wait. */
    public void sealLater(UUID id, String problem) {
        int tries = database.sql("SELECT seal_tries FROM dispatch WHERE id = ?")
                .param(id)
                .query(Integer.class)
                .single();
        database.sql("UPDATE dispatch SET seal_tries = ?, seal_next = ?, seal_problem = ? WHERE id = ?")
                .params(tries + 1, OffsetDateTime.now(clock).plus(Backoff.after(tries)), problem, id)
                .update();
    }

    /** The sealed document; empty while there is none. */
    public Optional<byte[]> sealed(UUID id) {
        return database.sql("SELECT sealed FROM dispatch WHERE id = ? AND sealed IS NOT NULL")
                .param(id)
                .query((row, n) -> row.getBytes("sealed"))
                .optional();
    }

    /** Whether a document with a digest was sealed here, also where it was deleted since. */
    public boolean wasSealed(String digest) {
        return database.sql(
                                "SELECT (SELECT count(*) FROM dispatch WHERE digest = ?) + (SELECT count(*) FROM deletion WHERE digest = ?)")
                        .params(digest, digest)
                        .query(Integer.class)
                        .single()
                > 0;
    }
}
