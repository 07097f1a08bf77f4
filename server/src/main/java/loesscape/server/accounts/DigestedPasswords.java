package loesscape.server.accounts;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.text.Normalizer;
import java.util.Base64;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/**
 * Passwords of any length and in any script: bcrypt looks at 72 bytes and no more, so it is given the digest of a password
 * (SHA-256 of its NFKC form, as NIST SP 800-63B, 5.1.1.2, has texts normalised).
 */
final class DigestedPasswords implements PasswordEncoder {

    private final BCryptPasswordEncoder bcrypt = new BCryptPasswordEncoder();

    @Override
    public @Nullable String encode(@Nullable CharSequence password) {
        return password == null ? null : bcrypt.encode(digest(password));
    }

    @Override
    public boolean matches(@Nullable CharSequence password, @Nullable String encoded) {
        return password != null && encoded != null && bcrypt.matches(digest(password), encoded);
    }

    private static String digest(CharSequence password) {
        String normal = Normalizer.normalize(password, Normalizer.Form.NFKC);
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(normal.getBytes(StandardCharsets.UTF_8));
            return Base64.getEncoder().encodeToString(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java platform has SHA-256", e);
        }
    }
}
