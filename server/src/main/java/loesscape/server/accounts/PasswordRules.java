package loesscape.server.accounts;

import com.nulabinc.zxcvbn.StandardDictionaries;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import loesscape.core.model.PlainLine;
import loesscape.core.model.Refused;

/**
 * Which names and passwords are taken (NIST SP 800-63B, 5.1.1.2): long passwords of any characters, none that many others
 * use, and none that is hardly more than the name. The 30,000 commonest passwords come with zxcvbn.
 */
public final class PasswordRules {

    /** The most characters of a name. */
    public static final int LONGEST_NAME = 100;

    /** The most characters of a password. */
    public static final int LONGEST = 1_000;

    private static final int SHORTEST = 10;
    private static final int SHORTEST_REST = 6;
    private static final Set<String> COMMON = common();

    private PasswordRules() {}

    private static Set<String> common() {
        try {
            return new HashSet<>(StandardDictionaries.PASSWORDS_LOADER.load().getFrequencies());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Refuses names and passwords that are not taken, in a sentence. */
    public static void check(String name, String password) {
        if (name.isBlank() || name.length() > LONGEST_NAME || !PlainLine.isPlain(name)) {
            throw refused("Give a name of one line, at most %d characters.".formatted(LONGEST_NAME));
        }
        if (password.length() < SHORTEST || password.length() > LONGEST) {
            throw refused("A password has %d to %d characters.".formatted(SHORTEST, LONGEST));
        }
        String plain = AccountNames.folded(password).toLowerCase(Locale.ROOT);
        String signerMessages = plain.replaceAll("^[^\\p{L}]+|[^\\p{L}]+$", "");
        if (COMMON.contains(plain) || COMMON.contains(signerMessages)) {
            throw refused(
                    "So many people use this password that it is guessed at once. Put some words together instead.");
        }
        String rest = plain;
        for (String part : AccountNames.folded(name).split("\\s+", -1)) {
            rest = part.length() < 3 ? rest : rest.replace(part, "");
        }
        if (rest.length() < SHORTEST_REST) {
            throw refused("This password is hardly more than the name. Put some other words together.");
        }
    }

    private static Refused refused(String message) {
        return new Refused(Refused.Cause.NOT_VALID, message);
    }
}
