package loesscape.core.expression.functions;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Check characters of references: MOD 97-10 and MOD 11-2 of ISO/IEC 7064, and the formula of ISO/IEC 7812-1, annex B, by
 * H. P. Luhn (US patent 2 950 048). These are not of the standard of formulas. Spaces and hyphens between groups do not
 * count.
 */
public final class ChecksumFunctions {

    /** A method of check characters. */
    private interface Method {

        /** The check characters for what stands before them; null where it has signs that the method does not take. */
        @Nullable
        String characters(String text);

        /** How many there are. */
        int count();
    }

    private static final int LONGEST = 200;

    private static final Map<String, Method> METHODS = Map.of(
            "mod 97-10",
            of(2, ChecksumFunctions::mod97),
            "mod 11-2",
            of(1, ChecksumFunctions::mod11),
            "luhn",
            of(1, ChecksumFunctions::luhn));

    static final List<Function> ALL = List.of(
            new Function(
                    "checksum",
                    List.of("string", "method"),
                    2,
                    false,
                    "Whether the check characters at the end of a reference are right, by mod 97-10, mod 11-2 or luhn.",
                    "checksum(\"0000-0002-1825-0097\", \"mod 11-2\")",
                    (work, given) -> {
                        Method method = method(given);
                        if (method == null || !(given.get(0) instanceof String text) || text.length() > LONGEST) {
                            return null;
                        }
                        String plain = plain(text);
                        int body = plain.length() - method.count();
                        return body > 0 && plain.substring(body).equals(method.characters(plain.substring(0, body)));
                    }),
            new Function(
                    "check characters",
                    List.of("string", "method"),
                    2,
                    false,
                    "The check characters that belong behind a reference, by mod 97-10, mod 11-2 or luhn.",
                    "check characters(\"000000021825009\", \"mod 11-2\")",
                    (work, given) -> {
                        Method method = method(given);
                        boolean isShort = given.get(0) instanceof String text && text.length() <= LONGEST;
                        return method == null || !isShort || !(given.get(0) instanceof String text)
                                ? null
                                : method.characters(plain(text));
                    }));

    private ChecksumFunctions() {}

    /** The names of the methods. */
    public static Set<String> methods() {
        return METHODS.keySet();
    }

    private static @Nullable Method method(Arguments given) {
        return given.get(1) instanceof String name ? METHODS.get(name.toLowerCase(Locale.ROOT)) : null;
    }

    private interface Characters {
        @Nullable
        String of(String text);
    }

    private static Method of(int count, Characters characters) {
        return new Method() {
            @Override
            public @Nullable String characters(String text) {
                return text.isEmpty() ? null : characters.of(text);
            }

            @Override
            public int count() {
                return count;
            }
        };
    }

    private static String plain(String text) {
        return text.replaceAll("[\\s\\u00A0\\u202F-]", "").toUpperCase(Locale.ROOT);
    }

    /** The value of a digit or letter, A being 10; below 0 for anything else. */
    private static int value(char c, boolean letters) {
        return c >= '0' && c <= '9' ? c - '0' : letters && c >= 'A' && c <= 'Z' ? c - 'A' + 10 : -1;
    }

    /** ISO/IEC 7064, MOD 97-10, with letters as two digits as ISO 13616 and ISO 17442 have them. */
    private static @Nullable String mod97(String text) {
        int rest = 0;
        for (int i = 0; i < text.length(); i++) {
            int value = value(text.charAt(i), true);
            if (value < 0) {
                return null;
            }
            rest = (rest * (value > 9 ? 100 : 10) + value) % 97;
        }
        return "%02d".formatted(98 - rest * 100 % 97);
    }

    /** ISO/IEC 7064, MOD 11-2: one check character, X being 10. */
    private static @Nullable String mod11(String text) {
        int sum = 0;
        for (int i = 0; i < text.length(); i++) {
            int value = value(text.charAt(i), false);
            if (value < 0) {
                return null;
            }
            sum = (sum + value) * 2 % 11;
        }
        int check = (12 - sum) % 11;
        return check == 10 ? "X" : String.valueOf(check);
    }

    /** ISO/IEC 7812-1, annex B: every second digit from the right doubled, the digits of the results added. */
    private static @Nullable String luhn(String text) {
        int sum = 0;
        for (int i = 0; i < text.length(); i++) {
            int value = value(text.charAt(text.length() - 1 - i), false);
            if (value < 0) {
                return null;
            }
            int counted = i % 2 == 0 ? value * 2 : value;
            sum += counted / 10 + counted % 10;
        }
        return String.valueOf((10 - sum % 10) % 10);
    }
}
