package loesscape.core.model;

/** Texts of one line that say what they seem to say, such as names of people. */
public final class PlainLine {

    /** The most characters of a name of a person. */
    public static final int LONGEST_NAME = 200;

    private PlainLine() {}

    /**
     * Whether a text is one line without control characters, line and paragraph separators, and without characters that
     * override or isolate the direction of writing (Unicode Standard Annex 9, X1 to X8), which can make it read as another.
     */
    public static boolean isPlain(String text) {
        return text.codePoints().noneMatch(PlainLine::isHidden);
    }

    private static boolean isHidden(int character) {
        return switch (Character.getType(character)) {
            case Character.CONTROL,
                    Character.LINE_SEPARATOR,
                    Character.PARAGRAPH_SEPARATOR,
                    Character.SURROGATE,
                    Character.UNASSIGNED -> true;
            default -> isDirecting(character);
        };
    }

    private static boolean isDirecting(int character) {
        return (character >= 0x202A && character <= 0x202E) || (character >= 0x2066 && character <= 0x2069);
    }
}
