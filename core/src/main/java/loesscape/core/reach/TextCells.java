package loesscape.core.reach;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import loesscape.core.reach.ReachCell.Becomes;

/** What a text says by the answers: where it is long, the part of it in which the cells differ. */
final class TextCells {

    /** What is longer is cut. */
    static final int LONGEST = 48;

    /** Stands before what is said for one of several answers that each say something else. */
    static final String SUCH_AS = "such as: ";

    private static final String CUT = "…";

    /** So much is left before the first letter in which two differ. */
    private static final int BEFORE = 12;

    private TextCells() {}

    /** The cells of one column, shortened alike. */
    static List<ReachCell> shortened(List<ReachCell> cells) {
        List<String> texts = cells.stream()
                .filter(cell -> cell.becomes() == Becomes.SAYS)
                .map(TextCells::text)
                .toList();
        if (texts.stream().allMatch(text -> text.length() <= LONGEST)) {
            return mapped(cells, text -> text);
        }
        int from = start(texts);
        return mapped(cells, text -> shortened(text, word(text, Math.min(from, Math.max(0, text.length() - BEFORE)))));
    }

    private static String text(ReachCell cell) {
        String words = cell.words().startsWith(SUCH_AS) ? cell.words().substring(SUCH_AS.length()) : cell.words();
        return words.strip().replaceAll("\\s+", " ");
    }

    private static List<ReachCell> mapped(List<ReachCell> cells, UnaryOperator<String> words) {
        List<ReachCell> mapped = new ArrayList<>();
        for (ReachCell cell : cells) {
            String before = cell.words().startsWith(SUCH_AS) ? SUCH_AS : "";
            mapped.add(
                    cell.becomes() == Becomes.SAYS
                            ? new ReachCell(Becomes.SAYS, before + words.apply(text(cell)), cell.isTrouble())
                            : cell);
        }
        return mapped;
    }

    /** Where the word begins that stands a little before the first letter in which two texts differ. */
    private static int start(List<String> texts) {
        String first = texts.getFirst();
        int same = first.length();
        for (String text : texts) {
            int at = 0;
            while (at < Math.min(same, text.length()) && text.charAt(at) == first.charAt(at)) {
                at++;
            }
            same = at;
        }
        return word(first, Math.max(0, same - BEFORE));
    }

    /** Where the word begins that stands at a place. */
    private static int word(String text, int at) {
        return text.lastIndexOf(' ', at) + 1;
    }

    private static String shortened(String text, int from) {
        String rest = text.substring(from);
        String cut = rest.length() <= LONGEST
                ? rest
                : rest.substring(0, rest.offsetByCodePoints(0, rest.codePointCount(0, LONGEST - 1))) + CUT;
        return from == 0 ? cut : CUT + cut;
    }
}
