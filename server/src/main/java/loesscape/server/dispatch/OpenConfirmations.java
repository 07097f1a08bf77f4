package loesscape.server.dispatch;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import loesscape.core.model.Addresses;
import loesscape.core.model.Refused;
import loesscape.server.api.Problems;
import loesscape.server.security.Network;
import loesscape.server.security.Secrets;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Visitors of open links show that an address is theirs, by a code that is sent there, before anything is sent to anybody
 * else; and what they can have sent is bounded by the day: through one link, by one address, from one network.
 */
@Component
class OpenConfirmations {

    private static final Duration LASTS = Duration.ofMinutes(15);
    private static final Duration DAY = Duration.ofDays(1);
    private static final Duration HOUR = Duration.ofHours(1);
    private static final int MOST_TRIES = 5;
    private static final int CODES = 1_000_000;
    private static final int MOST_BEGUN_BY_ADDRESS = 10;
    private static final int MOST_CODES_TO_ADDRESS = 5;
    private static final int MOST_CODES_FROM_NETWORK = 30;

    private final JdbcClient database;
    private final Letters letters;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final BCryptPasswordEncoder encoder = new BCryptPasswordEncoder();

    OpenConfirmations(JdbcClient database, Letters letters, Clock clock) {
        this.database = database;
        this.letters = letters;
        this.clock = clock;
    }

    /** Sends a code to an address, and tells the secret by which the visitor's browser goes on. */
    @Transactional
    public String send(OpenLinks.Open link, String wanted, String from) {
        String address = wanted.strip();
        if (address.length() > 254 || !Addresses.isEmail(address)) {
            throw new Refused(Refused.Cause.NOT_VALID, "“%s” is no e-mail address.".formatted(shortened(address)));
        }
        checkRoom(link, address);
        boolean isTooOften =
                count("lower(address) = lower(?) AND made > ?", address, since(HOUR)) >= MOST_CODES_TO_ADDRESS
                        || count("network = ? AND made > ?", Network.of(from), since(HOUR)) >= MOST_CODES_FROM_NETWORK;
        if (isTooOften) {
            throw new Problems.TooOften("Many codes were sent within the hour; wait until it is over.", HOUR);
        }
        String secret = Secrets.make();
        String code = "%06d".formatted(random.nextInt(CODES));
        database.sql(
                        "INSERT INTO open_confirmation (hash, link_id, network, address, code, made) VALUES (?, ?, ?, ?, ?, ?)")
                .params(
                        Secrets.hash(secret),
                        link.id(),
                        Network.of(from),
                        address,
                        encoder.encode(code),
                        OffsetDateTime.now(clock))
                .update();
        letters.openCode(address, code);
        return secret;
    }

    private static String shortened(String text) {
        return text.length() > 60 ? text.substring(0, 60) + "…" : text;
    }

    private OffsetDateTime since(Duration age) {
        return OffsetDateTime.now(clock).minus(age);
    }

    private int count(String where, Object... with) {
        return database.sql("SELECT count(*) FROM open_confirmation WHERE " + where)
                .params(java.util.List.of(with))
                .query(Integer.class)
                .single();
    }

    private void checkRoom(OpenLinks.Open link, String address) {
        if (count("link_id = ? AND begun AND made > ?", link.id(), since(DAY)) >= link.mostADay()) {
            throw new Problems.TooOften(
                    "Through this link no more can be begun today; try again tomorrow, or ask whoever gave it to you.",
                    DAY);
        }
        if (count("lower(address) = lower(?) AND begun AND made > ?", address, since(DAY)) >= MOST_BEGUN_BY_ADDRESS) {
            throw new Problems.TooOften("You have begun many documents today; try again tomorrow.", DAY);
        }
    }

    private record Asked(String address, String code, int tries, boolean confirmed, boolean begun) {}

    /**
     * The address that a visitor has shown to be theirs, with this code or before.
     *
     * @throws Problems.NotIdentified where they have not
     */
    @Transactional(noRollbackFor = Problems.NotIdentified.class)
    public String confirmed(OpenLinks.Open link, String secret, String code) {
        byte[] hash = Secrets.hash(secret);
        Asked asked = database.sql("""
                        SELECT address, code, tries, confirmed, begun FROM open_confirmation
                        WHERE hash = ? AND link_id = ? AND (confirmed OR made > ?)
                        """)
                .params(hash, link.id(), since(LASTS))
                .query(Asked.class)
                .optional()
                .filter(it -> !it.begun())
                .orElseThrow(() -> new Problems.NotIdentified("This code has run out; have another sent."));
        if (asked.confirmed()) {
            return asked.address();
        }
        if (asked.tries() >= MOST_TRIES) {
            throw new Problems.NotIdentified(
                    "A wrong code was given %d times; have another sent.".formatted(MOST_TRIES));
        }
        boolean isRight = encoder.matches(code.strip(), asked.code());
        database.sql("UPDATE open_confirmation SET tries = tries + 1, confirmed = ? WHERE hash = ?")
                .params(isRight, hash)
                .update();
        if (!isRight) {
            throw new Problems.NotIdentified("That is not the code that was sent; look at the newest message.");
        }
        return asked.address();
    }

    /** Says that something was begun, in the transaction of that. */
    void begun(OpenLinks.Open link, String secret, String address) {
        checkRoom(link, address);
        database.sql("UPDATE open_confirmation SET begun = TRUE WHERE hash = ?")
                .param(Secrets.hash(secret))
                .update();
    }

    /** Forgets what is over. */
    void clear() {
        database.sql("DELETE FROM open_confirmation WHERE made < ?")
                .param(since(DAY.plus(HOUR)))
                .update();
    }
}
