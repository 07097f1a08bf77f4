package loesscape.server.accounts.passkeys;

import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import loesscape.server.platform.doors.InstallationProof;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.stereotype.Component;

/**
 * What devices are asked to sign: a time, a random part, and the proof that this installation has asked. So strangers who
 * ask and never come back cost no memory. Each is answered once, and within five minutes.
 */
@Component
class Challenges {

    /** How long the answer is waited for. */
    static final Duration WITHIN = Duration.ofMinutes(5);

    private static final int RANDOM_BYTES = 16;
    private static final int HEAD = Long.BYTES + RANDOM_BYTES;

    private final InstallationProof proofs;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    /** The ones that were answered well, and until when they would be taken again: as few as there are sign-ins. */
    private final Map<Bytes, Instant> answered = new HashMap<>();

    Challenges(InstallationProof proofs, Clock clock) {
        this.proofs = proofs;
        this.clock = clock;
    }

    /** @param purpose what is asked for, and of whom */
    Bytes make(String purpose) {
        byte[] nonce = new byte[RANDOM_BYTES];
        random.nextBytes(nonce);
        byte[] head = ByteBuffer.allocate(HEAD)
                .putLong(clock.instant().toEpochMilli())
                .put(nonce)
                .array();
        return new Bytes(ByteBuffer.allocate(HEAD + InstallationProof.LENGTH)
                .put(head)
                .put(proofs.of(purpose(purpose), head))
                .array());
    }

    /** Whether this was asked for a purpose, a short time ago. */
    boolean isOurs(String purpose, Bytes challenge) {
        byte[] bytes = challenge.getBytes();
        if (bytes.length != HEAD + InstallationProof.LENGTH) {
            return false;
        }
        byte[] head = Arrays.copyOf(bytes, HEAD);
        byte[] proof = Arrays.copyOfRange(bytes, HEAD, bytes.length);
        return MessageDigest.isEqual(proof, proofs.of(purpose(purpose), head))
                && until(challenge).isAfter(clock.instant());
    }

    /** Takes the good answer to one; false where it was answered before. */
    synchronized boolean take(Bytes challenge) {
        answered.values().removeIf(until -> !until.isAfter(clock.instant()));
        return answered.putIfAbsent(challenge, until(challenge)) == null;
    }

    private static Instant until(Bytes challenge) {
        return Instant.ofEpochMilli(ByteBuffer.wrap(challenge.getBytes()).getLong())
                .plus(WITHIN);
    }

    private static String purpose(String purpose) {
        return "passkey " + purpose;
    }
}
