package loesscape.formats.export;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import loesscape.core.evaluation.Content;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Looks and page settings are on paper what they are on the screen. */
class PrintedLooksTest {

    private static final float NEAR = 0.005f;

    private static byte[] printed(Look look, PageSettings settings) {
        Content content = new Content(
                "Looks",
                "",
                List.of(new Content.Block("", List.of(new Content.Line.Answer("f", "Depth", "24 m", look)))),
                settings);
        return RecordPdf.write(content, new RecordHeading(1, 1, Instant.parse("2026-11-27T09:00:00Z")));
    }

    /** What the operators of a name on the first page are given (ISO 32000-2, Annex A). */
    private static List<List<Float>> given(byte[] pdf, String name) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<List<Float>> given = new ArrayList<>();
            List<Float> operands = new ArrayList<>();
            for (Object token : new PDFStreamParser(document.getPage(0)).parse()) {
                if (token instanceof COSNumber number) {
                    operands.add(number.floatValue());
                } else if (token instanceof Operator operator) {
                    if (operator.getName().equals(name)) {
                        given.add(List.copyOf(operands));
                    }
                    operands.clear();
                }
            }
            return given;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean isColour(List<Float> operands, int rgb) {
        return operands.size() == 3
                && Math.abs(operands.get(0) - (rgb >> 16) / 255f) < NEAR
                && Math.abs(operands.get(1) - (rgb >> 8 & 255) / 255f) < NEAR
                && Math.abs(operands.get(2) - (rgb & 255) / 255f) < NEAR;
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
        assertThat(given(pdf, "sc")).anyMatch(it -> isColour(it, 0x102030)).anyMatch(it -> isColour(it, 0xddeeff));
        assertThat(given(pdf, "SC")).anyMatch(it -> isColour(it, 0x405060));
    }

    @Test
    void slantedTextLeansAndUprightDoesNot() {
        Look italic = new Look(Look.Shade.PLAIN, false, Look.Mark.NONE, true, "", null);
        assertThat(given(printed(italic, PageSettings.PLAIN), "Tm")).anyMatch(it -> it.get(2) > 0.1f);
        assertThat(given(printed(Look.PLAIN, PageSettings.PLAIN), "Tm")).allMatch(it -> it.get(2) == 0);
    }

    @ParameterizedTest
    @EnumSource(Look.Mark.class)
    void eachMarkIsDrawn(Look.Mark mark) {
        int plain = given(printed(Look.PLAIN, PageSettings.PLAIN), "S").size();
        byte[] pdf = printed(Look.of(Look.Shade.PLAIN, false, mark), PageSettings.PLAIN);
        assertThat(given(pdf, "S")).hasSize(mark == Look.Mark.NONE ? plain : plain + 1);
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
            assertThat(document.getPage(0).getMediaBox().getWidth()).isEqualTo(PDRectangle.LETTER.getWidth());
            assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("he");
            assertThat(document.getDocumentCatalog().getViewerPreferences().getReadingDirection())
                    .isEqualTo(PDViewerPreferences.READING_DIRECTION.R2L.toString());
            assertThat(ends(document)).as("lines begin on the right").allMatch(end -> end > 500);
        }
        try (PDDocument document = Loader.loadPDF(printed(Look.PLAIN, PageSettings.PLAIN))) {
            assertThat(document.getPage(0).getMediaBox().getWidth()).isEqualTo(PDRectangle.A4.getWidth());
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

    /** Unicode Standard Annex 9, 3.4, the examples of reordering (from memory), with Hebrew letters for the capitals. */
    @Test
    void linesStandInTheOrderInWhichTheyAreRead() {
        String car = "\u05DB\u05D0\u05E8";
        String means = "\u05DE\u05D9\u05E0\u05E1";
        assertThat(VisualOrder.of("car means " + car + ".", false)).isEqualTo("car means " + turned(car) + ".");
        assertThat(VisualOrder.of("car " + means + " " + car + ".", true))
                .isEqualTo("." + turned(car) + " " + turned(means) + " car");
        assertThat(VisualOrder.of(car + " (" + means + ")", true)).isEqualTo("(" + turned(means) + ") " + turned(car));
        assertThat(VisualOrder.of("no change (at all)", false)).isEqualTo("no change (at all)");
    }

    private static String turned(String text) {
        return new StringBuilder(text).reverse().toString();
    }
}
