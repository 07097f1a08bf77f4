package loesscape.server.signing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import loesscape.server.platform.doors.Secrets;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** By what people show who they are: phrases and codes, and the browsers in which they did. */
@Repository
public class IdentityStore {

    private final JdbcClient database;
    private final Clock clock;

    IdentityStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * A phrase or a code of a person.
     *
     * @param hash with its salt
     * @param tries how often something wrong was given since it was made, or since it was open again
     * @param tried when that was last; before the first time, when it was made
     */
    public record Secret(long id, String hash, boolean isPhrase, Instant made, int tries, Instant tried) {}

    /** Keeps a phrase, or a code in place of the one before. */
    public void add(UUID dispatch, String role, String hash, boolean isPhrase) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        database.sql("UPDATE identity_secret SET spent = TRUE WHERE dispatch_id = ? AND role = ?")
                .params(dispatch, role)
                .update();
        database.sql(
                        "INSERT INTO identity_secret (dispatch_id, role, hash, phrase, made, tried) VALUES (?, ?, ?, ?, ?, ?)")
                .params(dispatch, role, hash, isPhrase, now, now)
                .update();
    }

    /** What a person has to give now. */
    public Optional<Secret> find(UUID dispatch, String role) {
        return database.sql("SELECT * FROM identity_secret WHERE dispatch_id = ? AND role = ? AND NOT spent")
                .params(dispatch, role)
                .query(IdentityStore::secret)
                .optional();
    }

    private static Secret secret(ResultSet row, int n) throws SQLException {
        return new Secret(
                row.getLong("id"),
                row.getString("hash"),
                row.getBoolean("phrase"),
                row.getObject("made", OffsetDateTime.class).toInstant(),
                row.getInt("tries"),
                row.getObject("tried", OffsetDateTime.class).toInstant());
    }

    /** How many codes were sent to a person within some time. */
    public int codes(UUID dispatch, String role, Duration within) {
        return database.sql(
                        "SELECT count(*) FROM identity_secret WHERE dispatch_id = ? AND role = ? AND NOT phrase AND made > ?")
                .params(dispatch, role, OffsetDateTime.now(clock).minus(within))
                .query(Integer.class)
                .single();
    }

    /** Says that something wrong was given, so many times by now. */
    public void tried(Secret secret, int times) {
        database.sql("UPDATE identity_secret SET tries = ?, tried = ? WHERE id = ?")
                .params(times, OffsetDateTime.now(clock), secret.id())
                .update();
    }

    /** Says that the right thing was given; a code cannot be given again. */
    public void passed(Secret secret) {
        database.sql("UPDATE identity_secret SET tries = 0, spent = NOT phrase WHERE id = ?")
                .param(secret.id())
                .update();
    }

    /** Lets a browser in for some time, and tells the secret by which it is known. */
    public String admit(UUID dispatch, String role, Duration time) {
        String pass = Secrets.make();
        database.sql("INSERT INTO identity_pass (hash, dispatch_id, role, until) VALUES (?, ?, ?, ?)")
                .params(
                        Secrets.hash(pass),
                        dispatch,
                        role,
                        OffsetDateTime.now(clock).plus(time))
                .update();
        return pass;
    }

    /** Whether the person has shown in this browser who they are. */
    public boolean isAdmitted(UUID dispatch, String role, String pass) {
        return database.sql(
                                "SELECT count(*) FROM identity_pass WHERE hash = ? AND dispatch_id = ? AND role = ? AND until > ?")
                        .params(Secrets.hash(pass), dispatch, role, OffsetDateTime.now(clock))
                        .query(Integer.class)
                        .single()
                == 1;
    }

    /** Forgets the codes and browsers of a person who no longer has the turn. */
    public void forget(UUID dispatch, String role) {
        database.sql("UPDATE identity_secret SET spent = TRUE WHERE dispatch_id = ? AND role = ? AND NOT phrase")
                .params(dispatch, role)
                .update();
        database.sql("DELETE FROM identity_pass WHERE dispatch_id = ? AND role = ?")
                .params(dispatch, role)
                .update();
    }
}
