package loesscape.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Content;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PageImages;
import loesscape.formats.paper.PrintedRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * A finished document of three pages: set from what it shows to the bytes of the file; that file read and written again by
 * the library alone, as a yardstick; and one of its pages drawn for the screen.
 */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 5, time = 3)
@Fork(1)
@State(Scope.Benchmark)
public class Printing {

    private final PrintedRecord printed = PrintedRecord.of(content(), new RecordHeading(1, 1, Instant.EPOCH));
    private final byte[] pdf = FinishedPdf.write(printed);

    public Printing() {
        int pages = PageImages.count(pdf);
        if (pages != 3) {
            throw new IllegalStateException("It has %d pages instead of three".formatted(pages));
        }
    }

    static Content content() {
        List<Content.Block> blocks = new ArrayList<>();
        for (int section = 1; section <= 3; section++) {
            int number = section;
            blocks.add(new Content.Block.Lines(
                    "Section " + section,
                    1,
                    String.valueOf(section),
                    IntStream.range(0, 11)
                            .<Content.Line>mapToObj(i -> Content.Line.Answer.of(
                                    "f%d_%d".formatted(number, i),
                                    "Question %d of this section".formatted(i),
                                    "An answer of some words, number %d".formatted(i),
                                    i % 5 == 0 ? Look.of(Look.Shade.MOSS, true, Look.Mark.TICK) : Look.PLAIN))
                            .toList()));
        }
        List<Content.TableRow> rows = IntStream.range(0, 20)
                .mapToObj(i -> new Content.TableRow(
                        Look.PLAIN,
                        List.of(
                                Content.Line.Answer.of("a@r" + i, "Hole", "H" + i, Look.PLAIN),
                                Content.Line.Answer.of("b@r" + i, "Depth", i + " cm", Look.PLAIN),
                                Content.Line.Answer.of("c@r" + i, "Soil", "Sandy loam, moist", Look.PLAIN))))
                .toList();
        blocks.add(new Content.Block.Rows(
                "Samples",
                1,
                "5",
                List.of(
                        new Content.TableColumn("Hole", false),
                        new Content.TableColumn("Depth", true),
                        new Content.TableColumn("Soil", false)),
                rows));
        return new Content("Borehole and well permit", "Form W2", blocks, PageSettings.PLAIN);
    }

    @Benchmark
    public byte[] set() {
        return FinishedPdf.write(printed);
    }

    @Benchmark
    public byte[] readAndWrittenAgain() throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    @Benchmark
    public byte[] pageDrawnForTheScreen() {
        return PageImages.png(pdf, 1, 110);
    }
}
