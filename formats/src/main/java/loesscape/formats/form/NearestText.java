package loesscape.formats.form;

import java.util.List;
import loesscape.formats.form.PdfForm.FormPlace;
import loesscape.formats.form.PrintedPage.PrintedWord;

/** Finds what is printed beside a place: before it on its line, else above it; behind it where it is a small square. */
final class NearestText {

    private static final double LARGEST_SQUARE = 8;
    private static final double FARTHEST_BEFORE = 90;
    private static final double FARTHEST_BEHIND = 60;
    private static final double FARTHEST_ABOVE = 9;
    private static final int LONGEST = 200;

    private final List<PrintedPage> pages;

    NearestText(List<PrintedPage> pages) {
        this.pages = pages;
    }

    /** The words beside a place; empty where there are none. */
    String of(FormPlace place) {
        boolean isSquare = place.width() <= LARGEST_SQUARE && place.height() <= LARGEST_SQUARE;
        String found = isSquare ? first(behind(place), before(place)) : first(before(place), above(place));
        String label =
                found.replaceAll("[\\s_.…:]+$", "").replaceAll("\\s+", " ").strip();
        return label.length() > LONGEST ? label.substring(0, LONGEST) : label;
    }

    private static String first(String one, String other) {
        return one.isEmpty() ? other : one;
    }

    private List<PrintedWord> words(FormPlace place) {
        return pages.get(place.page()).words();
    }

    private static double middle(FormPlace place) {
        return place.top() + place.height() / 2;
    }

    private static boolean isOnLine(FormPlace word, FormPlace place) {
        double middle = middle(word);
        return middle > place.top() - 1.5 && middle < place.top() + place.height() + 1.5;
    }

    private String before(FormPlace place) {
        return words(place).stream()
                .filter(word -> isOnLine(word.place(), place))
                .filter(word -> word.place().left() + word.place().width() <= place.left() + 2)
                .filter(word ->
                        place.left() - word.place().left() - word.place().width() < FARTHEST_BEFORE)
                .reduce((one, other) -> end(one) > end(other) ? one : other)
                .map(PrintedWord::text)
                .orElse("");
    }

    private static double end(PrintedWord word) {
        return word.place().left() + word.place().width();
    }

    private String behind(FormPlace place) {
        double right = place.left() + place.width();
        return words(place).stream()
                .filter(word -> isOnLine(word.place(), place))
                .filter(word -> word.place().left() >= right - 1 && word.place().left() - right < FARTHEST_BEHIND)
                .reduce((one, other) -> one.place().left() < other.place().left() ? one : other)
                .map(PrintedWord::text)
                .orElse("");
    }

    private String above(FormPlace place) {
        return words(place).stream()
                .filter(word -> word.place().top() + word.place().height() <= place.top() + 2)
                .filter(word -> place.top() - word.place().top() - word.place().height() < FARTHEST_ABOVE)
                .filter(word -> word.place().left() < place.left() + place.width()
                        && word.place().left() + word.place().width() > place.left())
                .reduce((one, other) -> one.place().top() > other.place().top() ? one : other)
                .map(PrintedWord::text)
                .orElse("");
    }
}
