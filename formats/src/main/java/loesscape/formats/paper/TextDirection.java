package loesscape.formats.paper;

import com.openhtmltopdf.bidi.BidiReorderer;
import com.openhtmltopdf.bidi.BidiSplitter;
import com.openhtmltopdf.bidi.BidiTextRun;
import java.text.Bidi;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Text of both directions in the order in which it stands on paper (Unicode Standard Annex 9, as the JDK has it). */
final class TextDirection implements BidiReorderer {

    /** Signs that are drawn the other way round in text from right to left (Bidi_Mirrored), with their counterparts. */
    private static final Map<Integer, Integer> MIRRORED = mirrored("()[]{}<>«»‹›≤≥");

    private static Map<Integer, Integer> mirrored(String pairs) {
        Map<Integer, Integer> mirrored = new HashMap<>();
        int[] signs = pairs.codePoints().toArray();
        for (int i = 0; i < signs.length; i += 2) {
            mirrored.put(signs[i], signs[i + 1]);
            mirrored.put(signs[i + 1], signs[i]);
        }
        return mirrored;
    }

    /** Takes paragraphs apart into runs of one direction, which come in the order in which they are read. */
    static final class Runs implements BidiSplitter {

        private @Nullable Bidi bidi;

        @Override
        public void setParagraph(String paragraph, byte direction) {
            int flag = direction == RTL
                    ? Bidi.DIRECTION_RIGHT_TO_LEFT
                    : direction == LTR ? Bidi.DIRECTION_LEFT_TO_RIGHT : Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT;
            bidi = new Bidi(paragraph, flag);
        }

        private Bidi split() {
            if (bidi == null) {
                throw new IllegalStateException("No paragraph yet");
            }
            return bidi;
        }

        @Override
        public int countTextRuns() {
            return split().getRunCount();
        }

        @Override
        public BidiTextRun getVisualRun(int run) {
            int start = split().getRunStart(run);
            return new BidiTextRun(
                    start, split().getRunLimit(run) - start, split().getRunLevel(run) % 2 == 0 ? LTR : RTL);
        }

        @Override
        public byte getBaseDirection(String paragraph) {
            return paragraph
                    .codePoints()
                    .mapToObj(Character::getDirectionality)
                    .map(Runs::strong)
                    .filter(direction -> direction != NEUTRAL)
                    .findFirst()
                    .orElse(NEUTRAL);
        }

        private static byte strong(byte directionality) {
            return switch (directionality) {
                case Character.DIRECTIONALITY_LEFT_TO_RIGHT -> LTR;
                case Character.DIRECTIONALITY_RIGHT_TO_LEFT, Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC -> RTL;
                default -> NEUTRAL;
            };
        }
    }

    @Override
    public String reorderRTLTextToLTR(String text) {
        StringBuilder turned = new StringBuilder(text.length());
        int[] characters = text.codePoints().toArray();
        for (int last = characters.length - 1; last >= 0; last--) {
            int first = last;
            // Points and other marks stay behind the letter that they belong to.
            while (first > 0 && Character.getType(characters[first]) == Character.NON_SPACING_MARK) {
                first--;
            }
            for (int i = first; i <= last; i++) {
                turned.appendCodePoint(MIRRORED.getOrDefault(characters[i], characters[i]));
            }
            last = first;
        }
        return turned.toString();
    }

    @Override
    public String shapeText(String text) {
        return ArabicLetters.joined(text);
    }

    @Override
    public String deshapeText(String text) {
        return text;
    }

    @Override
    public boolean isLiveImplementation() {
        return true;
    }
}
