package loesscape.formats.flat;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * A page with all that is printed on it, and what stands beside what.
 *
 * @param words its words, line by line
 * @param drawn what is drawn on it
 * @param across its lines across, from end to end
 * @param down its lines down
 * @param cells the boxes between its lines
 */
record PageToFill(List<Words> words, DrawnPage drawn, List<Stroke> across, List<Stroke> down, RuledCells cells) {

    /** Runs of underscores, dots and the like, to be written on. */
    static final Pattern LEADER =
            Pattern.compile("(?:_ ?){3,}|(?:\\.\\s?){5,}|…{2,}|(?:…\\s?){3,}|(?:·\\s?){5,}|‗{3,}|(?:-\\s?){12,}");

    /** Squares and circles to be marked: of the usual fonts, of fonts of symbols, and put together of brackets. */
    static final Pattern SQUARE = Pattern.compile(
            "[\\u2610\\u25A1\\u25A2\\u25AB\\u25FB\\u25FD\\u25CB\\u25EF\\u26AA\\u2B1C\\u2B58\\u2751\\u2752\\u274F\\u2750\\uD83D\\uDF8F\\uF06F\\uF0A8\\uF0A3\\uF071\\uF072]|\\[ ?\\s{0,4}\\]|\\( {1,5}\\)|\\[_{1,3}\\]|\\(_{1,3}\\)");

    static PageToFill of(List<Letter> letters, DrawnPage drawn) {
        return of(drawn, Words.of(letters));
    }

    static PageToFill of(DrawnPage drawn, List<Words> words) {
        List<Stroke> across = Stroke.joined(drawn.across());
        List<Stroke> down = Stroke.joined(drawn.down());
        return new PageToFill(List.copyOf(words), drawn, across, down, new RuledCells(across, down));
    }

    /** Whether nothing can be read on it. */
    boolean isUnread() {
        return words.stream().allMatch(each -> each.text().isEmpty());
    }

    /** A label as it is told: in one line, without what is to be written on and what leads to it. */
    static String label(String printed) {
        return LEADER.matcher(SQUARE.matcher(printed).replaceAll(" "))
                .replaceAll(" ")
                .replaceAll("\\s+", " ")
                .replaceAll("[:\\s]+$", "")
                .strip();
    }

    static String label(Words words) {
        return label(words.text());
    }

    /** Whether words say something. */
    static boolean says(String text) {
        return text.codePoints().anyMatch(Character::isLetterOrDigit);
    }

    private Optional<Words> nearest(Predicate<Words> wanted, Comparator<Words> near) {
        return words.stream().filter(wanted).min(near);
    }

    private static boolean isBlank(Words words) {
        return LEADER.matcher(words.text()).find();
    }

    /** What ends before a point on its line. */
    Optional<Words> before(double x, double base) {
        return nearest(
                each -> each.base() > base - 12 && each.base() < base + 4 && each.right() <= x + 3,
                Comparator.comparingDouble(Words::right).reversed());
    }

    /** The same on exactly that line. */
    Optional<Words> beforeOnLine(double x, double base, Words itself) {
        return nearest(
                each -> !each.equals(itself) && Math.abs(each.base() - base) < 3 && each.right() <= x + 2,
                Comparator.comparingDouble(Words::right).reversed());
    }

    Optional<Words> behindOnLine(double x, double base, Words itself) {
        return nearest(
                each -> !each.equals(itself) && Math.abs(each.base() - base) < 2.5 && each.left() >= x - 1,
                Comparator.comparingDouble(Words::left));
    }

    /** A small line of words beneath, as under a signature; empty where there is none. */
    String caption(Area place) {
        return nearest(
                        each -> each.top() > place.bottom() - 3
                                && each.top() - place.bottom() < 13
                                && each.left() < place.right() - 2
                                && each.right() > place.left() + 2
                                && each.width() < place.width() * 1.35 + 20
                                && each.left() > place.left() - 12
                                && !isBlank(each),
                        Comparator.comparingDouble(Words::base))
                .map(PageToFill::label)
                .orElse("");
    }

    /** The words right above; empty where there are none. */
    String above(Area place) {
        return aboveWords(place, 20).map(PageToFill::label).orElse("");
    }

    Optional<Words> aboveWords(Area place, double farthest) {
        return nearest(
                each -> each.bottom() <= place.top() + 3
                        && place.top() - each.bottom() < farthest
                        && each.left() < place.right()
                        && each.right() > place.left()
                        && !isBlank(each),
                Comparator.comparingDouble(Words::base).reversed());
    }

    /** The words whose beginning lies in a box. */
    List<Words> in(Area cell) {
        return words.stream()
                .filter(each -> {
                    double x = each.left() + Math.min(each.width() / 2, 6);
                    return x > cell.left() - 0.5
                            && x < cell.right()
                            && each.middle() > cell.top()
                            && each.middle() < cell.bottom();
                })
                .toList();
    }

    /** What is written in a box, line by line; empty for nothing. */
    String wordsIn(Area cell) {
        return label(in(cell).stream()
                .sorted(Comparator.<Words>comparingLong(each -> Math.round(each.base() / 3))
                        .thenComparingDouble(Words::left))
                .map(Words::text)
                .collect(Collectors.joining(" ")));
    }

    /** Whether nothing stands in a box, neither words nor a picture. */
    boolean isEmpty(Area cell) {
        return in(cell).isEmpty() && pictureFree(cell);
    }

    boolean pictureFree(Area cell) {
        return drawn.pictures().stream()
                .noneMatch(picture -> picture.size() < cell.size() * 4
                        && cell.holds(picture.centre(), picture.middle())
                        && picture.size() > cell.size() * 0.02);
    }

    /** The words that are nearest to a box, before it, above it, in its upper part or beneath it; empty for none near. */
    String nearest(Area box) {
        Words best = null;
        double least = 160;
        for (Words each : words) {
            double cost = says(each.text()) ? cost(each, box) : Double.MAX_VALUE;
            if (cost < least) {
                least = cost;
                best = each;
            }
        }
        return best == null ? "" : label(best);
    }

    private static double cost(Words words, Area box) {
        boolean isOnLine = words.top() < box.bottom()
                && words.bottom() > box.top()
                && (box.height() < 30 || words.middle() < box.top() + 18);
        boolean isOver = words.left() < box.right() && words.right() > box.left();
        if (isOnLine && words.right() <= box.left() + 3) {
            return (box.left() - words.right()) * 0.55 + Math.abs(words.middle() - box.middle()) * 0.3;
        }
        if (isOver && words.bottom() <= box.top() + 3 && box.top() - words.bottom() < 26) {
            return (box.top() - words.bottom()) * 1.2 + Math.abs(words.left() - box.left()) * 0.4 + 4;
        }
        if (isOver && words.top() >= box.bottom() - 3 && words.top() - box.bottom() < 12) {
            return (words.top() - box.bottom()) * 1.5 + 26;
        }
        return Double.MAX_VALUE;
    }
}
