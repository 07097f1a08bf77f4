package loesscape.formats.flat;

import java.util.List;
import loesscape.formats.flat.DrawnPage.Frame;
import loesscape.formats.flat.ProposedPlace.Found;
import loesscape.formats.flat.ProposedPlace.Writing;

/** Boxes without an edge, told by their colour: light ones on white, white ones on a shade. */
final class Shades {

    private static final double NARROWEST = 24;
    private static final double LOWEST = 9;
    private static final double HIGHEST = 160;

    private Shades() {}

    static List<Spot> of(PageToFill page, List<Spot> taken) {
        return page.drawn().frames().stream()
                .filter(Frame::isFilled)
                .filter(frame -> isField(page, frame))
                .map(Frame::area)
                .filter(area -> taken.stream().noneMatch(spot -> spot.area().meets(area)))
                .map(area -> new Spot(
                        Found.SHADE, area.height() > 42 ? Writing.LINES : Writing.LINE, area, page.nearest(area), 0))
                .filter(spot -> !spot.label().isEmpty())
                .toList();
    }

    private static boolean isField(PageToFill page, Frame frame) {
        Area area = frame.area();
        boolean fits = area.width() >= NARROWEST && area.height() >= LOWEST && area.height() <= HIGHEST;
        if (!fits || frame.brightness() < 0.75 || !page.isEmpty(area) || holdsCells(page, area)) {
            return false;
        }
        List<Frame> around = page.drawn().frames().stream()
                .filter(other -> !other.equals(frame)
                        && other.isFilled()
                        && other.area().holds(area, 0.6)
                        && other.area().size() > area.size() * 1.05)
                .toList();
        boolean isOnShade = around.stream().anyMatch(other -> !other.isWhite());
        return frame.isWhite() ? isOnShade : !isOnShade && isAlone(page, frame);
    }

    private static boolean holdsCells(PageToFill page, Area area) {
        return page.cells()
                        .first(cell -> cell.meets(area) && !cell.holds(area, 3))
                        .isPresent()
                || page.cells().first(cell -> area.holds(cell, 1)).isPresent();
    }

    /** A shade that goes from edge to edge, or on which words stand, is a background. */
    private static boolean isAlone(PageToFill page, Frame frame) {
        double left = page.words().stream().mapToDouble(Words::left).min().orElse(0);
        double right = page.words().stream().mapToDouble(Words::right).max().orElse(0);
        Area area = frame.area();
        boolean isBand = area.left() <= left + 1 && area.right() >= right - 1 && area.height() < 14;
        boolean holdsOthers = page.drawn().frames().stream()
                .anyMatch(other ->
                        !other.equals(frame) && other.area().size() < area.size() && area.holds(other.area(), 0.6));
        return !isBand && !holdsOthers;
    }
}
