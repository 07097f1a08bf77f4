package loesscape.formats.paper;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Arabic letters in the forms in which they join their neighbours. The forms are those of the Unicode blocks Arabic
 * Presentation Forms-A and -B, where each letter's stand in one order (alone, final, initial, medial) and decompose to it
 * (UAX 15); letters with only the first two join to the right alone.
 */
final class ArabicLetters {

    private static final int ALONE = 0;
    private static final int FINAL = 1;
    private static final int INITIAL = 2;
    private static final int MEDIAL = 3;
    private static final char TATWEEL = '\u0640';

    /** By a letter, or by lam and an alef, which are written as one. */
    private static final Map<String, List<Character>> FORMS = new HashMap<>();

    static {
        forms('\uFB50', '\uFBB1');
        forms('\uFBFC', '\uFBFF');
        forms('\uFE80', '\uFEFC');
    }

    private static void forms(char first, char last) {
        for (char form = first; form <= last; form++) {
            String letter = Normalizer.normalize(Character.toString(form), Normalizer.Form.NFKC);
            if (!letter.equals(Character.toString(form))) {
                FORMS.computeIfAbsent(letter, it -> new ArrayList<>()).add(form);
            }
        }
    }

    private ArabicLetters() {}

    /** A text, in the order in which it is read, with each letter in the form that its neighbours call for. */
    static String joined(String text) {
        if (text.chars().noneMatch(character -> character >= 0x620 && character <= 0x6FF)) {
            return text;
        }
        StringBuilder joined = new StringBuilder(text.length());
        int at = 0;
        while (at < text.length()) {
            int length = isLamAlef(text, at) ? 2 : 1;
            String letter = text.substring(at, at + length);
            List<Character> forms = FORMS.get(letter);
            if (forms == null) {
                joined.append(letter);
            } else {
                boolean before = joinsOn(text, at);
                boolean after = forms.size() > INITIAL && joinsBack(text, at + length);
                int form = before && after ? MEDIAL : before ? FINAL : after ? INITIAL : ALONE;
                joined.append(forms.get(Math.min(form, forms.size() - 1)).charValue());
            }
            at += length;
        }
        return joined.toString();
    }

    private static boolean isLamAlef(String text, int at) {
        return at + 1 < text.length() && text.charAt(at) == '\u0644' && FORMS.containsKey(text.substring(at, at + 2));
    }

    /** Whether the letter before a place joins to what follows it; marks above and below stand between without parting. */
    private static boolean joinsOn(String text, int at) {
        int before = at - 1;
        while (before >= 0 && isMark(text.charAt(before))) {
            before--;
        }
        if (before < 0) {
            return false;
        }
        List<Character> forms = FORMS.getOrDefault(Character.toString(text.charAt(before)), List.of());
        return text.charAt(before) == TATWEEL || forms.size() > INITIAL;
    }

    /** Whether the letter at or behind a place joins to what stands before it. */
    private static boolean joinsBack(String text, int at) {
        int after = at;
        while (after < text.length() && isMark(text.charAt(after))) {
            after++;
        }
        if (after >= text.length()) {
            return false;
        }
        List<Character> forms = FORMS.getOrDefault(Character.toString(text.charAt(after)), List.of());
        return text.charAt(after) == TATWEEL || forms.size() > FINAL;
    }

    private static boolean isMark(char character) {
        return Character.getType(character) == Character.NON_SPACING_MARK;
    }
}
