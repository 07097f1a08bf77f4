package loesscape.formats.paper;

/**
 * How much of what people write goes on paper. A page takes memory for each of its lines, and what is typed may have
 * 100,000 of them; what is beyond stands in full in the answers that go along with the document.
 */
final class Allowance {

    private static final int MOST_OF_ONE = 50_000;
    private static final int MOST_LINES_OF_ONE = 1_000;

    /** As much memory as 400,000 letters take; a text of its own takes that of 20, a line that of 100. */
    private static final int ALL = 400_000;

    private static final int TEXT = 20;
    private static final int LINE = 100;

    private int left = ALL;

    /**
     * The beginning of a text that fits.
     *
     * @param shown what goes on paper
     * @param rest how many characters do not
     */
    record Fitting(String shown, int rest) {}

    /** As much of a text as fits, which is taken from what is left for others. */
    Fitting take(String text) {
        left = Math.max(0, left - TEXT);
        int lines = 0;
        int end = 0;
        while (end < text.length() && end < MOST_OF_ONE) {
            boolean isLine = isBreak(text.charAt(end));
            int cost = isLine ? LINE : 1;
            if (left < cost || (isLine && lines == MOST_LINES_OF_ONE)) {
                break;
            }
            lines += isLine ? 1 : 0;
            left -= cost;
            end++;
        }
        if (end < text.length() && end > 0 && Character.isHighSurrogate(text.charAt(end - 1))) {
            end--;
        }
        return new Fitting(text.substring(0, end), text.length() - end);
    }

    private static boolean isBreak(char character) {
        return character == '\n' || character == '\r';
    }
}
