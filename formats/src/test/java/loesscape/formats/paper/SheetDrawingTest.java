package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javax.imageio.ImageIO;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.FilledPage;
import loesscape.core.evaluation.FilledPage.Ink;
import loesscape.core.model.Lettering;
import loesscape.core.model.Lettering.Alignment;
import loesscape.core.model.Lettering.Tick;
import loesscape.core.model.Look;
import loesscape.core.model.Overlay.OverlayShape;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Place;
import loesscape.core.model.SheetPage;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.seal.Authority;
import loesscape.formats.seal.Seal;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripperByArea;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Pages of a PDF, filled in. */
class SheetDrawingTest {

    private static final SheetPage A4 = new SheetPage("blank.pdf", 0, 21_000, 29_700, "");
    private static final Instant FINISHED = Instant.parse("2026-11-28T10:00:00Z");
    private static final byte[] BLANK = blank();

    private static byte[] blank() {
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage(PDRectangle.A4));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return ImportedPdf.sheet(out.toByteArray());
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static PrintedRecord printed(String language, Ink... inks) {
        PageSettings settings = new PageSettings(
                PageSettings.Spacing.NORMAL, PageSettings.Paper.A4, PageSettings.Numbering.NONE, language);
        Content content = new Content(
                "Drainage consent", "Form D4", List.of(), settings, List.of(new FilledPage("p", A4, List.of(inks))));
        return new PrintedRecord(
                content,
                new RecordHeading(3, 1, FINISHED),
                Theme.PLAIN,
                PrintedRecord.Pictures.of(
                        content,
                        name -> Optional.of(SafePicture.read(
                                name,
                                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'><path d='M0 0H10V10H0Z'/></svg>"
                                        .getBytes(StandardCharsets.UTF_8))),
                        file -> Optional.empty(),
                        name -> Optional.of(BLANK)),
                "{}",
                null);
    }

    private static Place at(int left, int top, int width, int height) {
        return Place.of("it", left, top, width, height);
    }

    private static Ink text(Place place, String text) {
        return new Ink.Lettered(place, "Owner", text, Look.PLAIN);
    }

    /** What stands within a place, hundredths of a millimetre on all sides given. */
    private static String within(byte[] pdf, Place place) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDFTextStripperByArea area = new PDFTextStripperByArea();
            double points = 72 / 2540.0;
            area.addRegion(
                    "it",
                    new Rectangle2D.Double(
                            place.left() * points,
                            place.top() * points,
                            place.width() * points,
                            place.height() * points));
            area.setSortByPosition(true);
            area.extractRegions(document.getPage(0));
            return area.getTextForRegion("it").strip();
        }
    }

    private static String behind(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            org.apache.pdfbox.text.PDFTextStripper text = new org.apache.pdfbox.text.PDFTextStripper();
            text.setStartPage(2);
            return document.getNumberOfPages() < 2 ? "" : text.getText(document).replaceAll("\\s+", " ");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "ar"})
    void everyKindOfInkKeepsTheStandardsInBothDirectionsAndUnderASeal(String language) throws IOException {
        BufferedImage dot = new BufferedImage(4, 4, BufferedImage.TYPE_INT_ARGB);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(dot, "png", png);
        List<Ink> inks = new ArrayList<>();
        int top = 1_000;
        for (String text : List.of("Ines Bruin", "בנימין לוי 12", "أحمد علي", "Ωmega ≥ 3 √2 ☑", "東京", "")) {
            inks.add(text(at(1_000, top, 8_000, 700), text));
            inks.add(text(at(10_000, top, 4_000, 700).withLettering(Lettering.ofCells(12)), text));
            top += 900;
        }
        for (Tick tick : Tick.values()) {
            inks.add(new Ink.Ticked(at(1_000, top, 500, 500), "Purpose", "Field", tick));
            top += 700;
        }
        for (OverlayShape shape : OverlayShape.values()) {
            inks.add(new Ink.Drawn(at(1_000, top, 5_000, 500), "Charge", shape, "not applicable"));
            inks.add(new Ink.Drawn(at(8_000, top, 5_000, 1_200), "", shape, ""));
            top += 1_400;
        }
        inks.add(new Ink.SignedHere(at(1_000, top, 6_000, 1_500), "Signature", "M10 20L40 60L90 20M5 5", "owner"));
        inks.add(new Ink.SignedHere(at(8_000, top, 6_000, 1_500), "Signature", "Ines Bruin", "owner"));
        inks.add(new Ink.SignedHere(
                at(1_000, top + 1_600, 6_000, 1_500),
                "Signature",
                "data:image/png;base64," + Base64.getEncoder().encodeToString(png.toByteArray()),
                ""));
        inks.add(new Ink.PicturedHere(at(8_000, top + 1_600, 3_000, 3_000), "", "well.svg", ""));
        Look looked = Look.of(Look.Shade.OCHRE, true, Look.Mark.WARNING);
        inks.add(new Ink.Lettered(at(12_000, top, 5_000, 700), "Depth", "31", looked));
        byte[] pdf = FinishedPdf.write(printed(language, inks.toArray(Ink[]::new)));
        assertThat(ArchiveCheck.broken(pdf)).isEmpty();
        if (language.isEmpty()) {
            byte[] sealed = Seal.seal(pdf, Authority.make("Board", FINISHED), "All have signed", FINISHED);
            assertThat(ArchiveCheck.broken(sealed)).isEmpty();
        }
    }

    @Test
    void anAnswerStandsAtItsPlace() throws IOException {
        Place place = at(5_000, 12_000, 6_000, 700);
        byte[] pdf = FinishedPdf.write(printed("", text(place, "Ines Bruin")));
        assertThat(within(pdf, place)).isEqualTo("Ines Bruin");
        assertThat(behind(pdf)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Alignment.class)
    void itStandsWhereReadingBeginsInTheMiddleOrAtTheEnd(Alignment alignment) throws IOException {
        Place place = at(2_000, 2_000, 9_000, 700).withLettering(new Lettering(0, 0, false, alignment, Tick.CROSS));
        byte[] latin = FinishedPdf.write(printed("", text(place, "Ines")));
        byte[] hebrew = FinishedPdf.write(printed("", text(place, "בנימין")));
        int part = switch (alignment) {
            case START -> 0;
            case MIDDLE -> 1;
            case END -> 2;
        };
        assertThat(within(latin, at(2_000 + 3_000 * part, 2_000, 3_000, 700))).isEqualTo("Ines");
        assertThat(within(hebrew, at(2_000 + 3_000 * (2 - part), 2_000, 3_000, 700)))
                .isEqualTo("בנימין");
    }

    @Test
    void eachSignHasItsCell() throws IOException {
        Place place = at(2_000, 2_000, 8_000, 700).withLettering(Lettering.ofCells(8));
        byte[] pdf = FinishedPdf.write(printed("", text(place, "VH 11704")));
        String signs = "VH 11704";
        for (int i = 0; i < 8; i++) {
            assertThat(within(pdf, at(2_000 + 1_000 * i, 2_000, 1_000, 700)))
                    .as("cell %d", i)
                    .isEqualTo(signs.substring(i, i + 1).strip());
        }
    }

    @Test
    void whereSignsAreTooManyThoseThatOnlyPartGoFirst() throws IOException {
        Place place = at(2_000, 2_000, 8_000, 700).withLettering(Lettering.ofCells(8));
        byte[] fits = FinishedPdf.write(printed("", text(place, "28.11.2026")));
        assertThat(within(fits, place).replaceAll("\\s", "")).isEqualTo("28112026");
        assertThat(behind(fits)).isEmpty();
        byte[] over = FinishedPdf.write(printed("", text(place, "NL91 ABNA 0417")));
        assertThat(behind(over)).contains("What does not fit on the pages", "Owner", "NL91 ABNA 0417");
    }

    @Test
    void lettersBecomeSmallerUntilTheyFit() throws IOException {
        Place place = at(2_000, 2_000, 5_000, 600);
        String name = "Marit Oldekamp-Hemelrijk van der Velde";
        byte[] pdf = FinishedPdf.write(printed("", text(place, name)));
        assertThat(within(pdf, place)).isEqualTo(name);
        assertThat(behind(pdf)).isEmpty();
    }

    @Test
    void whatDoesNotFitEndsInAnEllipsisAndStandsWholeBehind() throws IOException {
        Place place = at(2_000, 2_000, 3_000, 600);
        String text = "A very long answer that nobody could ever write into a place of three centimetres";
        byte[] pdf = FinishedPdf.write(printed("", text(place, text)));
        assertThat(within(pdf, place)).startsWith("A very long").endsWith("…");
        assertThat(behind(pdf)).contains(text);
        assertThat(ArchiveCheck.broken(pdf)).isEmpty();
    }

    @Test
    void linesBreakBetweenWordsAndWhereTheWriterBrokeThem() throws IOException {
        Place place = at(2_000, 2_000, 6_000, 3_000).withLettering(Lettering.ofLines());
        byte[] pdf =
                FinishedPdf.write(printed("", text(place, "The outfall is kept free of reed.\n\nThe Board is told.")));
        assertThat(within(pdf, place).lines()).hasSizeGreaterThan(1).last().isEqualTo("The Board is told.");
        byte[] over =
                FinishedPdf.write(printed("", text(place, "reed ".repeat(2_000).strip())));
        assertThat(within(over, place)).endsWith("…");
        assertThat(behind(over)).contains("reed reed reed");
        byte[] unbroken = FinishedPdf.write(printed("", text(place, "x".repeat(20_000))));
        assertThat(behind(unbroken)).contains("xxxxxx");
    }

    @Test
    void lettersOfASizeOfTheAuthorsOwnStayThatSize() throws IOException {
        Place place =
                at(2_000, 2_000, 3_000, 900).withLettering(new Lettering(180, 0, false, Alignment.START, Tick.CROSS));
        assertThat(behind(FinishedPdf.write(printed("", text(place, "Marit Oldekamp")))))
                .contains("Marit Oldekamp");
    }

    @Test
    void aCoverHidesWhatIsPrinted() throws IOException {
        ImportedPdf form = office();
        SheetPage first =
                Objects.requireNonNull(form.template().pages().getFirst().sheet());
        Place whole = at(0, 0, 21_000, 29_700);
        Content content = new Content(
                "T",
                "",
                List.of(),
                PageSettings.PLAIN,
                List.of(new FilledPage("p", first, List.of(new Ink.Drawn(whole, "", OverlayShape.COVER, "")))));
        byte[] pdf = FinishedPdf.write(new PrintedRecord(
                content,
                null,
                Theme.PLAIN,
                new PrintedRecord.Pictures(Map.of(), Map.of(), Map.of(form.name(), form.sheet())),
                "",
                null));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            BufferedImage seen = new PDFRenderer(document).renderImage(0);
            for (int y = 5; y < seen.getHeight() - 5; y++) {
                for (int x = 5; x < seen.getWidth() - 5; x++) {
                    assertThat(seen.getRGB(x, y) & 0xffffff).isEqualTo(0xffffff);
                }
            }
        }
    }

    private static ImportedPdf office() throws IOException {
        return ImportedPdf.read(
                Files.readAllBytes(Path.of("../server/src/main/resources/loesscape/server/demo/drainage-consent.pdf")),
                "",
                "T");
    }

    @Test
    void whoCannotSeeIsToldWhatIsPrintedAndWhatAnswersWhat() throws IOException {
        byte[] pdf = FinishedPdf.write(printed(
                "",
                text(at(1_000, 1_000, 5_000, 700), "Ines"),
                new Ink.Ticked(at(1_000, 2_000, 500, 500), "Purpose", "Field", Tick.TICK),
                new Ink.Drawn(at(1_000, 3_000, 5_000, 500), "Charge", OverlayShape.STROKE, "")));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<String> told = new ArrayList<>();
            tell(document.getDocumentCatalog().getStructureTreeRoot().getCOSObject(), told);
            assertThat(told)
                    .containsExactly(
                            "Figure Printed page 1",
                            "P Owner: Ines",
                            "Figure Purpose: Field",
                            "Figure Struck out: Charge");
        }
    }

    private static void tell(COSDictionary element, List<String> told) {
        if (element.getString(COSName.ALT) != null) {
            told.add(element.getNameAsString(COSName.S) + " " + element.getString(COSName.ALT));
        }
        COSBase kids = element.getDictionaryObject(COSName.K);
        if (kids instanceof COSArray array) {
            for (int i = 0; i < array.size(); i++) {
                if (array.getObject(i) instanceof COSDictionary kid) {
                    tell(kid, told);
                }
            }
        } else if (kids instanceof COSDictionary kid) {
            tell(kid, told);
        }
    }

    @Test
    void theSameRecordGivesTheSameBytes() {
        PrintedRecord record = printed("", text(at(1_000, 1_000, 5_000, 700), "Ines"));
        assertThat(FinishedPdf.write(record)).isEqualTo(FinishedPdf.write(record));
    }

    @Test
    void aDocumentIsNotMadeWithoutThePagesItIsWrittenOn() {
        Content content =
                new Content("T", "", List.of(), PageSettings.PLAIN, List.of(new FilledPage("p", A4, List.of())));
        PrintedRecord without = new PrintedRecord(content, null, Theme.PLAIN, PrintedRecord.Pictures.NONE, "", null);
        assertThatThrownBy(() -> FinishedPdf.write(without)).hasMessageContaining("are not there");
    }
}
