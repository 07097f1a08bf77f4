package loesscape.core.model;

import java.text.Normalizer;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import loesscape.core.expression.Names;

/** Keys and identities: how they are spelt and how one is made from a label. */
public final class Keys {

    /** The most characters of a key. */
    public static final int LONGEST = 60;

    private static final Pattern SPELLING = Pattern.compile("[a-z][a-z0-9_]{0," + (LONGEST - 1) + "}");

    private Keys() {}

    /** Tells whether {@code key} may stand as a key: lower-case letters, digits and _, a letter first, no keyword. */
    public static boolean isKey(String key) {
        return SPELLING.matcher(key).matches() && !Names.isReserved(key);
    }

    /**
     * A key made from a label: its letters and digits without accents, words joined by _, numbered when taken.
     *
     * @param fallback what to use where the label holds no Latin letter or digit; itself a key
     * @param taken tells which keys are in use
     */
    public static String from(String label, String fallback, Predicate<String> taken) {
        String plain = spelt(Normalizer.normalize(label, Normalizer.Form.NFD)
                        .replaceAll("\\p{M}+", "")
                        .toLowerCase(Locale.ROOT))
                .replaceAll("[^a-z0-9]+", "_")
                .replaceAll("^[0-9_]+|_+$", "");
        int most = LONGEST - 8;
        String stem = plain.length() > most ? plain.substring(0, most).replaceAll("_+$", "") : plain;
        if (!isKey(stem)) {
            stem = stem.isEmpty() ? fallback : stem + "_" + fallback;
        }
        return unused(stem, taken);
    }

    /** Letters that are no others with an accent, as those without them write them. */
    private static String spelt(String text) {
        return text.replace("ß", "ss")
                .replace("æ", "ae")
                .replace("œ", "oe")
                .replace("ø", "o")
                .replace("ł", "l")
                .replace("đ", "d")
                .replace("ð", "d")
                .replace("þ", "th")
                .replace("ı", "i");
    }

    /** The key as words: irrigated_area reads "Irrigated area". */
    public static String words(String key) {
        String spaced = key.replace('_', ' ').strip();
        return spaced.isEmpty() ? key : Character.toUpperCase(spaced.charAt(0)) + spaced.substring(1);
    }

    /** {@code stem}, or {@code stem_2}, {@code stem_3} and so on: the first that is not taken. */
    public static String unused(String stem, Predicate<String> taken) {
        if (!taken.test(stem)) {
            return stem;
        }
        String base = stem.replaceAll("_[0-9]+$", "");
        int number = 2;
        while (taken.test(base + "_" + number)) {
            number++;
        }
        return base + "_" + number;
    }
}
