package loesscape.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.FilledPage;
import loesscape.core.evaluation.FilledPage.Ink;
import loesscape.core.model.Lettering;
import loesscape.core.model.Look;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Place;
import loesscape.core.model.SheetPage;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PageImages;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.paper.Theme;
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
 * A PDF of three pages brought as a form; 60 answers written on its pages, to the bytes of the finished file; that file read
 * and written again by the library alone, as a yardstick; and one of its pages drawn for the screen at twice its size.
 */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 6, time = 4)
@Measurement(iterations = 5, time = 3)
@Fork(1)
@State(Scope.Benchmark)
public class PlacedPrinting {

    private static final int ANSWERS = 20;

    private final byte[] brought =
            FinishedPdf.write(PrintedRecord.of(Printing.content(), new RecordHeading(1, 1, Instant.EPOCH)));
    private final ImportedPdf imported = ImportedPdf.read(brought, "", "Form");
    private final PrintedRecord printed = printed();
    private final byte[] pdf = FinishedPdf.write(printed);

    public PlacedPrinting() {
        if (!imported.remarks().stream().allMatch(remark -> remark.contains("no fields"))) {
            throw new IllegalStateException("Its pages are not kept as they are: " + imported.remarks());
        }
    }

    private PrintedRecord printed() {
        List<FilledPage> pages = new ArrayList<>();
        for (Page page : imported.template().pages()) {
            SheetPage sheet = page.sheet();
            if (sheet == null) {
                throw new IllegalStateException("A page without a sheet");
            }
            List<Ink> inks = new ArrayList<>();
            for (int i = 0; i < ANSWERS; i++) {
                Place place = Place.of("it", 2_000 + 9_000 * (i % 2), 3_000 + 1_100 * (i / 2), 8_000, 700);
                inks.add(
                        switch (i % 4) {
                            case 0 -> new Ink.Lettered(place, "Question " + i, "An answer of some words", Look.PLAIN);
                            case 1 ->
                                new Ink.Lettered(
                                        place.withLettering(Lettering.ofCells(8)),
                                        "Question " + i,
                                        "12042027",
                                        Look.PLAIN);
                            case 2 -> new Ink.Ticked(place, "Question " + i, "Yes", Lettering.Tick.CROSS);
                            default ->
                                new Ink.Lettered(
                                        place.withLettering(Lettering.ofLines()),
                                        "Question " + i,
                                        "An answer that takes two lines, because it is longer than its place is wide",
                                        Look.PLAIN);
                        });
            }
            pages.add(new FilledPage(page.key(), sheet, inks));
        }
        return new PrintedRecord(
                new Content("Form", "", List.of(), PageSettings.PLAIN, pages),
                new RecordHeading(1, 1, Instant.EPOCH),
                Theme.PLAIN,
                new PrintedRecord.Pictures(Map.of(), Map.of(), Map.of(imported.name(), imported.sheet())),
                "",
                null);
    }

    @Benchmark
    public byte[] written() {
        return FinishedPdf.write(printed);
    }

    @Benchmark
    public byte[] readAndWrittenByTheLibrary() throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    @Benchmark
    public ImportedPdf brought() {
        return ImportedPdf.read(brought, "", "Form");
    }

    @Benchmark
    public byte[] pageForTheScreen() {
        return PageImages.png(imported.sheet(), 1, 192);
    }
}
