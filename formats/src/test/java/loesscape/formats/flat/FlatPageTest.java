package loesscape.formats.flat;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import loesscape.formats.flat.ProposedPlace.Found;
import loesscape.formats.flat.ProposedPlace.PrintedBox;
import loesscape.formats.flat.ProposedPlace.ProposedMark;
import loesscape.formats.flat.ProposedPlace.Writing;
import loesscape.formats.form.ImportedPdf;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is told of places that are found: what they ask, how they are written, which marks belong together. */
class FlatPageTest {

    /** Draws a page; y counts from the top. */
    private static final class Form {

        private final PDDocument document = new PDDocument();
        private final PDPage page = new PDPage(PDRectangle.A4);
        private final PDPageContentStream drawing;

        Form() throws IOException {
            document.addPage(page);
            drawing = new PDPageContentStream(document, page);
        }

        Form words(double x, double y, String words) throws IOException {
            drawing.beginText();
            drawing.setFont(new PDType1Font(FontName.HELVETICA), 11);
            drawing.newLineAtOffset((float) x, (float) (842 - y));
            drawing.showText(words);
            drawing.endText();
            return this;
        }

        Form box(double x, double y, double width, double height) throws IOException {
            drawing.addRect((float) x, (float) (842 - y - height), (float) width, (float) height);
            drawing.stroke();
            return this;
        }

        Form line(double x, double y, double length) throws IOException {
            drawing.moveTo((float) x, (float) (842 - y));
            drawing.lineTo((float) (x + length), (float) (842 - y));
            drawing.stroke();
            return this;
        }

        byte[] file() throws IOException {
            drawing.close();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            document.close();
            return out.toByteArray();
        }

        List<ProposedPlace> places() throws IOException {
            return FlatFormsTest.proposals(file());
        }
    }

    private static List<String> labels(ProposedPlace place) {
        return place.marks().stream().map(ProposedMark::label).toList();
    }

    @Test
    void marksBehindAQuestionAreItsChoices() throws IOException {
        List<ProposedPlace> places = new Form()
                .words(60, 100, "Kind of well:")
                .box(140, 91, 10, 10)
                .words(154, 100, "bored")
                .box(210, 91, 10, 10)
                .words(224, 100, "dug")
                .words(60, 130, "Is there a fence?")
                .box(170, 121, 10, 10)
                .words(184, 130, "Yes")
                .box(230, 121, 10, 10)
                .words(244, 130, "No")
                .box(60, 150, 10, 10)
                .words(76, 159, "I have read the rules.")
                .places();
        assertThat(places)
                .extracting(ProposedPlace::label)
                .containsExactly("Kind of well", "Is there a fence?", "I have read the rules.");
        assertThat(places)
                .extracting(FlatPageTest::labels)
                .containsExactly(List.of("bored", "dug"), List.of("Yes", "No"), List.of("I have read the rules."));
        assertThat(places).extracting(ProposedPlace::isOne).containsExactly(false, true, false);
        assertThat(places).extracting(ProposedPlace::found).containsOnly(Found.SQUARE);
    }

    @Test
    void marksBeneathEachOtherAreTheChoicesOfWhatIsAskedAboveThem() throws IOException {
        Form form = new Form().words(60, 100, "The water is used for");
        for (int i = 0; i < 3; i++) {
            form.box(60, 108 + i * 18, 10, 10)
                    .words(
                            76,
                            117 + i * 18,
                            List.of("drinking", "cattle", "cooling").get(i));
        }
        ProposedPlace only = form.places().getFirst();
        assertThat(only.label()).isEqualTo("The water is used for");
        assertThat(labels(only)).containsExactly("drinking", "cattle", "cooling");
        assertThat(only.place()).isEqualTo(new PrintedBox(2117, 3806, 353, 1623));
    }

    @Test
    void marksInLinesAndColumnsAreTheChoicesOfOneQuestion() throws IOException {
        Form form = new Form().words(60, 100, "What is damaged?");
        List<String> labels = List.of("roof", "windows", "cellar", "garden", "fence", "walls");
        for (int i = 0; i < 6; i++) {
            form.box(60 + i % 3 * 120, 108 + i / 3 * 16, 10, 10)
                    .words(76 + i % 3 * 120, 117 + i / 3 * 16, labels.get(i));
        }
        ProposedPlace only = form.places().getFirst();
        assertThat(only.label()).isEqualTo("What is damaged?");
        assertThat(labels(only)).containsExactlyElementsOf(labels);
    }

    @Test
    void linesOfAQuestionEachAreNotOne() throws IOException {
        Form form = new Form();
        List<String> questions = List.of("Have you eaten?", "Have you slept?");
        for (int i = 0; i < 2; i++) {
            form.words(60, 100 + i * 18, questions.get(i))
                    .box(200, 91 + i * 18, 10, 10)
                    .words(214, 100 + i * 18, "Yes")
                    .box(250, 91 + i * 18, 10, 10)
                    .words(264, 100 + i * 18, "No");
        }
        assertThat(form.places()).extracting(ProposedPlace::label).containsExactlyElementsOf(questions);
    }

    @Test
    void wordsBeforeASquareAreItsLabelWhereALineEndsWithOne() throws IOException {
        List<ProposedPlace> places = new Form()
                .words(60, 100, "north")
                .box(92, 91, 10, 10)
                .words(120, 100, "south")
                .box(152, 91, 10, 10)
                .places();
        assertThat(places.stream().flatMap(place -> labels(place).stream())).containsExactly("north", "south");
    }

    @Test
    void howAnAnswerIsWrittenIsSeenFromWhatIsPrinted() throws IOException {
        Form form = new Form()
                .words(60, 100, "Begin: __/__/____")
                .words(60, 130, "Builder ........................................")
                .words(60, 160, "Remarks:")
                .line(60, 180, 400)
                .line(60, 200, 400)
                .line(60, 220, 400)
                .words(60, 260, "Account");
        for (int i = 0; i < 9; i++) {
            form.box(120 + i * 16, 248, 16, 18);
        }
        List<ProposedPlace> places =
                form.box(60, 300, 200, 70).words(62, 295, "Reasons").places();
        assertThat(places)
                .extracting(ProposedPlace::label)
                .containsExactly("Begin", "Builder", "Remarks", "Account", "Reasons");
        assertThat(places)
                .extracting(ProposedPlace::writing)
                .containsExactly(Writing.LINE, Writing.LINE, Writing.LINES, Writing.CELLS, Writing.LINES);
        assertThat(places).extracting(ProposedPlace::cells).containsExactly(0, 0, 0, 9, 0);
        assertThat(places)
                .extracting(ProposedPlace::found)
                .containsExactly(Found.UNDERSCORES, Found.DOTS, Found.LINE, Found.COMB, Found.CELL);
    }

    @Test
    void aSentenceGoesOnBehindItsBlanks() throws IOException {
        List<ProposedPlace> places = new Form()
                .words(60, 100, "Deposit ______ crowns, to be paid until ________ at the latest.")
                .words(60, 130, "See the list ..... and 4.1, page 3, and what follows it.")
                .words(60, 150, "Contents ........................................ 12")
                .places();
        assertThat(places).extracting(ProposedPlace::label).containsExactly("Deposit", "crowns, to be paid until");
    }

    @ParameterizedTest
    @ValueSource(ints = {90, 180, 270})
    void aPageThatIsTurnedHasItsPlacesWhereTheyAreSeen(int turned) throws IOException {
        byte[] upright;
        try (InputStream file = FlatPageTest.class.getResourceAsStream("word-processor/mixed-a.pdf")) {
            upright = Objects.requireNonNull(file).readAllBytes();
        }
        List<ProposedPlace> as = FlatFormsTest.proposals(upright);
        List<ProposedPlace> seen = FlatFormsTest.proposals(turned(upright, turned));
        assertThat(seen).hasSameSizeAs(as);
        for (int i = 0; i < as.size(); i++) {
            assertThat(seen.get(i).label()).isEqualTo(as.get(i).label());
            assertThat(seen.get(i).place().left())
                    .isBetween(as.get(i).place().left() - 3, as.get(i).place().left() + 3);
            assertThat(seen.get(i).place().top())
                    .isBetween(as.get(i).place().top() - 3, as.get(i).place().top() + 3);
        }
    }

    /** Lays a page on its side and says that it is to be turned back. */
    private static byte[] turned(byte[] file, int turned) throws IOException {
        try (PDDocument from = Loader.loadPDF(file);
                PDDocument to = new PDDocument()) {
            PDFormXObject form = new LayerUtility(to).importPageAsForm(from, 0);
            PDRectangle box = form.getBBox();
            boolean isAcross = turned != 180;
            PDPage page = new PDPage(
                    isAcross
                            ? new PDRectangle(box.getHeight(), box.getWidth())
                            : new PDRectangle(box.getWidth(), box.getHeight()));
            page.setRotation(turned);
            to.addPage(page);
            try (PDPageContentStream drawing = new PDPageContentStream(to, page)) {
                drawing.transform(
                        switch (turned) {
                            case 90 -> new Matrix(0, 1, -1, 0, box.getHeight(), 0);
                            case 180 -> new Matrix(-1, 0, 0, -1, box.getWidth(), box.getHeight());
                            default -> new Matrix(0, -1, 1, 0, 0, box.getWidth());
                        });
                drawing.drawForm(form);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            to.save(out);
            return out.toByteArray();
        }
    }

    @Test
    void aPageThatDrawsMoreThanCouldBeToldApartComesInWithoutProposals() throws IOException {
        Form form = new Form().words(60, 100, "Name: __________");
        for (int i = 0; i < 7_000; i++) {
            form.line(60 + i % 50, 110 + i / 50.0, 1);
        }
        ImportedPdf imported = ImportedPdf.read(form.file(), "", "Plan");
        assertThat(imported.found()).containsExactly(FlatPage.EMPTY);
        assertThat(imported.template().pages()).hasSize(1);
    }

    @Test
    void aBoxWithAPictureIsNoPlace() throws IOException {
        byte[] form = new Form().words(60, 100, "Stamp").box(60, 110, 200, 60).file();
        assertThat(FlatFormsTest.proposals(form)).hasSize(1);
        assertThat(FlatFormsTest.proposals(drawn(form, "q 150 0 0 40 70 680 cm BI /W 1 /H 1 /CS /G /BPC 8 ID x EI Q")))
                .isEmpty();
    }

    @Test
    void aPictureThatCannotBeUnpackedStopsNothing() throws IOException {
        byte[] form = new Form().words(60, 100, "Name: ____________").file();
        String broken = "q 150 0 0 40 70 600 cm BI /W 9 /H 9 /CS /G /F /Fl /BPC 8 ID xxxx EI Q";
        assertThat(FlatFormsTest.proposals(drawn(form, broken))).hasSize(1);
    }

    /** A page with something more drawn on it. */
    private static byte[] drawn(byte[] file, String more) throws IOException {
        try (PDDocument document = Loader.loadPDF(file)) {
            PDPage page = document.getPage(0);
            PDStream stream =
                    new PDStream(document, new ByteArrayInputStream(more.getBytes(StandardCharsets.ISO_8859_1)));
            List<PDStream> all = new ArrayList<>();
            page.getContentStreams().forEachRemaining(all::add);
            all.add(stream);
            page.setContents(all);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    @Test
    void graphPaperIsLookedAtInBoundedTime() throws IOException {
        Form form = new Form();
        for (int i = 0; i < 140; i++) {
            form.line(20, 20 + i * 5.6, 550);
            form.box(20 + i * 3.9, 20, 3.9, 779);
        }
        assertThat(form.places()).hasSizeLessThan(5_000);
    }

    @Test
    void labelsAreNeverLongerThanALabelMayBe() throws IOException {
        String long_ = IntStream.range(0, 60).mapToObj(i -> "wort" + i).reduce("", String::concat);
        List<ProposedPlace> places =
                new Form().words(10, 100, long_ + " ______").places();
        assertThat(places)
                .singleElement()
                .satisfies(place -> assertThat(place.label()).hasSizeLessThanOrEqualTo(200));
    }
}
