package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import loesscape.formats.flat.DrawnPage.Frame;
import loesscape.formats.flat.ProposedPlace.Found;

/** Squares and circles to be marked, printed as letters or drawn. */
final class Squares {

    private static final double SMALLEST = 5;
    private static final double LARGEST = 18;

    private final PageToFill page;
    private final List<Spot> taken;
    private final List<Area> marks = new ArrayList<>();

    private Squares(PageToFill page, List<Spot> taken) {
        this.page = page;
        this.taken = taken;
    }

    static List<Spot> of(PageToFill page, List<Spot> taken) {
        Squares squares = new Squares(page, taken);
        squares.letters();
        squares.frames();
        squares.smallCells();
        squares.marks.sort(Comparator.<Area>comparingLong(mark -> Math.round(mark.middle() / 6))
                .thenComparingDouble(Area::left));
        return squares.marks.stream()
                .map(mark -> Spot.mark(Found.SQUARE, mark, squares.label(mark)))
                .toList();
    }

    private void letters() {
        for (Words words : page.words()) {
            Matcher square = PageToFill.SQUARE.matcher(words.text());
            while (square.find()) {
                Letter first = words.at(square.start());
                Letter last = words.at(square.end() - 1);
                double top = first.base() - first.size() * 0.8;
                marks.add(new Area(first.left(), top, last.right(), top + first.size()));
            }
        }
    }

    private void frames() {
        for (Frame frame : page.drawn().frames()) {
            Area area = frame.area();
            boolean isSquare = area.width() >= SMALLEST
                    && area.width() <= LARGEST
                    && area.height() >= SMALLEST
                    && area.height() <= LARGEST
                    && Math.abs(area.width() - area.height()) <= 3.5;
            // What is filled and dark is the bullet of a list; what is filled and white lies behind something.
            boolean isHollow = !frame.isFilled() || (frame.isWhite() && isOnShade(area) && !isFramed(area));
            if (isSquare && isHollow && isFree(area)) {
                marks.add(area);
            }
        }
    }

    private boolean isOnShade(Area area) {
        return page.drawn().frames().stream()
                .anyMatch(other -> other.isFilled()
                        && !other.isWhite()
                        && other.area().size() > area.size() * 1.02
                        && other.area().holds(area, 0.6));
    }

    /** A white shape that a frame is drawn around is not another one. */
    private boolean isFramed(Area area) {
        return page.drawn().frames().stream()
                .anyMatch(other -> !other.isFilled()
                        && other.area().holds(area, 2)
                        && other.area().width() < LARGEST + 4);
    }

    /** Squares that are drawn as four lines. */
    private void smallCells() {
        for (Area cell : page.cells().all()) {
            boolean isSmall = cell.width() >= 6 && cell.width() < LARGEST && cell.height() > 6 && cell.height() < 26;
            if (isSmall && isFree(cell) && page.in(cell).isEmpty() && !isInRow(cell)) {
                boolean hasWords = page.words().stream()
                        .anyMatch(words -> words.top() < cell.middle() + 3
                                && words.bottom() > cell.middle() - 3
                                && words.left() >= cell.right() - 1
                                && words.left() - cell.right() < 24);
                if (hasWords) {
                    marks.add(cell);
                }
            }
        }
    }

    /** Whether another of its size stands beside a box: then it is one of boxes for letters. */
    private boolean isInRow(Area cell) {
        return page.cells()
                .first(other -> !other.equals(cell)
                        && Math.abs(other.top() - cell.top()) < 2
                        && Math.abs(other.width() - cell.width()) < 2
                        && (Math.abs(other.left() - cell.right()) < 4 || Math.abs(cell.left() - other.right()) < 4))
                .isPresent();
    }

    /** Whether nothing is written there, and it was not found before. */
    private boolean isFree(Area area) {
        boolean isTaken = taken.stream().anyMatch(spot -> spot.area().holds(area.centre(), area.middle()))
                || marks.stream()
                        .anyMatch(mark ->
                                mark.holds(area.centre(), area.middle()) || area.holds(mark.centre(), mark.middle()));
        boolean isWritten = page.words().stream()
                .flatMap(words -> words.letters().stream())
                .anyMatch(letter -> !letter.isBlank()
                        && letter.centre() > area.left()
                        && letter.centre() < area.right()
                        && letter.base() > area.top()
                        && letter.base() - letter.size() * 0.35 < area.bottom()
                        && !PageToFill.SQUARE.matcher(letter.text()).matches());
        return !isTaken && !isWritten;
    }

    private String label(Area mark) {
        String label = isLed(mark) ? before(mark) : behind(mark);
        if (label.isEmpty()) {
            label = headingOf(mark);
        }
        if (label.isEmpty()) {
            label = before(mark);
        }
        return label.isEmpty() ? columnOf(mark) : label;
    }

    /** Whether the words of a line stand before its squares: it begins with words right before one, and ends with one. */
    private boolean isLed(Area mark) {
        List<Area> onLine = marks.stream()
                .filter(each -> Math.abs(each.middle() - mark.middle()) < 4)
                .toList();
        Area last = onLine.stream().max(Comparator.comparingDouble(Area::left)).orElse(mark);
        return onLine.size() > 1
                && behind(last).isEmpty()
                && onLine.stream().allMatch(each -> !before(each).isEmpty() && gapBefore(each) < 8);
    }

    private List<Letter> onLine(Area mark) {
        return page.words().stream()
                .filter(words -> words.top() < mark.middle() + 2 && words.bottom() > mark.middle() - 2)
                .flatMap(words -> words.letters().stream())
                .sorted(Comparator.comparingDouble(Letter::left))
                .toList();
    }

    /** The words behind a mark, up to the next one. */
    private String behind(Area mark) {
        StringBuilder label = new StringBuilder();
        double last = mark.right();
        for (Letter letter : onLine(mark)) {
            if (letter.left() < mark.right() - 1.5) {
                continue;
            }
            double gap = letter.left() - last;
            if (gap > (label.isEmpty() ? 26 : Math.max(letter.size() * 1.3, 9)) || isParted(last, letter, mark)) {
                break;
            }
            label.append(letter.text());
            last = letter.right();
        }
        return PageToFill.label(label.toString());
    }

    private boolean isParted(double from, Letter letter, Area mark) {
        double to = letter.left();
        return marks.stream()
                        .anyMatch(other -> !other.equals(mark)
                                && Math.abs(other.middle() - mark.middle()) < 5
                                && other.left() >= from - 1
                                && other.left() <= to + 1
                                && other.left() > mark.left() + 3)
                || page.down().stream()
                        .anyMatch(line -> line.at() > from + 1.5
                                && line.at() < to + 1
                                && line.from() < mark.middle()
                                && line.to() > mark.middle());
    }

    private double gapBefore(Area mark) {
        return onLine(mark).stream()
                .filter(letter -> !letter.isBlank() && letter.right() <= mark.left() + 1.5)
                .mapToDouble(letter -> mark.left() - letter.right())
                .min()
                .orElse(Double.MAX_VALUE);
    }

    /** The words before a mark, back to the one before. */
    private String before(Area mark) {
        StringBuilder label = new StringBuilder();
        double last = mark.left();
        for (Letter letter : onLine(mark).reversed()) {
            if (letter.right() > mark.left() + 1.5) {
                continue;
            }
            boolean isParted = marks.stream()
                    .anyMatch(other -> !other.equals(mark)
                            && Math.abs(other.middle() - mark.middle()) < 5
                            && other.holds(letter.centre(), other.middle()));
            double gap = last - letter.right();
            if (isParted
                    || gap > (label.isEmpty() ? 26 : Math.max(letter.size() * 1.3, 9))
                    || crosses(letter.right(), last, mark)) {
                break;
            }
            label.insert(0, letter.text());
            last = letter.left();
        }
        return PageToFill.label(label.toString());
    }

    private boolean crosses(double from, double to, Area mark) {
        return page.down().stream()
                .anyMatch(line -> line.at() > from - 1
                        && line.at() < to - 1.5
                        && line.from() < mark.middle()
                        && line.to() > mark.middle());
    }

    /** In a box of a table: what stands above it. */
    private String headingOf(Area mark) {
        Optional<Area> cell = page.cells()
                .around(mark.centre(), mark.middle())
                .filter(each -> each.width() > mark.width() + 2 || each.height() > mark.height() + 2);
        for (int i = 0; cell.isPresent() && i < 80; i++) {
            cell = page.cells().above(cell.get());
            String words = cell.map(page::wordsIn).orElse("");
            if (!words.isEmpty()) {
                return words;
            }
        }
        return "";
    }

    /** In a column without lines: the words far above it. */
    private String columnOf(Area mark) {
        return page.words().stream()
                .filter(words -> words.bottom() < mark.top()
                        && words.left() < mark.right() + 6
                        && words.right() > mark.left() - 6
                        && mark.top() - words.bottom() < 140
                        && words.width() < 160)
                .max(Comparator.comparingDouble(Words::base))
                .map(PageToFill::label)
                .orElse("");
    }
}
