package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import loesscape.formats.flat.ProposedPlace.Found;
import loesscape.formats.flat.ProposedPlace.Writing;

/** Boxes for one letter each: beside each other, or parted by short strokes on a line. */
final class Combs {

    private static final int FEWEST = 4;

    private final PageToFill page;
    private final List<Spot> found = new ArrayList<>();

    private Combs(PageToFill page) {
        this.page = page;
    }

    static List<Spot> of(PageToFill page) {
        Combs combs = new Combs(page);
        combs.boxes();
        combs.strokes();
        return combs.found;
    }

    private static boolean follows(Area first, Area last, Area next) {
        double gap = next.left() - last.right();
        return Math.abs(next.top() - first.top()) < 1.5
                && gap > -1
                && gap < Math.max(3, first.width() * 0.45)
                && Math.abs(next.width() - first.width()) < 2.2;
    }

    private void boxes() {
        List<Area> small = new ArrayList<>(page.cells().all().stream()
                .filter(cell -> cell.width() < 30 && cell.width() > 7 && cell.height() < 34 && page.isEmpty(cell))
                .toList());
        small.sort(
                Comparator.<Area>comparingLong(cell -> Math.round(cell.top())).thenComparingDouble(Area::left));
        for (int i = 0; i < small.size(); ) {
            int end = i + 1;
            while (end < small.size() && follows(small.get(i), small.get(end - 1), small.get(end))) {
                end++;
            }
            if (end - i >= FEWEST) {
                Area first = small.get(i);
                add(new Area(first.left(), first.top(), small.get(end - 1).right(), first.bottom()), end - i);
            }
            i = end;
        }
    }

    private void add(Area area, int cells) {
        String label = page.before(area.left(), area.middle() + 6)
                .filter(words -> area.left() - words.right() < 90)
                .map(words -> PageToFill.label(words.tail(List.of())))
                .filter(PageToFill::says)
                .orElseGet(() -> page.above(area));
        found.add(new Spot(Found.COMB, Writing.CELLS, area, label, cells));
    }

    /** Short strokes that stand on a line, equally far apart. */
    private void strokes() {
        for (Stroke line : page.across()) {
            List<Double> teeth = page.drawn().down().stream()
                    .filter(tooth -> Math.abs(tooth.to() - line.at()) < 2.5
                            && tooth.length() >= 3
                            && tooth.length() < 30
                            && tooth.at() > line.from() - 2
                            && tooth.at() < line.to() + 2)
                    .map(Stroke::at)
                    .toList();
            double[] at = Stroke.distinct(teeth);
            for (int i = 0; i + 1 < at.length; ) {
                double step = at[i + 1] - at[i];
                int end = i + 1;
                while (end + 1 < at.length && Math.abs(at[end + 1] - at[end] - step) < 2) {
                    end++;
                }
                if (end - i >= FEWEST && step > 7 && step < 26) {
                    addOnLine(new Area(at[i], line.at() - 16, at[end], line.at()), end - i);
                }
                i = end;
            }
        }
    }

    private void addOnLine(Area area, int cells) {
        boolean isKnown = found.stream()
                .anyMatch(
                        spot -> spot.area().meets(area) && Math.abs(spot.area().bottom() - area.bottom()) < 6);
        if (!isKnown) {
            String above = page.above(new Area(area.left(), area.bottom() - 10, area.right(), area.bottom()));
            String label = above.isEmpty()
                    ? page.before(area.left(), area.bottom())
                            .filter(words -> area.left() - words.right() < 90)
                            .map(PageToFill::label)
                            .orElse("")
                    : above;
            found.add(new Spot(Found.COMB, Writing.CELLS, area, label, cells));
        }
    }
}
