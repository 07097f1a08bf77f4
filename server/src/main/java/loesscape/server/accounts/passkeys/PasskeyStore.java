package loesscape.server.accounts.passkeys;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.web.webauthn.api.AuthenticatorTransport;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutableCredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCose;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialType;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.stereotype.Repository;

/** The passkeys of accounts. */
@Repository
class PasskeyStore implements UserCredentialRepository {

    private static final String COLUMNS = "SELECT p.*, a.handle FROM passkey p JOIN account a ON a.id = p.account_id ";

    private final JdbcClient database;
    private final Clock clock;

    PasskeyStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * A passkey as its owner sees it.
     *
     * @param used when somebody last signed in with it; null for never
     */
    record StoredPasskey(
            long id, String label, Instant made, @Nullable Instant used) {}

    /** A passkey whose count of signatures does not go up, as when a device was copied (Web Authentication, 6.1.1). */
    static final class Copied extends RuntimeException {
        Copied() {
            super("The count of signatures did not go up");
        }
    }

    /** The passkeys of an account, the oldest first. */
    List<StoredPasskey> list(long account) {
        return database.sql("SELECT id, label, made, used FROM passkey WHERE account_id = ? ORDER BY id")
                .param(account)
                .query((row, n) -> {
                    OffsetDateTime used = row.getObject("used", OffsetDateTime.class);
                    return new StoredPasskey(
                            row.getLong("id"),
                            row.getString("label"),
                            row.getObject("made", OffsetDateTime.class).toInstant(),
                            used == null ? null : used.toInstant());
                })
                .list();
    }

    /** Takes a passkey away from an account; false where it has none such. */
    boolean remove(long account, long passkey) {
        return database.sql("DELETE FROM passkey WHERE account_id = ? AND id = ?")
                        .params(account, passkey)
                        .update()
                > 0;
    }

    /** Adds one, or notes that one was used. */
    @Override
    public void save(CredentialRecord record) {
        byte[] credential = record.getCredentialId().getBytes();
        boolean isNew = database.sql("SELECT count(*) FROM passkey WHERE credential = ?")
                        .param(credential)
                        .query(Long.class)
                        .single()
                == 0;
        if (isNew) {
            add(record, credential);
            return;
        }
        long signatures = record.getSignatureCount();
        int noted = database.sql("""
                        UPDATE passkey SET signatures = ?, backed_up = ?, used = ?
                        WHERE credential = ? AND (signatures < ? OR (signatures = 0 AND ? = 0))
                        """)
                .params(
                        signatures,
                        record.isBackupState(),
                        OffsetDateTime.now(clock),
                        credential,
                        signatures,
                        signatures)
                .update();
        if (noted == 0) {
            throw new Copied();
        }
    }

    private void add(CredentialRecord record, byte[] credential) {
        Bytes attestation = record.getAttestationObject();
        if (attestation == null) {
            throw new IllegalArgumentException("A passkey is kept with what its device said when it was made");
        }
        database.sql("""
                        INSERT INTO passkey (account_id, credential, label, public_key, attestation, transports,
                          backup_eligible, backed_up, signatures, made)
                        VALUES ((SELECT id FROM account WHERE handle = ?), ?, ?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        record.getUserEntityUserId().getBytes(),
                        credential,
                        record.getLabel(),
                        record.getPublicKey().getBytes(),
                        attestation.getBytes(),
                        record.getTransports().stream()
                                .map(AuthenticatorTransport::getValue)
                                .sorted()
                                .collect(Collectors.joining(" ")),
                        record.isBackupEligible(),
                        record.isBackupState(),
                        record.getSignatureCount(),
                        OffsetDateTime.now(clock))
                .update();
    }

    @Override
    public void delete(Bytes credential) {
        database.sql("DELETE FROM passkey WHERE credential = ?")
                .param(credential.getBytes())
                .update();
    }

    @Override
    public @Nullable CredentialRecord findByCredentialId(Bytes credential) {
        return database.sql(COLUMNS + "WHERE p.credential = ?")
                .param(credential.getBytes())
                .query(PasskeyStore::read)
                .optional()
                .orElse(null);
    }

    @Override
    public List<CredentialRecord> findByUserId(Bytes handle) {
        return database.sql(COLUMNS + "WHERE a.handle = ? ORDER BY p.id")
                .param(handle.getBytes())
                .query(PasskeyStore::read)
                .list();
    }

    private static CredentialRecord read(ResultSet row, int n) throws SQLException {
        OffsetDateTime made = row.getObject("made", OffsetDateTime.class);
        OffsetDateTime used = row.getObject("used", OffsetDateTime.class);
        return ImmutableCredentialRecord.builder()
                .credentialType(PublicKeyCredentialType.PUBLIC_KEY)
                .credentialId(new Bytes(row.getBytes("credential")))
                .userEntityUserId(new Bytes(row.getBytes("handle")))
                .publicKey(new ImmutablePublicKeyCose(row.getBytes("public_key")))
                .attestationObject(new Bytes(row.getBytes("attestation")))
                .transports(transports(row.getString("transports")))
                .uvInitialized(true)
                .backupEligible(row.getBoolean("backup_eligible"))
                .backupState(row.getBoolean("backed_up"))
                .signatureCount(row.getLong("signatures"))
                .label(row.getString("label"))
                .created(made.toInstant())
                .lastUsed((used == null ? made : used).toInstant())
                .build();
    }

    private static Set<AuthenticatorTransport> transports(String kept) {
        return Arrays.stream(kept.split(" ", -1))
                .filter(word -> !word.isEmpty())
                .map(AuthenticatorTransport::valueOf)
                .collect(Collectors.toUnmodifiableSet());
    }
}
