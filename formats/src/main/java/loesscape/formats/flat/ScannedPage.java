package loesscape.formats.flat;

import java.awt.image.BufferedImage;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Finds lines and dark spots in the picture of a page: what is needed where its words cannot be read. */
final class ScannedPage {

    /** How fine a page is looked at. */
    static final int DOTS_PER_INCH = 150;

    private static final double DOTS = DOTS_PER_INCH / 72.0;
    private static final int DARK = 150;

    /** Shorter ones are strokes of letters. */
    private static final int SHORTEST = (int) (6.5 * DOTS);

    private static final int THICKEST = (int) (2.6 * DOTS);

    /** What a scanner leaves out of a line. */
    private static final int GAP = 2;

    private static final int MOST = 8_000;

    /** Paper that lies more askew than two degrees is scanned anew. */
    private static final double STEEPEST = 0.035;

    private static final int STEPS = 70;

    /** The grid by which spots are put together: letters of a word touch in it. */
    private static final int ACROSS = (int) (2.5 * DOTS);

    private static final int HIGH = (int) (0.8 * DOTS);

    private final int width;
    private final int height;
    private final boolean[] dark;
    private final boolean[] ofLine;

    private ScannedPage(BufferedImage picture) {
        width = picture.getWidth();
        height = picture.getHeight();
        dark = new boolean[width * height];
        ofLine = new boolean[width * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int rgb = picture.getRGB(x, y);
                int grey = (30 * (rgb >> 16 & 255) + 59 * (rgb >> 8 & 255) + 11 * (rgb & 255)) / 100;
                dark[y * width + x] = grey < DARK;
            }
        }
    }

    /**
     * A page made level.
     *
     * @param slope how much lower it lay for each point to the right
     */
    record Level(PageToFill page, double slope) {}

    static Level of(BufferedImage picture) {
        ScannedPage page = new ScannedPage(picture);
        List<Stroke> across = page.lines(true);
        List<Stroke> down = page.lines(false);
        double slope = slope(across, down);
        PageToFill level = PageToFill.of(
                new DrawnPage(level(across, slope), level(down, -slope), List.of(), List.of()),
                page.spots().stream()
                        .map(spot -> Words.unread(level(spot, slope)))
                        .toList());
        return new Level(level, slope);
    }

    /** How askew the paper lay: with the right slope the pieces of each line fall together. */
    private static double slope(List<Stroke> across, List<Stroke> down) {
        double best = 0;
        double most = 0;
        for (int i = -STEPS; i <= STEPS; i++) {
            double slope = STEEPEST * i / STEPS;
            double together = together(across, slope) + together(down, -slope);
            if (together > most * 1.001) {
                best = slope;
                most = together;
            }
        }
        return best;
    }

    private static double together(List<Stroke> strokes, double slope) {
        Map<Long, Double> lines = new HashMap<>();
        for (Stroke stroke : strokes) {
            lines.merge(Math.round(level(stroke, slope).at() * 2), stroke.length(), Double::sum);
        }
        return lines.values().stream().mapToDouble(each -> each * each).sum();
    }

    private static Stroke level(Stroke stroke, double slope) {
        return new Stroke(stroke.at() - slope * (stroke.from() + stroke.to()) / 2, stroke.from(), stroke.to());
    }

    private static List<Stroke> level(List<Stroke> strokes, double slope) {
        return Stroke.joined(
                strokes.stream().map(stroke -> level(stroke, slope)).toList());
    }

    private static Area level(Area spot, double slope) {
        double down = slope * spot.centre();
        return new Area(spot.left(), spot.top() - down, spot.right(), spot.bottom() - down);
    }

    private boolean isDark(boolean across, int line, int along) {
        int x = across ? along : line;
        int y = across ? line : along;
        return x >= 0 && y >= 0 && x < width && y < height && dark[y * width + x];
    }

    private List<Stroke> lines(boolean across) {
        List<Stroke> lines = new ArrayList<>();
        int rows = across ? height : width;
        int length = across ? width : height;
        for (int line = 0; line < rows && lines.size() < MOST; line++) {
            int from = -1;
            int last = -1;
            for (int along = 0; along <= length; along++) {
                boolean here = along < length && isDark(across, line, along);
                if (here) {
                    from = from < 0 ? along : from;
                    last = along;
                } else if (from >= 0 && (along - last > GAP || along == length)) {
                    if (last - from >= SHORTEST && isThin(across, line, from, last)) {
                        lines.add(new Stroke(line / DOTS, from / DOTS, (last + 1) / DOTS));
                        keep(across, line, from, last);
                    }
                    from = -1;
                }
            }
        }
        return lines;
    }

    /** Whether it is light on both sides of a line: otherwise it goes through something dark. */
    private boolean isThin(boolean across, int line, int from, int last) {
        int light = 0;
        int looked = 0;
        for (int along = from + 2; along < last - 1; along += 3) {
            int beside = 0;
            for (int away = -THICKEST; away <= THICKEST; away++) {
                beside += isDark(across, line + away, along) ? 1 : 0;
            }
            light += beside <= THICKEST ? 1 : 0;
            looked++;
        }
        return light * 10 >= looked * 7;
    }

    private void keep(boolean across, int line, int from, int last) {
        for (int along = from; along <= last; along++) {
            for (int away = -2; away <= 2; away++) {
                int x = across ? along : line + away;
                int y = across ? line + away : along;
                if (x >= 0 && y >= 0 && x < width && y < height) {
                    ofLine[y * width + x] = true;
                }
            }
        }
    }

    /** What is dark and no line, as boxes around what touches. */
    private List<Area> spots() {
        int columns = width / ACROSS + 1;
        int rows = height / HIGH + 1;
        boolean[] ink = new boolean[columns * rows];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                if (dark[y * width + x] && !ofLine[y * width + x]) {
                    ink[y / HIGH * columns + x / ACROSS] = true;
                }
            }
        }
        List<Area> spots = new ArrayList<>();
        for (int i = 0; i < ink.length && spots.size() < MOST; i++) {
            if (ink[i]) {
                Area spot = spot(ink, columns, rows, i);
                if (spot.height() >= 3 && spot.width() >= 2) {
                    spots.add(spot);
                }
            }
        }
        return spots;
    }

    private static Area spot(boolean[] ink, int columns, int rows, int first) {
        int left = columns;
        int right = 0;
        int top = rows;
        int bottom = 0;
        Deque<Integer> next = new ArrayDeque<>(List.of(first));
        ink[first] = false;
        while (!next.isEmpty()) {
            int at = next.pop();
            int x = at % columns;
            int y = at / columns;
            left = Math.min(left, x);
            right = Math.max(right, x);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y);
            for (int dy = -1; dy <= 1; dy++) {
                for (int dx = -1; dx <= 1; dx++) {
                    int beside = (y + dy) * columns + x + dx;
                    if (x + dx >= 0 && x + dx < columns && y + dy >= 0 && y + dy < rows && ink[beside]) {
                        ink[beside] = false;
                        next.push(beside);
                    }
                }
            }
        }
        return new Area(
                left * ACROSS / DOTS, top * HIGH / DOTS, (right + 1) * ACROSS / DOTS, (bottom + 1) * HIGH / DOTS);
    }
}
