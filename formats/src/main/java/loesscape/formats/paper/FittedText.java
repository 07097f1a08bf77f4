package loesscape.formats.paper;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import loesscape.core.model.Lettering;
import loesscape.formats.paper.SheetLetters.SetLine;

/**
 * A text made to fit its place: letters become smaller down to six points, lines break between words. What does not fit
 * ends in an ellipsis, and stands whole elsewhere.
 *
 * @param lines from the top
 * @param size of the letters in points
 * @param isWhole whether all of it is there
 */
record FittedText(List<SetLine> lines, double size, boolean isWhole) {

    private static final Pattern LINE_END = Pattern.compile("\\R");
    private static final Pattern SPACE = Pattern.compile("\\s+");

    private static final double LARGEST = 11;
    private static final double SMALLEST = 6;
    private static final double STEP = 0.5;

    /** How far lines stand apart, by the size of the letters. */
    static final double LEADING = 1.22;

    /** How much of the height of a place letters take at most. */
    private static final double FILLING = 0.78;

    static FittedText of(
            SheetLetters letters, String text, Lettering lettering, boolean isBold, double width, double height)
            throws IOException {
        double largest =
                lettering.size() > 0 ? lettering.size() / 10.0 : Math.min(LARGEST, Math.max(4, height * FILLING));
        double smallest = lettering.size() > 0 ? largest : Math.min(largest, SMALLEST);
        return lettering.lines()
                ? overLines(letters, text, isBold, width, height, lettering.size() > 0 ? largest : LARGEST, smallest)
                : onLine(letters, SPACE.matcher(text).replaceAll(" ").strip(), isBold, width, largest, smallest);
    }

    private static FittedText onLine(
            SheetLetters letters, String text, boolean isBold, double width, double largest, double smallest)
            throws IOException {
        SetLine line = letters.line(text, isBold);
        double size = line.width() == 0 ? largest : Math.clamp(width / line.width(), smallest, largest);
        if (line.width() * size <= width + 0.01) {
            return new FittedText(List.of(line), size, true);
        }
        return new FittedText(List.of(letters.line(cut(letters, text, isBold, width / size), isBold)), size, false);
    }

    /** As much of a text as fits, with an ellipsis. */
    private static String cut(SheetLetters letters, String text, boolean isBold, double width) throws IOException {
        int fits = 0;
        int over = text.length();
        while (over - fits > 1) {
            int middle = (fits + over) >>> 1;
            if (letters.width(text.substring(0, middle) + "…", isBold) <= width) {
                fits = middle;
            } else {
                over = middle;
            }
        }
        return text.substring(0, Character.isHighSurrogate(text.charAt(Math.max(0, fits - 1))) ? fits - 1 : fits) + "…";
    }

    private static FittedText overLines(
            SheetLetters letters,
            String text,
            boolean isBold,
            double width,
            double height,
            double largest,
            double smallest)
            throws IOException {
        // A place is as high as a few hundred lines at most; what is beyond does not fit whatever its size.
        String some = text.length() > MOST ? text.substring(0, MOST) : text;
        List<String[]> paragraphs = Arrays.stream(LINE_END.split(some, -1))
                .map(line -> line.split(" ", -1))
                .toList();
        for (double size = largest; size >= smallest; size -= STEP) {
            List<String> lines = broken(letters, paragraphs, isBold, width / size);
            int fitting = Math.max(1, (int) Math.floor(height / (size * LEADING) + 0.05));
            boolean isLast = size - STEP < smallest;
            if (lines.size() <= fitting || isLast) {
                boolean isWhole = lines.size() <= fitting && some.length() == text.length();
                List<SetLine> set = new ArrayList<>();
                for (int i = 0; i < Math.min(fitting, lines.size()); i++) {
                    boolean isCut = !isWhole && i == fitting - 1;
                    set.add(letters.line(
                            isCut ? cut(letters, lines.get(i) + " ", isBold, width / size) : lines.get(i), isBold));
                }
                return new FittedText(set, size, isWhole);
            }
        }
        throw new IllegalStateException("There is always a last size");
    }

    private static final int MOST = 5_000;

    private static List<String> broken(SheetLetters letters, List<String[]> paragraphs, boolean isBold, double width)
            throws IOException {
        List<String> lines = new ArrayList<>();
        double space = letters.width(" ", isBold);
        for (String[] words : paragraphs) {
            StringBuilder line = new StringBuilder();
            double wide = 0;
            for (String word : words) {
                double more = letters.width(word, isBold);
                if (line.isEmpty() || wide + space + more <= width) {
                    wide += line.isEmpty() ? more : space + more;
                    line.append(line.isEmpty() ? "" : " ").append(word);
                } else {
                    lines.add(line.toString());
                    line.setLength(0);
                    line.append(word);
                    wide = more;
                }
                while (wide > width && line.length() > 1) {
                    int taken = fitting(letters, line, isBold, width);
                    lines.add(line.substring(0, taken));
                    line.delete(0, taken);
                    wide = letters.width(line.toString(), isBold);
                }
            }
            lines.add(line.toString());
        }
        return lines;
    }

    /** How many characters of a word that is too long fit; at least one. */
    private static int fitting(SheetLetters letters, CharSequence word, boolean isBold, double width)
            throws IOException {
        double wide = 0;
        int end = 0;
        while (end < word.length()) {
            int next = Character.offsetByCodePoints(word, end, 1);
            wide += letters.width(word.subSequence(end, next).toString(), isBold);
            if (wide > width && end > 0) {
                break;
            }
            end = next;
        }
        return end;
    }
}
