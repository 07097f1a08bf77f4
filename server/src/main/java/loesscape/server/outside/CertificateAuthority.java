package loesscape.server.outside;

import java.math.BigInteger;
import java.security.cert.X509Certificate;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.function.Supplier;
import loesscape.formats.seal.Authority;
import loesscape.formats.seal.Revoked;
import loesscape.formats.seal.Seal;
import loesscape.formats.seal.SealCheck;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * The authority whose certificates seal documents. It is made when it is first needed, and kept under the secret of the
 * installation.
 */
@Repository
public class CertificateAuthority {

    private static final String NAME = "Loesscape local authority";

    private final JdbcClient database;
    private final OutsideLog log;
    private final Clock clock;
    private final String passphrase;
    private @Nullable Authority known;

    CertificateAuthority(
            JdbcClient database,
            OutsideLog log,
            Clock clock,
            @Qualifier("authorityPassphrase") Supplier<String> passphrase) {
        this.passphrase = passphrase.get();
        this.database = database;
        this.log = log;
        this.clock = clock;
    }

    /**
     * Seals a document.
     *
     * @throws OutsideFailed where the authority does not answer
     */
    public byte[] seal(byte[] document, String reason) {
        log.ask(OutsideService.AUTHORITY, reason);
        byte[] sealed = Seal.seal(document, authority(), reason, clock.instant());
        log.passed(OutsideService.AUTHORITY, "Sealed: " + reason, false);
        return sealed;
    }

    /**
     * Stamps the time on something.
     *
     * @throws OutsideFailed where the authority does not answer
     */
    public byte[] stamp(byte[] content) {
        log.ask(OutsideService.AUTHORITY, "A time stamp");
        return authority().stamp(content, clock.instant());
    }

    /** What the seal of a file says. */
    public SealCheck check(byte[] file) {
        return SealCheck.of(file, authority().root(), revocationList());
    }

    /** The certificate of the root, for those who want to check a seal themselves. */
    public X509Certificate root() {
        return authority().root();
    }

    /** What was called back, signed by the root, for those who want to check a seal themselves. */
    public byte[] revocationList() {
        return authority().revocationList(clock.instant());
    }

    /** Calls back the certificates that seals and time stamps were made with, and goes on with new ones. */
    @Transactional
    public synchronized void renew() {
        Authority renewed = authority().renewed(clock.instant());
        database.sql("UPDATE outside_authority SET keys = ?")
                .param(renewed.bytes(passphrase))
                .update();
        for (Revoked revoked : renewed.revoked()) {
            database.sql("MERGE INTO outside_revocation (serial, since) KEY (serial) VALUES (?, ?)")
                    .params(revoked.serial().toString(), OffsetDateTime.ofInstant(revoked.since(), ZoneOffset.UTC))
                    .update();
        }
        known = renewed;
        log.passed(OutsideService.AUTHORITY, "Certificates called back and made anew", false);
    }

    private synchronized Authority authority() {
        if (known == null) {
            known = database.sql("SELECT keys FROM outside_authority")
                    .query((row, n) -> read(row.getBytes("keys")))
                    .optional()
                    .orElseGet(this::made)
                    .withRevoked(database.sql("SELECT serial, since FROM outside_revocation ORDER BY since, serial")
                            .query((row, n) -> new Revoked(
                                    new BigInteger(row.getString("serial")),
                                    row.getObject("since", OffsetDateTime.class).toInstant()))
                            .list());
        }
        return known;
    }

    /** The keys of before November 2026 lay under no passphrase; they do from now on. */
    private Authority read(byte[] keys) {
        return Authority.read(keys, passphrase).orElseGet(() -> {
            Authority open = Authority.read(keys, "")
                    .orElseThrow(
                            () -> new IllegalStateException(
                                    "The keys of the authority lie under another secret than the one this installation was started with"));
            database.sql("UPDATE outside_authority SET keys = ?")
                    .param(open.bytes(passphrase))
                    .update();
            return open;
        });
    }

    private Authority made() {
        Authority made = Authority.make(NAME, clock.instant());
        database.sql("INSERT INTO outside_authority (keys) VALUES (?)")
                .param(made.bytes(passphrase))
                .update();
        return made;
    }
}
