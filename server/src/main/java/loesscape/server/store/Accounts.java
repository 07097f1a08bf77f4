package loesscape.server.store;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import loesscape.server.security.AccountRole;
import loesscape.server.security.Author;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The accounts of authors. */
@Repository
public class Accounts implements UserDetailsService {

    private final JdbcClient database;
    private final Clock clock;

    Accounts(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Tells whether nobody has an account yet. */
    public boolean isEmpty() {
        return database.sql("SELECT count(*) FROM account").query(Long.class).single() == 0;
    }

    /** The author with a name, in whatever case it is written. */
    public Optional<Author> find(String name) {
        return database.sql("SELECT id, name, password_hash AS hash, role FROM account WHERE lower(name) = lower(?)")
                .param(name)
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
        database.sql("INSERT INTO account (name, password_hash, role, created) VALUES (?, ?, ?, ?)")
                .params(name, passwordHash, role.name(), OffsetDateTime.now(clock))
                .update();
    }

    /** An account in the list of accounts. */
    public record Listed(String name, AccountRole role) {}

    /** All accounts, by name. */
    public List<Listed> list() {
        return database.sql("SELECT name, role FROM account ORDER BY lower(name)")
                .query((row, n) -> new Listed(row.getString("name"), AccountRole.valueOf(row.getString("role"))))
                .list();
    }

    /** Adds the first author of a fresh installation; does nothing and tells so where there is one already. */
    @Transactional
    public synchronized boolean addFirst(String name, String passwordHash) {
        if (!isEmpty()) {
            return false;
        }
        add(name, passwordHash);
        return true;
    }
}
