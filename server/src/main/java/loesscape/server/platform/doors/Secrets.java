package loesscape.server.platform.doors;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;

/** Unguessable secrets for links and browsers. They are handed out once and kept only as hashes. */
public final class Secrets {

    /** 192 bits, so that the text has no padding and guessing is out of the question. */
    private static final int BYTES = 24;

    private static final SecureRandom RANDOM = new SecureRandom();

    private Secrets() {}

    /** A new secret, in characters that can stand in an address. */
    public static String make() {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    /** What is kept of a secret: SHA-256. A plain hash will do, because the secret itself is random. */
    public static byte[] hash(String secret) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java runtime has SHA-256", e);
        }
    }
}
