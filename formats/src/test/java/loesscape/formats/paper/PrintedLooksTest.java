package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Content;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import loesscape.formats.export.RecordHeading;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Looks and page settings are on paper what they are on the screen. */
class PrintedLooksTest {

    private static byte[] printed(Look look, PageSettings settings) {
        Content content = new Content(
                "Looks",
                "",
                List.of(new Content.Block.Lines(
                        "", 1, "", List.of(Content.Line.Answer.of("f", "Depth", "24 m", look)))),
                settings);
        return FinishedPdf.write(
                PrintedRecord.of(content, new RecordHeading(1, 1, Instant.parse("2026-11-27T09:00:00Z"))));
    }

    /** The first page as it is seen. */
    private static BufferedImage seen(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFRenderer(document).renderImageWithDPI(0, 144);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static long pixels(BufferedImage page, int rgb) {
        return pixels(page, rgb, 3);
    }

    private static long pixels(BufferedImage page, int rgb, int most) {
        return IntStream.range(0, page.getWidth() * page.getHeight())
                .map(i -> page.getRGB(i % page.getWidth(), i / page.getWidth()))
                .filter(pixel -> near(pixel >> 16, rgb >> 16, most)
                        && near(pixel >> 8, rgb >> 8, most)
                        && near(pixel, rgb, most))
                .count();
    }

    private static boolean near(int one, int other, int most) {
        return Math.abs((one & 255) - (other & 255)) <= most;
    }

    @Test
    void coloursOfTheAuthorsOwnArePrinted() {
        byte[] pdf = printed(
                new Look(
                        Look.Shade.PLAIN,
                        false,
                        Look.Mark.NONE,
                        false,
                        "",
                        new Look.Colours("#102030", "#ddeeff", "#405060", "")),
                PageSettings.PLAIN);
        BufferedImage page = seen(pdf);
        assertThat(List.of(0x102030, 0xddeeff, 0x405060))
                .allSatisfy(colour -> assertThat(pixels(page, colour)).isPositive());
    }

    @Test
    void slantedTextLeansAndUprightDoesNot() throws IOException {
        Look italic = new Look(Look.Shade.PLAIN, false, Look.Mark.NONE, true, "", null);
        assertThat(leaning(printed(italic, PageSettings.PLAIN))).isPositive();
        assertThat(leaning(printed(Look.PLAIN, PageSettings.PLAIN))).isZero();
    }

    /** How many letters lean. */
    private static int leaning(byte[] pdf) throws IOException {
        List<TextPosition> leaning = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            new PDFTextStripper() {
                @Override
                protected void processTextPosition(TextPosition text) {
                    if (Math.abs(text.getTextMatrix().getShearX()) > 0.1f) {
                        leaning.add(text);
                    }
                    super.processTextPosition(text);
                }
            }.getText(document);
        }
        return leaning.size();
    }

    @ParameterizedTest
    @EnumSource(Look.Mark.class)
    void eachMarkIsDrawn(Look.Mark mark) {
        byte[] plain = printed(Look.of(Look.Shade.CLAY, false, Look.Mark.NONE), PageSettings.PLAIN);
        byte[] marked = printed(Look.of(Look.Shade.CLAY, false, mark), PageSettings.PLAIN);
        int ink = 0x7e2415;
        // Its lines are thin, and lie between pixels.
        int most = 70;
        if (mark == Look.Mark.NONE) {
            assertThat(pixels(seen(marked), ink, most)).isEqualTo(pixels(seen(plain), ink, most));
        } else {
            assertThat(pixels(seen(marked), ink, most)).isGreaterThan(pixels(seen(plain), ink, most) + 10);
        }
    }

    @Test
    void wordsOfALookAreWritten() throws IOException {
        Look look = new Look(Look.Shade.CLAY, true, Look.Mark.WARNING, false, "Deeper than allowed", null);
        try (PDDocument document = Loader.loadPDF(printed(look, PageSettings.PLAIN))) {
            assertThat(new PDFTextStripper().getText(document)).contains("24 m", "Deeper than allowed");
        }
    }

    @Test
    void paperLanguageAndDirectionFollowThePageSettings() throws IOException {
        PageSettings hebrew = new PageSettings(
                PageSettings.Spacing.NORMAL, PageSettings.Paper.LETTER, PageSettings.Numbering.NONE, "he");
        try (PDDocument document = Loader.loadPDF(printed(Look.PLAIN, hebrew))) {
            assertThat(document.getPage(0).getMediaBox().getWidth())
                    .isCloseTo(PDRectangle.LETTER.getWidth(), within(0.1f));
            assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("he");
            assertThat(document.getDocumentCatalog().getViewerPreferences().getReadingDirection())
                    .isEqualTo(PDViewerPreferences.READING_DIRECTION.R2L.toString());
            assertThat(ends(document)).as("lines begin on the right").allMatch(end -> end > 500);
        }
        try (PDDocument document = Loader.loadPDF(printed(Look.PLAIN, PageSettings.PLAIN))) {
            assertThat(document.getPage(0).getMediaBox().getWidth()).isCloseTo(PDRectangle.A4.getWidth(), within(0.1f));
            assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("en");
            assertThat(ends(document)).allMatch(end -> end < 300);
        }
    }

    /** Where the title and the label end, from the left. */
    private static List<Float> ends(PDDocument document) throws IOException {
        List<Float> ends = new ArrayList<>();
        new PDFTextStripper() {
            @Override
            protected void writeString(String text, List<TextPosition> positions) {
                if (text.contains("Looks") || text.contains("Depth")) {
                    ends.add(positions.getLast().getEndX());
                }
            }
        }.getText(document);
        assertThat(ends).hasSize(2);
        return ends;
    }
}
