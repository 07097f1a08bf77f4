package loesscape.server.outside;

import java.math.BigInteger;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import loesscape.formats.seal.Revoked;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The keys of the authority, under the secret of the installation, and what it has called back. */
@Repository
class AuthorityStore {

    private final JdbcClient database;

    AuthorityStore(JdbcClient database) {
        this.database = database;
    }

    Optional<byte[]> keys() {
        return database.sql("SELECT keys FROM outside_authority")
                .query((row, n) -> row.getBytes("keys"))
                .optional();
    }

    void add(byte[] keys) {
        database.sql("INSERT INTO outside_authority (keys) VALUES (?)")
                .param(keys)
                .update();
    }

    /** Puts others in place of the keys so far, and adds what was called back. */
    void keep(byte[] keys, List<Revoked> calledBack) {
        database.sql("UPDATE outside_authority SET keys = ?").param(keys).update();
        for (Revoked each : calledBack) {
            database.sql("MERGE INTO outside_revocation (serial, since) KEY (serial) VALUES (?, ?)")
                    .params(each.serial().toString(), OffsetDateTime.ofInstant(each.since(), ZoneOffset.UTC))
                    .update();
        }
    }

    /** What was called back, the earliest first. */
    List<Revoked> revoked() {
        return database.sql("SELECT serial, since FROM outside_revocation ORDER BY since, serial")
                .query((row, n) -> new Revoked(
                        new BigInteger(row.getString("serial")),
                        row.getObject("since", OffsetDateTime.class).toInstant()))
                .list();
    }
}
