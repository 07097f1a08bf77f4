package loesscape.formats.flat;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Stream;
import loesscape.formats.flat.ProposedPlace.PrintedBox;
import loesscape.formats.flat.ProposedPlace.ProposedMark;
import loesscape.formats.flat.ProposedPlace.Writing;
import loesscape.formats.form.ImportedPdf;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;

/**
 * Forms without fields, of different make, each with the places a person would draw (a line each in its {@code .tsv}: kind,
 * page, left, top, width, height in points, label): at least 95 in 100 are found, and at most 5 in 100 that are found are
 * none.
 */
class FlatFormsTest {

    private static final double POINT = 2540.0 / 72;

    private static final List<String> MAKES = List.of("word-processor", "web-page");

    /** A place as a person draws it, or as it is found. */
    private record Drawn(boolean isMark, int page, double left, double top, double width, double height, String label) {

        static Drawn of(String line) {
            String[] cells = line.split("\t", -1);
            return new Drawn(
                    cells[0].equals("tick"),
                    Integer.parseInt(cells[1]),
                    Double.parseDouble(cells[2]),
                    Double.parseDouble(cells[3]),
                    Double.parseDouble(cells[4]),
                    Double.parseDouble(cells[5]),
                    cells[6]);
        }

        static Drawn of(boolean isMark, int page, PrintedBox box, String label) {
            return new Drawn(
                    isMark,
                    page,
                    box.left() / POINT,
                    box.top() / POINT,
                    box.width() / POINT,
                    box.height() / POINT,
                    label);
        }

        /** How much of the wider of two is covered by both; 0 where they do not meet. */
        double likeness(Drawn other) {
            double across = Math.min(left + width, other.left + other.width) - Math.max(left, other.left);
            double down = Math.min(top + height, other.top + other.height + 2) - Math.max(top, other.top - 2);
            boolean meets = page == other.page && isMark == other.isMark && across > 0 && down > 0;
            return meets ? across / Math.max(width, other.width) : 0;
        }

        String plain() {
            return Normalizer.normalize(label, Normalizer.Form.NFC)
                    .toLowerCase(Locale.ROOT)
                    .replaceAll("[^\\p{L}\\p{N}]+", " ")
                    .strip();
        }
    }

    private static final class Score {

        private int drawn;
        private int found;
        private int right;
        private int named;
        private final List<String> faults = new ArrayList<>();

        void add(Path form) throws IOException {
            add(form, Files.readAllBytes(form));
        }

        void add(Path form, byte[] content) throws IOException {
            String name = Objects.requireNonNull(form.getFileName()).toString().replace(".pdf", "");
            List<Drawn> truth = Files.readAllLines(form.resolveSibling(name + ".tsv")).stream()
                    .map(Drawn::of)
                    .toList();
            List<Drawn> left = new ArrayList<>(found(content));
            drawn += truth.size();
            found += left.size();
            for (Drawn each : truth) {
                Drawn best = left.stream()
                        .reduce((one, other) -> one.likeness(each) >= other.likeness(each) ? one : other)
                        .filter(one -> one.likeness(each) > 0.5)
                        .orElse(null);
                if (best == null) {
                    faults.add(name + " misses " + each);
                } else {
                    right++;
                    left.remove(best);
                    if (best.plain().equals(each.plain())) {
                        named++;
                    } else {
                        faults.add(name + " calls “%s” “%s”".formatted(each.label, best.label));
                    }
                }
            }
            left.forEach(each -> faults.add(name + " invents " + each));
        }

        @Override
        public String toString() {
            return "%d drawn, %d found, %d right, %d named right%n%s"
                    .formatted(drawn, found, right, named, String.join("\n", faults));
        }
    }

    static List<ProposedPlace> proposals(byte[] form) {
        return ImportedPdf.read(form, "", "Form").found().stream()
                .flatMap(page -> page.proposals().stream())
                .toList();
    }

    private static List<Drawn> found(byte[] form) {
        List<FlatPage> pages = ImportedPdf.read(form, "", "Form").found();
        List<Drawn> found = new ArrayList<>();
        for (int i = 0; i < pages.size(); i++) {
            for (ProposedPlace place : pages.get(i).proposals()) {
                if (place.writing() == Writing.MARK) {
                    for (ProposedMark mark : place.marks()) {
                        String label =
                                place.marks().size() == 1 && mark.label().isEmpty() ? place.label() : mark.label();
                        found.add(Drawn.of(true, i, mark.place(), label));
                    }
                } else {
                    found.add(Drawn.of(false, i, place.place(), place.label()));
                }
            }
        }
        return found;
    }

    private static Score scored(String make) throws Exception {
        Path folder = Path.of(
                Objects.requireNonNull(FlatFormsTest.class.getResource(make)).toURI());
        Score score = new Score();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path form : files.filter(file -> file.toString().endsWith(".pdf"))
                    .sorted()
                    .toList()) {
                score.add(form);
            }
        }
        return score;
    }

    /** The same pages as if they had been scanned, a little askew: lines and boxes are found, words are not read. */
    private static byte[] scanned(byte[] form) throws IOException {
        try (PDDocument printed = Loader.loadPDF(form);
                PDDocument scanned = new PDDocument()) {
            PDFRenderer renderer = new PDFRenderer(printed);
            for (int i = 0; i < printed.getNumberOfPages(); i++) {
                PDRectangle box = printed.getPage(i).getMediaBox();
                PDPage page = new PDPage(box);
                scanned.addPage(page);
                try (PDPageContentStream drawing = new PDPageContentStream(scanned, page)) {
                    PDImageXObject picture = JPEGFactory.createFromImage(
                            scanned, renderer.renderImageWithDPI(i, 200, ImageType.GRAY), 0.7f);
                    drawing.transform(Matrix.getRotateInstance(Math.toRadians(0.15), 0, 0));
                    drawing.drawImage(picture, 0, 0, box.getWidth(), box.getHeight());
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            scanned.save(out);
            return out.toByteArray();
        }
    }

    @Test
    void ofAScannedPageLinesAndBoxesAreFound() throws Exception {
        Path folder = Path.of(Objects.requireNonNull(FlatFormsTest.class.getResource("word-processor"))
                .toURI());
        Score score = new Score();
        for (String name : List.of("boxed-a", "grid-a", "lines-a", "rows-a", "mixed-a", "comb-a", "traps-a")) {
            score.add(folder.resolve(name + ".pdf"), scanned(Files.readAllBytes(folder.resolve(name + ".pdf"))));
        }
        assertThat(score.right).as("%s", score).isGreaterThanOrEqualTo(score.drawn * 8 / 10);
        assertThat(score.found - score.right).as("%s", score).isLessThanOrEqualTo(score.found / 8);
    }

    @Test
    void placesAreFoundWhereAPersonWouldDrawThem() throws Exception {
        for (String make : MAKES) {
            Score score = scored(make);
            assertThat(score.drawn).isGreaterThan(100);
            assertThat(score.right).as("%s: %s", make, score).isGreaterThanOrEqualTo((int)
                    Math.ceil(score.drawn * 0.95));
            assertThat(score.found - score.right).as("%s: %s", make, score).isLessThanOrEqualTo(score.found / 20);
            assertThat(score.named).as("%s: %s", make, score).isGreaterThanOrEqualTo(score.right * 9 / 10);
        }
    }
}
