package loesscape.formats.paper;

/** What people write, as it can stand in a document. */
public final class PrintableText {

    private PrintableText() {}

    /**
     * A text without what cannot stand on paper: signs that turn the direction of what follows, so that no answer turns
     * what was not its own, and what XML 1.0 cannot hold, for which U+FFFD stands. Lines end with a line feed.
     */
    public static String of(String text) {
        StringBuilder printable = new StringBuilder(text.length());
        text.replace("\r\n", "\n").replace('\r', '\n').codePoints().forEach(character -> {
            boolean turns = (character >= 0x202A && character <= 0x202E)
                    || (character >= 0x2066 && character <= 0x2069)
                    || character == 0x200E
                    || character == 0x200F
                    || character == 0x061C;
            boolean isXml = character == '\t'
                    || character == '\n'
                    || (character >= 0x20 && character <= 0xD7FF)
                    || (character >= 0xE000 && character <= 0xFFFD)
                    || character >= 0x10000;
            if (!turns) {
                printable.appendCodePoint(isXml ? character : 0xFFFD);
            }
        });
        return printable.toString();
    }
}
