package loesscape.server.signing;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import loesscape.server.platform.doors.Secrets;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The codes by which visitors of open links show that an address is theirs. */
@Repository
class OpenConfirmationStore {

    private final JdbcClient database;
    private final Clock clock;

    OpenConfirmationStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * A code that was sent.
     *
     * @param code its hash
     * @param begun whether a dispatch was begun with it
     */
    record SentCode(String address, String code, int tries, boolean confirmed, boolean begun) {}

    void add(String secret, int link, String network, String address, String code) {
        database.sql(
                        "INSERT INTO open_confirmation (hash, link_id, network, address, code, made) VALUES (?, ?, ?, ?, ?, ?)")
                .params(Secrets.hash(secret), link, network, address, code, OffsetDateTime.now(clock))
                .update();
    }

    /** The code behind a browser's secret, confirmed already or sent a short time ago. */
    Optional<SentCode> find(String secret, int link, Duration lasts) {
        return database.sql("""
                        SELECT address, code, tries, confirmed, begun FROM open_confirmation
                        WHERE hash = ? AND link_id = ? AND (confirmed OR made > ?)
                        """)
                .params(Secrets.hash(secret), link, since(lasts))
                .query(SentCode.class)
                .optional();
    }

    void tried(String secret, boolean confirmed) {
        database.sql("UPDATE open_confirmation SET tries = tries + 1, confirmed = ? WHERE hash = ?")
                .params(confirmed, Secrets.hash(secret))
                .update();
    }

    void begun(String secret) {
        database.sql("UPDATE open_confirmation SET begun = TRUE WHERE hash = ?")
                .param(Secrets.hash(secret))
                .update();
    }

    int sentTo(String address, Duration within) {
        return count("lower(address) = lower(?) AND made > ?", address, since(within));
    }

    int sentFrom(String network, Duration within) {
        return count("network = ? AND made > ?", network, since(within));
    }

    int begunThrough(int link, Duration within) {
        return count("link_id = ? AND begun AND made > ?", link, since(within));
    }

    int begunBy(String address, Duration within) {
        return count("lower(address) = lower(?) AND begun AND made > ?", address, since(within));
    }

    private int count(String where, Object... with) {
        return database.sql("SELECT count(*) FROM open_confirmation WHERE " + where)
                .params(List.of(with))
                .query(Integer.class)
                .single();
    }

    private OffsetDateTime since(Duration age) {
        return OffsetDateTime.now(clock).minus(age);
    }

    /** Forgets what is older. */
    void clear(Duration age) {
        database.sql("DELETE FROM open_confirmation WHERE made < ?")
                .param(since(age))
                .update();
    }
}
