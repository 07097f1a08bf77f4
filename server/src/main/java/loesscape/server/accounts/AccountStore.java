package loesscape.server.accounts;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import loesscape.server.platform.doors.Secrets;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The accounts of those who work here. One that was removed stays for what it did, and nobody signs in with it. */
@Repository
public class AccountStore implements UserDetailsService {

    /** How long a link for a new password leads somewhere. */
    public static final Duration RESET_WITHIN = Duration.ofHours(24);

    private static final String COLUMNS = "SELECT id, name, password_hash AS hash, role, epoch FROM account ";

    private final JdbcClient database;
    private final Clock clock;

    AccountStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Tells whether nobody has ever had an account. */
    public boolean isEmpty() {
        return database.sql("SELECT count(*) FROM account").query(Long.class).single() == 0;
    }

    /** The account with a name, in whatever case it is written. */
    public Optional<Author> find(String name) {
        return database.sql(COLUMNS + "WHERE folded = ? AND removed IS NULL")
                .param(AccountNames.folded(name))
                .query(Author.class)
                .optional();
    }

    /** An account that was not removed. */
    public Optional<Author> find(long id) {
        return database.sql(COLUMNS + "WHERE id = ? AND removed IS NULL")
                .param(id)
                .query(Author.class)
                .optional();
    }

    @Override
    public Author loadUserByUsername(String name) {
        return find(name).orElseThrow(() -> new UsernameNotFoundException("No such author"));
    }

    /** Adds an author. */
    public void add(String name, String passwordHash) {
        add(name, passwordHash, AccountRole.AUTHOR);
    }

    /** Adds an account. */
    public void add(String name, String passwordHash, AccountRole role) {
        database.sql("INSERT INTO account (name, folded, password_hash, role, created) VALUES (?, ?, ?, ?, ?)")
                .params(name, AccountNames.folded(name), passwordHash, role.name(), OffsetDateTime.now(clock))
                .update();
    }

    /** The accounts that were not removed, by name. */
    public List<Author> list() {
        return database.sql(COLUMNS + "WHERE removed IS NULL ORDER BY folded")
                .query((row, n) -> new Author(
                        row.getLong("id"),
                        row.getString("name"),
                        row.getString("hash"),
                        AccountRole.valueOf(row.getString("role")),
                        row.getInt("epoch")))
                .list();
    }

    /** Sets a password, and ends all sessions. */
    @Transactional
    public void setPassword(long id, String passwordHash) {
        database.sql("UPDATE account SET password_hash = ? WHERE id = ?")
                .params(passwordHash, id)
                .update();
        database.sql("DELETE FROM reset_link WHERE account_id = ?").param(id).update();
        endSessions(id);
    }

    /** Sets the password of somebody who has lost theirs; all sessions end, and passkeys of before open nothing. */
    @Transactional
    public void recover(long id, String passwordHash) {
        setPassword(id, passwordHash);
        removePasskeys(id);
    }

    private void removePasskeys(long id) {
        database.sql("DELETE FROM passkey WHERE account_id = ?").param(id).update();
    }

    /** Sets what an account may do. */
    public void setRole(long id, AccountRole role) {
        database.sql("UPDATE account SET role = ? WHERE id = ?")
                .params(role.name(), id)
                .update();
    }

    /** Ends all sessions of an account. */
    public void endSessions(long id) {
        database.sql("UPDATE account SET epoch = epoch + 1 WHERE id = ?")
                .param(id)
                .update();
    }

    /** Whether somebody else may do what authors may. */
    public boolean isAnotherAuthor(long id) {
        return database.sql("SELECT count(*) FROM account WHERE role = 'AUTHOR' AND removed IS NULL AND id <> ?")
                        .param(id)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Removes an account; its templates and dispatches are another's from now on, and its name is free. */
    @Transactional
    public void remove(long id, long heir) {
        database.sql("""
                        UPDATE account SET removed = ?, folded = folded || ' ' || id, password_hash = '', epoch = epoch + 1
                        WHERE id = ?
                        """).params(OffsetDateTime.now(clock), id).update();
        database.sql("DELETE FROM reset_link WHERE account_id = ?").param(id).update();
        removePasskeys(id);
        database.sql(
                        "DELETE FROM template_access WHERE account_id = ? AND template_id IN (SELECT template_id FROM template_access WHERE account_id = ? AND may = 'OWN')")
                .params(heir, id)
                .update();
        database.sql("UPDATE template_access SET account_id = ? WHERE account_id = ? AND may = 'OWN'")
                .params(heir, id)
                .update();
        database.sql("DELETE FROM template_access WHERE account_id = ?")
                .param(id)
                .update();
        database.sql("UPDATE dispatch SET account_id = ? WHERE account_id = ?")
                .params(heir, id)
                .update();
        database.sql("UPDATE open_link SET account_id = ? WHERE account_id = ?")
                .params(heir, id)
                .update();
    }

    /** Makes a link for a new password and tells its secret, which is kept nowhere; an earlier one ends. */
    @Transactional
    public String addResetLink(long id) {
        String secret = Secrets.make();
        database.sql("DELETE FROM reset_link WHERE account_id = ?").param(id).update();
        database.sql("INSERT INTO reset_link (hash, account_id, until) VALUES (?, ?, ?)")
                .params(Secrets.hash(secret), id, OffsetDateTime.now(clock).plus(RESET_WITHIN))
                .update();
        return secret;
    }

    /** Whose new password a link is for; empty where it leads nowhere, or no more. */
    public Optional<Author> resetBy(String secret) {
        return database.sql("SELECT account_id FROM reset_link WHERE hash = ? AND until > ?")
                .params(Secrets.hash(secret), OffsetDateTime.now(clock))
                .query(Long.class)
                .optional()
                .flatMap(this::find);
    }

    /** Adds the first author of a fresh installation; does nothing and tells so where there is one already. */
    @Transactional
    public boolean addFirst(String name, String passwordHash) {
        if (!isEmpty()) {
            return false;
        }
        add(name, passwordHash);
        return true;
    }
}
