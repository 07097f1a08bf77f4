package loesscape.server.accounts;

import java.security.MessageDigest;
import java.util.function.BooleanSupplier;
import loesscape.server.platform.doors.Secrets;
import org.springframework.stereotype.Component;

/**
 * The way in for the first author of a fresh installation: a link that whoever started the server reads on its console.
 * There is another at each start, and none works once there is an author.
 */
@Component
public class SetupLink {

    private final String secret = Secrets.make();
    private final byte[] hash = Secrets.hash(secret);
    private boolean isUsed;

    /** Its path, for the console and nowhere else. */
    public String path() {
        return "/setup/" + secret;
    }

    /** Whether a secret is the one of this link. */
    public boolean is(String given) {
        return MessageDigest.isEqual(hash, Secrets.hash(given));
    }

    /** Uses it, one after the other: tells whether what it is for was done, by this caller and nobody before. */
    public synchronized boolean use(BooleanSupplier first) {
        if (isUsed) {
            return false;
        }
        isUsed = first.getAsBoolean();
        return isUsed;
    }
}
