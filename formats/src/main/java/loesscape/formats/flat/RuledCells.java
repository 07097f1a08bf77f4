package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** The smallest rectangles between the lines of a page. */
final class RuledCells {

    /** How far a line may lie from where it is looked for, and end before it. */
    private static final double BESIDE = 1.6;

    private static final double SHORT_OF = 2.5;

    private static final double NARROWEST = 4;
    private static final double LOWEST = 6;

    /** Neighbours need not touch: tables of boxes leave a little between. */
    private static final double NEIGHBOUR = 3;

    private static final int MOST = 4_000;

    private final List<Area> all = new ArrayList<>();

    RuledCells(List<Stroke> across, List<Stroke> down) {
        Lines rows = new Lines(across);
        Lines columns = new Lines(down);
        for (int top = 0; top + 1 < rows.at.length; top++) {
            for (int left = 0; left + 1 < columns.at.length && all.size() < MOST; left++) {
                find(rows, columns, top, left);
            }
        }
    }

    /** Where lines lie, and which do at each. */
    private static final class Lines {

        private final double[] at;
        private final List<List<Stroke>> strokes = new ArrayList<>();

        Lines(List<Stroke> strokes) {
            at = Stroke.distinct(strokes.stream().map(Stroke::at).toList());
            List<Stroke> sorted = new ArrayList<>(strokes);
            sorted.sort(Comparator.comparingDouble(Stroke::at));
            for (double each : at) {
                this.strokes.add(sorted.stream()
                        .filter(stroke -> Math.abs(stroke.at() - each) < BESIDE)
                        .toList());
            }
        }

        boolean cover(int line, double from, double to) {
            return strokes.get(line).stream().anyMatch(stroke -> stroke.covers(from, to, SHORT_OF));
        }
    }

    /** The smallest one with its upper left corner where two lines meet. */
    private void find(Lines rows, Lines columns, int top, int left) {
        double y = rows.at[top];
        double x = columns.at[left];
        if (!rows.cover(top, x, x + 3) || !columns.cover(left, y, y + 3)) {
            return;
        }
        for (int bottom = top + 1; bottom < rows.at.length && columns.cover(left, y, rows.at[bottom]); bottom++) {
            double low = rows.at[bottom];
            for (int right = left + 1; right < columns.at.length && rows.cover(top, x, columns.at[right]); right++) {
                double end = columns.at[right];
                if (columns.cover(right, y, low) && rows.cover(bottom, x, end)) {
                    if (end - x > NARROWEST && low - y > LOWEST) {
                        all.add(new Area(x, y, end, low));
                    }
                    return;
                }
            }
        }
    }

    List<Area> all() {
        return List.copyOf(all);
    }

    /** The one that ends where another begins, on its line. */
    Optional<Area> before(Area cell) {
        return first(other -> Math.abs(other.right() - cell.left()) < NEIGHBOUR
                && other.top() < cell.middle()
                && other.bottom() > cell.middle());
    }

    /** The one above another, as wide as it. */
    Optional<Area> above(Area cell) {
        return first(other -> Math.abs(other.bottom() - cell.top()) < NEIGHBOUR
                && Math.abs(other.left() - cell.left()) < NEIGHBOUR
                && Math.abs(other.right() - cell.right()) < NEIGHBOUR);
    }

    /** The one that begins where another ends, at the same height. */
    Optional<Area> behind(Area cell) {
        return first(other ->
                Math.abs(other.left() - cell.right()) < NEIGHBOUR && Math.abs(other.top() - cell.top()) < NEIGHBOUR);
    }

    Optional<Area> below(Area cell) {
        return first(other ->
                Math.abs(other.top() - cell.bottom()) < NEIGHBOUR && Math.abs(other.left() - cell.left()) < NEIGHBOUR);
    }

    /** The smallest one around a point. */
    Optional<Area> around(double x, double y) {
        return all.stream().filter(cell -> cell.holds(x, y)).min(Comparator.comparingDouble(Area::size));
    }

    Optional<Area> first(Predicate<Area> wanted) {
        return all.stream().filter(wanted).findFirst();
    }
}
