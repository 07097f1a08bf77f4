package loesscape.formats.export;

import java.text.Bidi;
import java.util.HashMap;
import java.util.Map;

/** Lines of text in the order in which their characters stand on paper, from left to right (Unicode Standard Annex 9). */
final class VisualOrder {

    /** Signs that are drawn the other way round in text from right to left (Bidi_Mirrored), with their counterparts. */
    private static final Map<Integer, Integer> MIRRORED = mirrored("()[]{}<>«»‹›≤≥");

    private VisualOrder() {}

    private static Map<Integer, Integer> mirrored(String pairs) {
        Map<Integer, Integer> mirrored = new HashMap<>();
        int[] signs = pairs.codePoints().toArray();
        for (int i = 0; i < signs.length; i += 2) {
            mirrored.put(signs[i], signs[i + 1]);
            mirrored.put(signs[i + 1], signs[i]);
        }
        return mirrored;
    }

    /**
     * A line as it is drawn.
     *
     * @param isRightToLeft whether the text around it is written from right to left
     */
    static String of(String line, boolean isRightToLeft) {
        if (!isRightToLeft && !Bidi.requiresBidi(line.toCharArray(), 0, line.length())) {
            return line;
        }
        Bidi bidi = new Bidi(line, isRightToLeft ? Bidi.DIRECTION_RIGHT_TO_LEFT : Bidi.DIRECTION_LEFT_TO_RIGHT);
        int count = bidi.getRunCount();
        byte[] levels = new byte[count];
        String[] runs = new String[count];
        for (int i = 0; i < count; i++) {
            levels[i] = (byte) bidi.getRunLevel(i);
            String run = line.substring(bidi.getRunStart(i), bidi.getRunLimit(i));
            runs[i] = levels[i] % 2 == 0 ? run : turned(run);
        }
        Bidi.reorderVisually(levels, 0, runs, 0, count);
        return String.join("", runs);
    }

    private static String turned(String run) {
        int[] characters = run.codePoints().toArray();
        StringBuilder turned = new StringBuilder();
        for (int i = characters.length - 1; i >= 0; i--) {
            turned.appendCodePoint(MIRRORED.getOrDefault(characters[i], characters[i]));
        }
        return turned.toString();
    }
}
