package loesscape.formats.flat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import loesscape.formats.flat.MarkGroups.Group;
import loesscape.formats.flat.ProposedPlace.PrintedBox;
import loesscape.formats.flat.ProposedPlace.ProposedMark;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * What a printed page offers to whoever puts places on it; in hundredths of a millimetre from its upper left corner as it
 * is seen.
 *
 * @param proposals where it looks as if it were to be filled in, in reading order
 * @param boxes the smallest boxes between its lines, from the smallest
 * @param across how far from the top its lines across lie
 * @param down how far from the left its lines down lie
 */
public record FlatPage(
        List<ProposedPlace> proposals, List<PrintedBox> boxes, List<Integer> across, List<Integer> down) {

    /** A page on which nothing is found. */
    public static final FlatPage EMPTY = new FlatPage(List.of(), List.of(), List.of(), List.of());

    private static final double HUNDREDTHS_OF_A_POINT = 2540.0 / 72;
    private static final int LONGEST_LABEL = 200;

    public FlatPage {
        proposals = List.copyOf(proposals);
        boxes = List.copyOf(boxes);
        across = List.copyOf(across);
        down = List.copyOf(down);
    }

    /**
     * Looks at a page.
     *
     * @param letters what is printed on it
     * @return {@link #EMPTY} where it draws more than could be told apart
     */
    public static FlatPage of(PDPage page, List<Letter> letters) throws IOException {
        try {
            return of(PageToFill.of(letters, DrawnPage.of(page)), 0);
        } catch (DrawnPage.TooMuch tooMuch) {
            return EMPTY;
        }
    }

    /** Looks at the picture of a page whose words cannot be read; what is found has no labels. */
    public static FlatPage ofPicture(BufferedImage picture) {
        ScannedPage.Level level = ScannedPage.of(picture);
        return of(level.page(), level.slope());
    }

    /** How fine the picture of a page should be to be looked at, in dots per inch. */
    public static final int DOTS_PER_INCH = ScannedPage.DOTS_PER_INCH;

    /** Of a page that was made level, told where it lies. */
    private static FlatPage of(PageToFill page, double slope) {
        List<ProposedPlace> proposals = new ArrayList<>();
        List<Spot> spots = spots(page);
        List<Group> groups =
                MarkGroups.of(page, spots.stream().filter(Spot::isMark).toList());
        List<Found> all = new ArrayList<>();
        spots.stream()
                .filter(spot -> !spot.isMark())
                .forEach(spot -> all.add(new Found(spot.area(), spot, new Group("", List.of(), false))));
        groups.forEach(group -> all.add(new Found(around(group), group.marks().getFirst(), group)));
        all.sort(Comparator.<Found>comparingLong(each -> Math.round(each.area.top() / 6))
                .thenComparingDouble(each -> each.area.left()));
        for (Found each : all) {
            proposals.add(each.proposed(proposals.size(), slope));
        }
        return new FlatPage(
                proposals,
                page.cells().all().stream()
                        .sorted(Comparator.comparingDouble(Area::size))
                        .map(cell -> box(cell, slope))
                        .toList(),
                places(page.across(), Stroke::at),
                places(page.down(), Stroke::at));
    }

    private record Found(Area area, Spot spot, Group group) {

        ProposedPlace proposed(int number, double slope) {
            boolean isQuestion = !group.question().isEmpty();
            return new ProposedPlace(
                    number,
                    spot.found(),
                    spot.writing(),
                    told(isQuestion ? group.question() : spot.label()),
                    "",
                    box(area, slope),
                    group.marks().stream()
                            .map(mark -> new ProposedMark(told(mark.label()), box(mark.area(), slope)))
                            .toList(),
                    group.isOne(),
                    spot.cells());
        }
    }

    /** Everything that is found, each way of looking leaving alone what those before it found. */
    static List<Spot> spots(PageToFill page) {
        List<Spot> spots = new ArrayList<>(Combs.of(page));
        spots.addAll(Squares.of(page, List.copyOf(spots)));
        spots.addAll(Leaders.of(page, List.copyOf(spots)));
        spots.addAll(TableCells.of(page, List.copyOf(spots)));
        spots.addAll(Shades.of(page, List.copyOf(spots)));
        spots.addAll(RuledLines.of(page, List.copyOf(spots)));
        return spots;
    }

    private static Area around(Group group) {
        ToDoubleFunction<Spot> left = spot -> spot.area().left();
        return new Area(
                group.marks().stream().mapToDouble(left).min().orElse(0),
                group.marks().stream()
                        .mapToDouble(spot -> spot.area().top())
                        .min()
                        .orElse(0),
                group.marks().stream()
                        .mapToDouble(spot -> spot.area().right())
                        .max()
                        .orElse(0),
                group.marks().stream()
                        .mapToDouble(spot -> spot.area().bottom())
                        .max()
                        .orElse(0));
    }

    private static String told(String label) {
        String line = label.replaceAll("[\\p{Cntrl}\\uFFFC\\p{Co}]", " ")
                .replaceAll("\\s+", " ")
                .strip();
        if (line.length() <= LONGEST_LABEL) {
            return line;
        }
        return line.substring(
                0, Character.isHighSurrogate(line.charAt(LONGEST_LABEL - 1)) ? LONGEST_LABEL - 1 : LONGEST_LABEL);
    }

    private static int hundredths(double points) {
        return (int) Math.round(points * HUNDREDTHS_OF_A_POINT);
    }

    private static PrintedBox box(Area area, double slope) {
        int left = hundredths(area.left());
        int top = hundredths(area.top() + slope * area.centre());
        return new PrintedBox(left, top, hundredths(area.width()), hundredths(area.height()));
    }

    private static List<Integer> places(List<Stroke> strokes, ToDoubleFunction<Stroke> at) {
        return strokes.stream()
                .filter(stroke -> stroke.length() > 12)
                .map(stroke -> hundredths(at.applyAsDouble(stroke)))
                .distinct()
                .sorted()
                .toList();
    }
}
