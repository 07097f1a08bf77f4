package loesscape.core.model;

import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.regex.Pattern;

/** Checks pages of PDF files, and what stands where on them. */
final class PlaceCheck {

    private static final Pattern FILE = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,99}");
    private static final int LAST_PAGE = 9_999;

    private final Map<String, Node> nodes;
    private final TextBounds texts;
    private final BiConsumer<String, String> report;

    /** @param nodes of the template, by key */
    PlaceCheck(Map<String, Node> nodes, TextBounds texts, BiConsumer<String, String> report) {
        this.nodes = nodes;
        this.texts = texts;
        this.report = report;
    }

    void check(String path, Page page) {
        SheetPage sheet = page.sheet();
        if (sheet == null) {
            if (!page.places().isEmpty()) {
                report.accept(path + "/places", "Only a page of a PDF has places; this page is set from its items.");
            }
            return;
        }
        if (!FILE.matcher(sheet.file()).matches()) {
            report.accept(path + "/sheet/file", "This is no name of a file beside a template.");
        }
        if (sheet.number() < 0 || sheet.number() > LAST_PAGE) {
            report.accept(path + "/sheet/number", "Pages are counted from 0 to %d.".formatted(LAST_PAGE));
        }
        if (!isSide(sheet.width()) || !isSide(sheet.height())) {
            report.accept(
                    path + "/sheet",
                    "A page is 1 to %d hundredths of a millimetre wide and high.".formatted(SheetPage.LONGEST_SIDE));
        }
        texts.paragraph(path + "/sheet/script", sheet.script());
        List<Place> places = page.places();
        if (places.size() > Place.MOST) {
            report.accept(path + "/places", "A page has at most %d places.".formatted(Place.MOST));
            return;
        }
        for (int i = 0; i < places.size(); i++) {
            place(path + "/places/" + i, places.get(i), sheet);
        }
    }

    private static boolean isSide(int side) {
        return side > 0 && side <= SheetPage.LONGEST_SIDE;
    }

    private void place(String path, Place place, SheetPage sheet) {
        Node node = nodes.get(place.item());
        if (node == null || node instanceof Page || node instanceof Section || node instanceof Divider) {
            report.accept(
                    path + "/item",
                    "Nothing called “%s” can stand at a place.".formatted(TextBounds.shortened(place.item())));
        } else if (!place.choice().isEmpty() && !(node instanceof Field field && field.hasChoice(place.choice()))) {
            report.accept(
                    path + "/choice",
                    "“%s” has no choice “%s” to be marked."
                            .formatted(node.name(), TextBounds.shortened(place.choice())));
        }
        if (place.row() < 0 || place.row() >= Section.Rows.MOST) {
            report.accept(path + "/row", "Rows are counted from 0 to %d.".formatted(Section.Rows.MOST - 1));
        }
        boolean isLarge = place.width() >= Place.SHORTEST_SIDE && place.height() >= Place.SHORTEST_SIDE;
        boolean isOnPage = place.left() >= 0
                && place.top() >= 0
                && (long) place.left() + place.width() <= sheet.width()
                && (long) place.top() + place.height() <= sheet.height();
        if (!isLarge || !isOnPage) {
            report.accept(path, "The place does not lie on its page, or is less than half a millimetre wide or high.");
        }
        lettering(path + "/lettering", place.lettering());
        texts.line(path + "/source", place.source());
        texts.paragraph(path + "/script", place.script());
    }

    private void lettering(String path, Lettering lettering) {
        int size = lettering.size();
        if (size != 0 && (size < Lettering.SMALLEST || size > Lettering.LARGEST)) {
            report.accept(path + "/size", "Letters are 4 to 72 points high, or 0 for as large as fits.");
        }
        if (lettering.cells() < 0 || lettering.cells() > Lettering.MOST_CELLS) {
            report.accept(path + "/cells", "A place has 0 to %d cells.".formatted(Lettering.MOST_CELLS));
        }
    }
}
