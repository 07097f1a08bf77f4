package loesscape.server.signing;

import java.security.SecureRandom;
import java.time.Duration;
import java.util.Objects;
import loesscape.core.model.Addresses;
import loesscape.core.model.Refused;
import loesscape.server.platform.doors.Network;
import loesscape.server.platform.doors.Secrets;
import loesscape.server.platform.web.Problems;
import loesscape.server.signing.OpenConfirmationStore.SentCode;
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

    private final OpenConfirmationStore store;
    private final SignerMessages signerMessages;
    private final SecureRandom random = new SecureRandom();
    private final BCryptPasswordEncoder encoder = new BCryptPasswordEncoder();

    OpenConfirmations(OpenConfirmationStore store, SignerMessages signerMessages) {
        this.store = store;
        this.signerMessages = signerMessages;
    }

    /** Sends a code to an address, and tells the secret by which the visitor's browser goes on. */
    @Transactional
    public String send(OpenLinkStore.Open link, String wanted, String from) {
        String address = wanted.strip();
        if (address.length() > 254 || !Addresses.isEmail(address)) {
            throw new Refused(Refused.Cause.NOT_VALID, "“%s” is no e-mail address.".formatted(shortened(address)));
        }
        checkRoom(link, address);
        boolean isTooOften = store.sentTo(address, HOUR) >= MOST_CODES_TO_ADDRESS
                || store.sentFrom(Network.of(from), HOUR) >= MOST_CODES_FROM_NETWORK;
        if (isTooOften) {
            throw new Problems.TooOften("Many codes were sent within the hour; wait until it is over.", HOUR);
        }
        String secret = Secrets.make();
        String code = "%06d".formatted(random.nextInt(CODES));
        store.add(secret, link.id(), Network.of(from), address, Objects.requireNonNull(encoder.encode(code)));
        signerMessages.openCode(address, code);
        return secret;
    }

    private static String shortened(String text) {
        return text.length() > 60 ? text.substring(0, 60) + "…" : text;
    }

    private void checkRoom(OpenLinkStore.Open link, String address) {
        if (store.begunThrough(link.id(), DAY) >= link.mostADay()) {
            throw new Problems.TooOften(
                    "Through this link no more can be begun today; try again tomorrow, or ask whoever gave it to you.",
                    DAY);
        }
        if (store.begunBy(address, DAY) >= MOST_BEGUN_BY_ADDRESS) {
            throw new Problems.TooOften("You have begun many documents today; try again tomorrow.", DAY);
        }
    }

    /**
     * The address that a visitor has shown to be theirs, with this code or before.
     *
     * @throws Problems.NotIdentified where they have not
     */
    @Transactional(noRollbackFor = Problems.NotIdentified.class)
    public String confirmed(OpenLinkStore.Open link, String secret, String code) {
        SentCode asked = store.find(secret, link.id(), LASTS)
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
        store.tried(secret, isRight);
        if (!isRight) {
            throw new Problems.NotIdentified("That is not the code that was sent; look at the newest message.");
        }
        return asked.address();
    }

    /** Says that something was begun, in the transaction of that. */
    void begun(OpenLinkStore.Open link, String secret, String address) {
        checkRoom(link, address);
        store.begun(secret);
    }

    /** Forgets what is over. */
    void clear() {
        store.clear(DAY.plus(HOUR));
    }
}
