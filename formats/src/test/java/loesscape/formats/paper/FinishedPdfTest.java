package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpServer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Passage;
import loesscape.core.model.Field;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.seal.Authority;
import loesscape.formats.seal.Seal;
import loesscape.formats.testing.DemoDocuments;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkedContentReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Finished documents: to be archived and read aloud, in every language, the same for the same record. */
class FinishedPdfTest {

    private static final Instant FINISHED = DemoDocuments.FINISHED;
    private static final List<String> LANGUAGES = List.of("", "de", "el", "he", "ar", "ja");

    private static final Theme BOARD = DemoDocuments.BOARD;

    static Stream<Arguments> demoDocuments() {
        return DemoDocuments.names().stream()
                .flatMap(name -> LANGUAGES.stream().map(language -> Arguments.of(name, language)));
    }

    private static PrintedRecord printed(String name, String language, Theme theme) {
        return DemoDocuments.printed(name, language, theme);
    }

    @ParameterizedTest
    @MethodSource("demoDocuments")
    void everyDemoDocumentKeepsTheStandardsInEveryLanguage(String name, String language) throws IOException {
        byte[] pdf = FinishedPdf.write(printed(name, language, language.equals("de") ? Theme.PLAIN : BOARD));
        Files.createDirectories(Path.of("target/paper"));
        Files.write(Path.of("target/paper/%s-%s.pdf".formatted(name, language)), pdf);
        assertThat(ArchiveCheck.broken(pdf)).isEmpty();
    }

    @Test
    void theSameRecordGivesTheSameBytes() throws IOException {
        PrintedRecord printed = printed("soil-sample-series", "", BOARD);
        assertThat(FinishedPdf.write(printed)).isEqualTo(FinishedPdf.write(printed));
    }

    @Test
    void aSealedDocumentStillKeepsTheStandards() throws IOException {
        byte[] pdf = FinishedPdf.write(printed("borehole-and-well-permit", "", BOARD));
        byte[] sealed = Seal.seal(
                pdf,
                Authority.make("Veldhollow Soil and Water Board", FINISHED),
                "All who take part have signed",
                FINISHED);
        assertThat(ArchiveCheck.broken(sealed)).isEmpty();
    }

    @Test
    void everythingThatIsShownIsOnThePaperInItsOrder() throws IOException {
        PrintedRecord printed = printed("borehole-and-well-permit", "", BOARD);
        String text = words(FinishedPdf.write(printed));
        int at = 0;
        for (Content.Block block : printed.content().sections()) {
            for (Content.Line line : block.lines()) {
                String sought = line instanceof Content.Line.Answer answer ? answer.label() : "";
                int found = text.indexOf(sought.replaceAll("\\s+", ""), at);
                assertThat(found).as("%s behind %d", sought, at).isNotNegative();
                at = found;
            }
        }
        assertThat(text).contains("Record7,release2,finished27November2026,09:42UTC", "Page1of");
    }

    private static PrintedRecord of(Content.Block... blocks) {
        return PrintedRecord.of(
                new Content("Well", "", List.of(blocks), PageSettings.PLAIN), new RecordHeading(1, 1, FINISHED));
    }

    private static Content.Block lines(Content.Line... lines) {
        return new Content.Block.Lines("Section", 1, "1", List.of(lines));
    }

    /** Markup, styles and addresses that people write are words like any other; nothing is fetched for them. */
    @Test
    void whatPeopleWriteIsNeverMarkup() throws IOException {
        AtomicInteger fetched = new AtomicInteger();
        HttpServer outside = HttpServer.create(new InetSocketAddress("localhost", 0), 0);
        outside.createContext("/", exchange -> {
            fetched.incrementAndGet();
            exchange.sendResponseHeaders(404, -1);
            exchange.close();
        });
        outside.start();
        try {
            String address = "http://localhost:" + outside.getAddress().getPort() + "/x.png";
            String hostile = "</p><script>alert(1)</script><img src='%s'/><style>@import '%s'</style>&amp;"
                    .formatted(address, address);
            Look look = new Look(
                    Look.Shade.PLAIN,
                    false,
                    Look.Mark.NONE,
                    false,
                    "",
                    new Look.Colours("#102030", "url(%s)".formatted(address), "#405060", ""));
            byte[] pdf = FinishedPdf.write(of(lines(
                    Content.Line.Answer.of("a", hostile, hostile, look),
                    new Content.Line.Told("", 0, Passage.plain(hostile), Look.PLAIN),
                    new Content.Line.Signature("s", "S", "data:image/svg+xml;base64,AAAA", "", "", Field.Width.FULL),
                    new Content.Line.Signature("t", "T", address, "", "", Field.Width.FULL))));
            assertThat(words(pdf)).contains(hostile.replaceAll("\\s+", ""));
            assertThat(fetched).hasValue(0);
            assertThat(ArchiveCheck.broken(pdf)).isEmpty();
        } finally {
            outside.stop(0);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"iVBORw0KGgo=", "AAAA", "not base64!", ""})
    void aSignatureThatCannotBeDrawnIsNotLeftOut(String picture) {
        PrintedRecord printed = of(lines(new Content.Line.Signature(
                "s", "Signature", "data:image/png;base64," + picture, "", "", Field.Width.FULL)));
        assertThatThrownBy(() -> FinishedPdf.write(printed)).hasMessageContaining("cannot be drawn");
    }

    /** What would take more memory than a server has is in the answers that go along. */
    @ParameterizedTest
    @CsvSource({"line, 100000, 1001", "letter, 199000, 0", "word, 40000, 0"})
    void endlessAnswersGoOnPaperAsFarAsTheyFit(String of, int times, int lines) throws IOException {
        String text = switch (of) {
            case "line" -> "a\n";
            case "letter" -> "w";
            default -> "word ";
        };
        Content.Line endless = Content.Line.Answer.of("f", "Remarks", text.repeat(times), Look.PLAIN);
        String set =
                words(FinishedPdf.write(of(lines(endless, Content.Line.Answer.of("g", "Next", "seen", Look.PLAIN)))));
        assertThat(set).contains("morecharactersstandinanswers.json", "Next", "seen");
        if (lines > 0) {
            assertThat(set.chars().filter(character -> character == 'a').count())
                    .isBetween(1_000L, 1_100L);
        }
    }

    /** The longest that the organisation can say stands on the page, above the title. */
    @Test
    void theLongestLetterheadStaysOnItsPage() throws IOException {
        Theme theme = new Theme(
                "Wide Water Management Community ".repeat(6).strip(),
                List.of("Ground floor, Sluice Lane 4, Veldhollow; ".repeat(12).strip(), "Last line of it"),
                "",
                "",
                Theme.Typeface.SERIF,
                DemoDocuments.picture("logo.svg"));
        PrintedRecord plain = of(lines(Content.Line.Answer.of("f", "Depth", "24 m", Look.PLAIN)));
        byte[] pdf = FinishedPdf.write(
                new PrintedRecord(plain.content(), plain.heading(), theme, plain.pictures(), "", null));
        Map<String, Float> tops = new HashMap<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDFTextStripper reader = new PDFTextStripper() {
                @Override
                protected void writeString(String text, List<TextPosition> positions) {
                    tops.merge(text.strip(), positions.getFirst().getYDirAdj(), Math::min);
                }
            };
            reader.setEndPage(1);
            reader.getText(document);
        }
        assertThat(tops.values()).allSatisfy(top -> assertThat(top).isGreaterThan(20));
        assertThat(tops.get("Well")).isGreaterThan(tops.get("Last line of it"));
    }

    @Test
    void theHeadingOfATableIsOnEveryPageAndReadOnce() throws IOException {
        List<Content.TableRow> rows = IntStream.range(0, 90)
                .mapToObj(i -> new Content.TableRow(
                        i % 7 == 0 ? Look.of(Look.Shade.CLAY, true, Look.Mark.NONE) : Look.PLAIN,
                        List.of(
                                Content.Line.Answer.of("hole@r" + i, "Hole", "H" + i, Look.PLAIN),
                                Content.Line.Answer.of("depth@r" + i, "Depth", i + " cm", Look.PLAIN))))
                .toList();
        for (String language : List.of("", "he")) {
            byte[] pdf = FinishedPdf.write(PrintedRecord.of(
                    new Content(
                            "Samples",
                            "",
                            List.of(new Content.Block.Rows(
                                    "Samples",
                                    1,
                                    "",
                                    List.of(
                                            new Content.TableColumn("Hole", false),
                                            new Content.TableColumn("Depth", true)),
                                    rows)),
                            new PageSettings(
                                    PageSettings.Spacing.NORMAL,
                                    PageSettings.Paper.A4,
                                    PageSettings.Numbering.NONE,
                                    language)),
                    new RecordHeading(1, 1, FINISHED)));
            assertThat(ArchiveCheck.broken(pdf)).isEmpty();
            try (PDDocument document = Loader.loadPDF(pdf)) {
                assertThat(document.getNumberOfPages()).isGreaterThan(2);
                assertThat(new PDFTextStripper().getText(document).split("Hole", -1))
                        .hasSize(document.getNumberOfPages() + 1);
                List<String> tags = new ArrayList<>();
                tags(document.getDocumentCatalog().getStructureTreeRoot().getKids(), tags);
                assertThat(tags.stream().filter("TH"::equals)).hasSize(2);
                assertThat(tags.stream().filter("TR"::equals)).hasSize(91);
                assertThat(tags.stream().filter("TD"::equals)).hasSize(180);
            }
        }
    }

    private static void tags(List<Object> kids, List<String> tags) {
        for (Object kid : kids) {
            if (kid instanceof PDStructureElement element) {
                tags.add(element.getStructureType());
                tags(element.getKids(), tags);
            }
        }
    }

    @Test
    void aPhotographIsDrawnAnewAndSmallEnough() throws IOException {
        BufferedImage large = new BufferedImage(5_000, 300, BufferedImage.TYPE_INT_ARGB);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(large, "png", png);
        byte[] given = png.toByteArray();
        SafePicture reduced = SafePicture.reduced(given).orElseThrow();
        BufferedImage drawn = ImageIO.read(new ByteArrayInputStream(reduced.content()));
        assertThat(drawn.getWidth()).isBetween(1_000, 1_600);
        assertThat(drawn.getRGB(5, 5) & 0xffffff).as("what was clear is white").isEqualTo(0xffffff);
        assertThat(SafePicture.reduced(new byte[] {1, 2, 3})).isEmpty();
        assertThat(SafePicture.reduced(Arrays.copyOf(given, 60))).isEmpty();
        Content content = new Content(
                "T",
                "",
                List.of(lines(new Content.Line.HandedIn("photo", "Photograph", "f1", "site.png", Field.Width.HALF))),
                PageSettings.PLAIN);
        byte[] pdf = FinishedPdf.write(new PrintedRecord(
                content,
                new RecordHeading(1, 1, FINISHED),
                Theme.PLAIN,
                PrintedRecord.Pictures.of(
                        content, name -> Optional.empty(), file -> Optional.of(given), sheet -> Optional.empty()),
                "",
                null));
        assertThat(words(pdf)).contains("Photograph", "site.png");
        assertThat(ArchiveCheck.broken(pdf)).isEmpty();
    }

    /** Clauses of all depths, a list, a table in a text, and emphasis over the end of a line. */
    @ParameterizedTest
    @ValueSource(strings = {"en", "he"})
    void textsAreSetAsTheyAreWritten(String language) throws Exception {
        Passage.Span strong = new Passage.Span("The fee", true, false, "");
        Passage.Span plain = new Passage.Span(" is 3. ", false, false, "");
        Passage.Span slanted = new Passage.Span("long leaning words ".repeat(12).strip(), false, true, "");
        Passage paragraph = new Passage.Paragraph(false, List.of(strong, plain, slanted));
        Passage point = new Passage.Paragraph(true, List.of(new Passage.Span("Point", true, true, "")));
        Passage grid = new Passage.Grid(
                List.of(
                        new Passage.Column(Passage.Cell.of("Tool"), false),
                        new Passage.Column(Passage.Cell.of("Pieces"), true)),
                List.of(
                        List.of(Passage.Cell.of("saw"), Passage.Cell.of("2")),
                        List.of(Passage.Cell.of("pump"), Passage.Cell.of("1"))));
        Passage none = new Passage.Grid(List.of(new Passage.Column(Passage.Cell.of("Tool"), false)), List.of());
        Passage withoutHeads = new Passage.Grid(
                List.of(new Passage.Column(Passage.Cell.of(""), false), new Passage.Column(Passage.Cell.of(""), false)),
                List.of(List.of(
                        new Passage.Cell(List.of(strong, plain, slanted)), Passage.Cell.of("One line\nand another"))));
        Content content = new Content(
                "Texts",
                "",
                List.of(new Content.Block.Lines(
                        "Terms",
                        1,
                        "4",
                        List.of(
                                new Content.Line.Told(
                                        "4.1", 1, List.of(paragraph, point, point, grid, withoutHeads), Look.PLAIN),
                                new Content.Line.Told("(a)", 2, List.of(paragraph), Look.PLAIN),
                                new Content.Line.Told(
                                        "(i)", 3, List.of(point), Look.of(Look.Shade.CLAY, true, Look.Mark.WARNING)),
                                new Content.Line.Told("", 0, List.of(none), Look.PLAIN)))),
                new PageSettings(
                        PageSettings.Spacing.NORMAL,
                        PageSettings.Paper.A4,
                        PageSettings.Numbering.SHOWN_SECTIONS,
                        language));
        byte[] pdf = FinishedPdf.write(PrintedRecord.of(content, new RecordHeading(1, 1, FINISHED)));
        assertThat(ArchiveCheck.broken(pdf)).isEmpty();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document);
            assertThat(text)
                    .contains(
                            "4.1",
                            "(a)",
                            "(i)",
                            "The fee",
                            "leaning",
                            "Tool",
                            "Pieces",
                            "pump",
                            "One line",
                            "and another");
            assertThat(spoken(document)).contains("4Terms4.1Thefeeis3.longleaning", "(a)Thefee", "(i)");
            List<String> tags = new ArrayList<>();
            tags(document.getDocumentCatalog().getStructureTreeRoot().getKids(), tags);
            assertThat(tags).doesNotContain("Sect").contains("L", "LI", "Table", "TH");
            // No line runs off the page.
            float right = new RightEdge().of(document);
            assertThat(right).isLessThan(document.getPage(0).getMediaBox().getWidth() - 50);
        }
    }

    /** What is read aloud of a page, in the order of its tags (ISO 32000-2, 14.8), without white space. */
    private static String spoken(PDDocument document) throws IOException {
        PDFMarkedContentExtractor extractor = new PDFMarkedContentExtractor();
        extractor.processPage(document.getPage(0));
        Map<Integer, String> marked = new HashMap<>();
        extractor
                .getMarkedContents()
                .forEach(content -> marked.merge(
                        content.getMCID(),
                        content.getContents().stream()
                                .filter(TextPosition.class::isInstance)
                                .map(each -> ((TextPosition) each).getUnicode())
                                .collect(Collectors.joining()),
                        String::concat));
        StringBuilder spoken = new StringBuilder();
        speak(document.getDocumentCatalog().getStructureTreeRoot().getKids(), marked, spoken);
        return spoken.toString().replaceAll("\\s+", "");
    }

    private static void speak(List<Object> kids, Map<Integer, String> marked, StringBuilder spoken) {
        for (Object kid : kids) {
            switch (kid) {
                case PDStructureElement element -> speak(element.getKids(), marked, spoken);
                case PDMarkedContentReference reference -> spoken.append(marked.getOrDefault(reference.getMCID(), ""));
                case Integer number -> spoken.append(marked.getOrDefault(number, ""));
                default -> {}
            }
        }
    }

    /** How far to the right letters stand. */
    private static final class RightEdge extends PDFTextStripper {

        private float right;

        float of(PDDocument document) throws IOException {
            getText(document);
            return right;
        }

        @Override
        protected void processTextPosition(org.apache.pdfbox.text.TextPosition text) {
            right = Math.max(right, text.getXDirAdj() + text.getWidthDirAdj());
            super.processTextPosition(text);
        }
    }

    @Test
    void answersAreAssociatedWithTheWhole() throws IOException {
        try (PDDocument document = Loader.loadPDF(FinishedPdf.write(printed("drilling-agreement", "", BOARD)))) {
            assertThat(document.getDocumentCatalog()
                            .getNames()
                            .getEmbeddedFiles()
                            .getNames())
                    .containsOnlyKeys("answers.json");
            assertThat(document.getDocumentCatalog().getCOSObject().getCOSArray(COSName.getPDFName("AF")))
                    .hasSize(1);
            assertThat(document.getDocumentInformation().getCreationDate().toInstant())
                    .isEqualTo(FINISHED);
        }
    }

    @ParameterizedTest
    @CsvSource({"de, Seite1von, nichtbeantwortet", "fr, Page1sur, sansréponse", "ja, Page1of, notanswered"})
    void thePaperSpeaksTheLanguageOfTheDocument(String language, String page, String blank) throws IOException {
        assertThat(words(FinishedPdf.write(printed("borehole-and-well-permit", language, Theme.PLAIN))))
                .contains(page, blank);
    }

    private static String words(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", "");
        }
    }
}
