package loesscape.formats.form;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import loesscape.formats.form.PdfForm.FormPlace;
import loesscape.formats.form.PrintedPage.PrintedWord;

/**
 * The headings of a printed page, by which its questions are parted: what stands alone on its line in larger or bold
 * letters, and is no label of a place.
 */
final class Headings {

    private static final double LARGER = 1.15;
    private static final int SHORTEST = 3;
    private static final int LONGEST = 80;

    /** So near above a place, in millimetres, words in the usual size are its label. */
    private static final double NEAR = 4;

    private final List<PrintedWord> found;

    private Headings(List<PrintedWord> found) {
        this.found = found;
    }

    /** Those of a page on which there are some places. */
    static Headings of(PrintedPage page, List<FormPlace> places) {
        double usual = usual(page.words());
        List<PrintedWord> found = new ArrayList<>();
        for (PrintedWord word : page.words()) {
            boolean isLarge = word.size() >= usual * LARGER;
            int length = word.text().length();
            if ((isLarge || word.isBold())
                    && length >= SHORTEST
                    && length <= LONGEST
                    && !word.text().endsWith(":")
                    && word.text().codePoints().anyMatch(Character::isLetter)
                    && places.stream().noneMatch(place -> isLabel(word.place(), place, isLarge))) {
                found.add(word);
            }
        }
        found.sort(Comparator.comparingDouble(word -> word.place().top()));
        return new Headings(found);
    }

    private static double usual(List<PrintedWord> words) {
        double[] sizes = words.stream().mapToDouble(PrintedWord::size).sorted().toArray();
        return sizes.length == 0 ? 0 : sizes[sizes.length / 2];
    }

    private static boolean isLabel(FormPlace word, FormPlace place, boolean isLarge) {
        double middle = word.top() + word.height() / 2;
        boolean isBeside = middle > place.top() && middle < place.top() + place.height();
        double above = place.top() - word.top() - word.height();
        boolean isAbove = !isLarge && above >= -1 && above < NEAR && Math.abs(place.left() - word.left()) < NEAR;
        return isBeside || isAbove;
    }

    /** The heading that a place stands under; empty for none. */
    String above(FormPlace place) {
        String heading = "";
        for (PrintedWord word : found) {
            if (word.place().top() + word.place().height() <= place.top() + 1) {
                heading = word.text();
            }
        }
        return heading.replaceAll("\\s+", " ").strip();
    }
}
