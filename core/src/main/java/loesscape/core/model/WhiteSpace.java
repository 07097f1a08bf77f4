package loesscape.core.model;

/**
 * White space as Unicode has it (the property White_Space, UAX 44), the no-break spaces included that come along with text
 * from elsewhere.
 */
public final class WhiteSpace {

    private WhiteSpace() {}

    private static boolean is(int character) {
        return !isPrinted(character)
                && (Character.isWhitespace(character) || Character.isSpaceChar(character) || character == 0x85);
    }

    /** Whether a character is one of ASCII with a shape; nearly all that is asked of are. */
    private static boolean isPrinted(int character) {
        return character > ' ' && character <= '~';
    }

    /** Whether a text has nothing else in it. */
    public static boolean isAll(String text) {
        return text.codePoints().allMatch(WhiteSpace::is);
    }

    /** A text without any at its beginning and end; the same text where there is none. */
    public static String stripped(String text) {
        int from = 0;
        int to = text.length();
        while (from < to && is(text.codePointAt(from))) {
            from += Character.charCount(text.codePointAt(from));
        }
        while (to > from && is(text.codePointBefore(to))) {
            to -= Character.charCount(text.codePointBefore(to));
        }
        return from == 0 && to == text.length() ? text : text.substring(from, to);
    }
}
