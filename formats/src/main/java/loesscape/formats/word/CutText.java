package loesscape.formats.word;

import java.util.ArrayList;
import java.util.List;

/** Texts that are longer than what holds them. */
final class CutText {

    /** So far back a break between words is looked for. */
    private static final int LONGEST_WORD = 80;

    private CutText() {}

    /** The beginning of a text, which says that it goes on; all of it where it is short enough. */
    static String beginning(String text, int most) {
        return text.length() <= most
                ? text
                : text.substring(0, end(text, most - 1)).stripTrailing() + "…";
    }

    /** A text in parts, each as long as can be: they end where a line does, else where a word does. */
    static List<String> parts(String text, int most) {
        List<String> parts = new ArrayList<>();
        String rest = text;
        while (rest.length() > most) {
            int line = rest.lastIndexOf('\n', most);
            int end = line > 0 ? line : end(rest, most);
            parts.add(rest.substring(0, end).stripTrailing());
            rest = rest.substring(end).stripLeading();
        }
        if (!rest.isEmpty()) {
            parts.add(rest);
        }
        return parts;
    }

    private static int end(String text, int most) {
        int space = text.lastIndexOf(' ', most);
        if (space > most - LONGEST_WORD) {
            return space;
        }
        return Character.isHighSurrogate(text.charAt(most - 1)) ? most - 1 : most;
    }
}
