package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import loesscape.formats.flat.ProposedPlace.Found;
import loesscape.formats.flat.ProposedPlace.Writing;

/** Empty boxes, and boxes with a prompt and room to write beneath it. */
final class TableCells {

    private static final Pattern ROW_NUMBER = Pattern.compile("[0-9.)\\s]+|[A-Za-z][.)]");

    private static final double NARROWEST = 18;
    private static final double LOWEST = 9;
    private static final double HIGHEST = 420;

    /** From so high on, an answer has several lines. */
    private static final double SEVERAL_LINES = 42;

    private final PageToFill page;
    private final List<Spot> taken;
    private final List<Spot> found = new ArrayList<>();

    private TableCells(PageToFill page, List<Spot> taken) {
        this.page = page;
        this.taken = taken;
    }

    /** Those in which nothing was found yet. */
    static List<Spot> of(PageToFill page, List<Spot> taken) {
        TableCells cells = new TableCells(page, taken);
        for (Area cell : page.cells().all()) {
            cells.look(cell);
        }
        return cells.found;
    }

    private void look(Area cell) {
        if (cell.width() < NARROWEST
                || cell.height() < LOWEST
                || cell.height() > HIGHEST
                || isTaken(cell)
                || isAround(cell)) {
            return;
        }
        if (!page.pictureFree(cell) || isDark(cell)) {
            return;
        }
        List<Words> words = page.in(cell);
        if (words.isEmpty()) {
            if (!isCorner(cell)) {
                Writing writing = cell.height() > SEVERAL_LINES ? Writing.LINES : Writing.LINE;
                found.add(new Spot(Found.CELL, writing, cell, label(cell), 0));
            }
        } else {
            prompted(cell, words);
        }
    }

    private boolean isTaken(Area cell) {
        return taken.stream()
                .anyMatch(spot -> cell.holds(spot.area().centre(), spot.area().middle()));
    }

    /** Whether it is only a frame around others. */
    private boolean isAround(Area cell) {
        return page.cells()
                .first(other -> !other.equals(cell) && cell.holds(other, 1))
                .isPresent();
    }

    /** A dark box is not written in. */
    private boolean isDark(Area cell) {
        return page.drawn().frames().stream()
                .anyMatch(frame -> frame.isFilled()
                        && frame.brightness() < 0.55
                        && frame.area().holds(cell.centre(), cell.middle())
                        && frame.area().size() > cell.size() * 0.6);
    }

    /** A small prompt at the top, or a longer one, with room for a line of writing beneath it. */
    private void prompted(Area cell, List<Words> words) {
        double low = words.stream().mapToDouble(Words::bottom).max().orElse(0);
        double size = words.stream().mapToDouble(Words::size).max().orElse(0);
        long lines = words.stream()
                .map(each -> Math.round(each.base() / 3))
                .distinct()
                .count();
        int count = words.stream()
                .mapToInt(each -> each.text().split("\\s+").length)
                .sum();
        double room = cell.bottom() - low;
        boolean isSmall = lines == 1
                && count <= 9
                && size <= 10
                && room >= Math.max(10, size * 1.25)
                && low - cell.top() < cell.height() * 0.62;
        boolean isTall = lines <= 4
                && count <= 45
                && room >= Math.max(13, size * 1.5)
                && low - cell.top() < cell.height() * 0.75;
        if (isSmall || isTall) {
            Writing writing = cell.height() > 55 ? Writing.LINES : Writing.LINE;
            found.add(new Spot(
                    Found.BOX,
                    writing,
                    new Area(cell.left(), low, cell.right(), cell.bottom()),
                    page.wordsIn(cell),
                    0));
        }
    }

    /** The empty corner of a table with headings both ways. */
    private boolean isCorner(Area cell) {
        boolean isFirst = page.cells()
                .first(other -> (Math.abs(other.right() - cell.left()) < 3 && Math.abs(other.top() - cell.top()) < 3)
                        || (Math.abs(other.bottom() - cell.top()) < 3 && Math.abs(other.left() - cell.left()) < 3))
                .isEmpty();
        return isFirst
                && page.cells()
                        .behind(cell)
                        .filter(each -> !page.in(each).isEmpty())
                        .isPresent()
                && page.cells()
                        .below(cell)
                        .filter(each -> !page.in(each).isEmpty())
                        .isPresent();
    }

    /** What stands before it on its line, but for a number, and the heading of its column; else what is near. */
    private String label(Area cell) {
        String before = before(cell);
        boolean isNumber = ROW_NUMBER.matcher(before).matches();
        String heading = heading(cell);
        if (!before.isEmpty() && !isNumber) {
            return heading.isEmpty() || heading.equals(before) ? before : before + ": " + heading;
        }
        if (!heading.isEmpty()) {
            return heading;
        }
        String near = page.nearest(cell);
        return near.isEmpty() ? before : near;
    }

    /** The first words on its line, back to where they stand: what its row is called. */
    private String before(Area cell) {
        Optional<Area> back = page.cells().before(cell);
        for (int i = 0; back.isPresent() && i < 30; i++) {
            String words = page.wordsIn(back.get());
            if (!words.isEmpty()) {
                return i == 0 || !heading(cell).isEmpty() ? words : "";
            }
            back = page.cells().before(back.get());
        }
        return "";
    }

    private String heading(Area cell) {
        Optional<Area> up = page.cells().above(cell);
        for (int i = 0; up.isPresent() && i < 60; i++) {
            String words = page.wordsIn(up.get());
            if (!words.isEmpty()) {
                return words;
            }
            up = page.cells().above(up.get());
        }
        return "";
    }
}
