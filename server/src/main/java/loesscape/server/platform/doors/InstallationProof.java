package loesscape.server.platform.doors;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.util.function.Supplier;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/**
 * Shows that this installation has given something out (HMAC-SHA256, RFC 2104), so that nothing needs to be kept of it. The
 * key outlives a restart.
 */
@Component
public class InstallationProof {

    private static final String ALGORITHM = "HmacSHA256";

    /** In bytes. */
    public static final int LENGTH = 32;

    private final SecretKeySpec key;

    InstallationProof(@Qualifier("tokenPassphrase") Supplier<String> passphrase) {
        this.key = new SecretKeySpec(passphrase.get().getBytes(StandardCharsets.US_ASCII), ALGORITHM);
    }

    /**
     * The proof of something.
     *
     * @param purpose what it is given out for, without a line feed; a proof for one purpose is none for another
     */
    public byte[] of(String purpose, byte[] given) {
        try {
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(key);
            mac.update((purpose + "\n").getBytes(StandardCharsets.UTF_8));
            return mac.doFinal(given);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java runtime has HMAC-SHA256", e);
        }
    }
}
