package loesscape.server.accounts.passkeys;

import java.util.Optional;
import loesscape.server.accounts.AccountNames;
import loesscape.server.accounts.AccountStore;
import loesscape.server.accounts.Author;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.stereotype.Repository;

/** Accounts as devices know them: by a random handle, given when the first passkey is wanted. Removed ones are not among them. */
@Repository
class PasskeyOwnerStore implements PublicKeyCredentialUserEntityRepository {

    private final JdbcClient database;
    private final AccountStore accounts;

    PasskeyOwnerStore(JdbcClient database, AccountStore accounts) {
        this.database = database;
        this.accounts = accounts;
    }

    /** The account with a handle. */
    Optional<Author> account(Bytes handle) {
        return database.sql("SELECT id FROM account WHERE handle = ?")
                .param(handle.getBytes())
                .query(Long.class)
                .optional()
                .flatMap(accounts::find);
    }

    @Override
    public @Nullable PublicKeyCredentialUserEntity findById(Bytes handle) {
        return account(handle).map(author -> entity(author.name(), handle)).orElse(null);
    }

    @Override
    public @Nullable PublicKeyCredentialUserEntity findByUsername(String name) {
        return database.sql(
                        "SELECT name, handle FROM account WHERE folded = ? AND removed IS NULL AND handle IS NOT NULL")
                .param(AccountNames.folded(name))
                .query((row, n) -> entity(row.getString("name"), new Bytes(row.getBytes("handle"))))
                .optional()
                .orElse(null);
    }

    /** Gives an account its handle. Two that are asked for at once are one. */
    @Override
    public void save(PublicKeyCredentialUserEntity owner) {
        database.sql("UPDATE account SET handle = ? WHERE folded = ? AND removed IS NULL AND handle IS NULL")
                .params(owner.getId().getBytes(), AccountNames.folded(owner.getName()))
                .update();
    }

    @Override
    public void delete(Bytes handle) {
        database.sql("UPDATE account SET handle = NULL WHERE handle = ?")
                .param(handle.getBytes())
                .update();
    }

    private static PublicKeyCredentialUserEntity entity(String name, Bytes handle) {
        return ImmutablePublicKeyCredentialUserEntity.builder()
                .name(name)
                .displayName(name)
                .id(handle)
                .build();
    }
}
