package loesscape.formats.form;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import loesscape.formats.flat.FlatPage;
import loesscape.formats.flat.ProposedPlace;
import loesscape.formats.form.PdfForm.FormPlace;
import org.apache.pdfbox.pdmodel.PDDocument;

/** What is to be filled in on the pages of a document that need not have fields, each place with what it stands under. */
final class PlacesFound {

    private static final double HUNDREDTHS = 100;

    /** A larger page, in millimetres, is a plan; its picture is not looked at. */
    private static final double LONGEST_SIDE = 500;

    /** So many pages without words are drawn to be looked at; more would take longer than a file may take to come in. */
    private static final int MOST_SCANNED = 60;

    private PlacesFound() {}

    static List<FlatPage> of(PDDocument document, List<PrintedPage> printed) {
        List<FlatPage> pages = new ArrayList<>();
        int scanned = 0;
        for (int i = 0; i < printed.size(); i++) {
            scanned += printed.get(i).letters().isEmpty() ? 1 : 0;
            pages.add(
                    scanned > MOST_SCANNED && printed.get(i).letters().isEmpty()
                            ? FlatPage.EMPTY
                            : looked(document, printed.get(i), i));
        }
        return pages;
    }

    /** A page that cannot be looked at comes in without proposals; a file is not refused for what is only offered. */
    private static FlatPage looked(PDDocument document, PrintedPage printed, int number) {
        try {
            return of(document, printed, number);
        } catch (IOException | RuntimeException unusual) {
            return FlatPage.EMPTY;
        }
    }

    private static FlatPage of(PDDocument document, PrintedPage printed, int number) throws IOException {
        FlatPage page = printed.letters().isEmpty()
                ? scanned(document, number)
                : FlatPage.of(document.getPage(number), printed.letters());
        List<FormPlace> places = page.proposals().stream()
                .map(proposal -> place(proposal, number))
                .toList();
        Headings headings = Headings.of(printed, places);
        List<ProposedPlace> proposals = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            proposals.add(page.proposals().get(i).under(headings.above(places.get(i))));
        }
        return new FlatPage(proposals, page.boxes(), page.across(), page.down());
    }

    private static FlatPage scanned(PDDocument document, int number) throws IOException {
        FlatPage drawn = FlatPage.of(document.getPage(number), List.of());
        boolean isSmall = longest(document, number) <= LONGEST_SIDE;
        return drawn.proposals().isEmpty() && isSmall
                ? FlatPage.ofPicture(SheetFile.picture(document, number, FlatPage.DOTS_PER_INCH))
                : drawn;
    }

    private static double longest(PDDocument document, int number) {
        PdfForm.FormPage seen = PlacedPage.of(document.getPage(number)).seen();
        return Math.max(seen.width(), seen.height());
    }

    private static FormPlace place(ProposedPlace proposal, int page) {
        ProposedPlace.PrintedBox box = proposal.place();
        return new FormPlace(
                page,
                box.left() / HUNDREDTHS,
                box.top() / HUNDREDTHS,
                box.width() / HUNDREDTHS,
                box.height() / HUNDREDTHS);
    }
}
