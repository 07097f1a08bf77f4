package loesscape.server.store;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;
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
        return database.sql("SELECT id, name, password_hash AS hash FROM account WHERE lower(name) = lower(?)")
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
        database.sql("INSERT INTO account (name, password_hash, created) VALUES (?, ?, ?)")
                .params(name, passwordHash, OffsetDateTime.now(clock))
                .update();
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
