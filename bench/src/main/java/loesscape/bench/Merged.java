package loesscape.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.formats.answers.GivenAnswers;
import loesscape.formats.answers.Merging;
import loesscape.formats.answers.Merging.Making;
import loesscape.formats.paper.PageImages;
import loesscape.formats.paper.Theme;
import loesscape.formats.template.TemplateArchive;
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
 * A document of three pages made of one line of a table: matched, evaluated, checked and set, to the bytes of the file; beside
 * it the finished PDF read and written again by the library alone, as a yardstick.
 */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 5, time = 3)
@Fork(1)
@State(Scope.Benchmark)
public class Merged {

    private static final int FIELDS = 39;

    private final GivenAnswers given = given();
    private final Merging pdf = merging(Making.PDF);
    private final Merging docx = merging(Making.DOCX);
    private final Merging fillable = merging(Making.FILLABLE);
    private final Merging fillableDocx = merging(Making.FILLABLE_DOCX);
    private final byte[] finished = pdf();

    public Merged() {
        int pages = PageImages.count(finished);
        if (pages != 3) {
            throw new IllegalStateException("It has %d pages instead of three".formatted(pages));
        }
    }

    private static Merging merging(Making making) {
        List<Section> sections = new ArrayList<>();
        for (int s = 0; s < 3; s++) {
            List<Item> items = new ArrayList<>();
            for (int i = s * FIELDS / 3; i < (s + 1) * FIELDS / 3; i++) {
                Field field = Field.of("f" + i, "Question %d of this section".formatted(i), new FieldKind.Text("", 0));
                items.add(i % 3 == 2 ? field.withShown(new Clause.Answered("f" + (i - 1))) : field);
            }
            sections.add(Section.of("s" + s, "Section " + (s + 1), items));
        }
        Template template = Template.of("Borehole and well permit", List.of(new Page("p", "", null, sections)));
        return new Merging(
                new TemplateArchive(template, List.of(), List.of()),
                Theme.PLAIN,
                making,
                LocalDate.EPOCH,
                Instant.EPOCH);
    }

    private static GivenAnswers given() {
        Map<String, List<String>> values = new LinkedHashMap<>();
        for (int i = 0; i < FIELDS; i++) {
            values.put("Question %d of this section".formatted(i), List.of("An answer of some words, number " + i));
        }
        return new GivenAnswers(values);
    }

    private byte[] made(Merging merging) {
        return merging.make(1, given).file().orElseThrow();
    }

    @Benchmark
    public byte[] pdf() {
        return made(pdf);
    }

    @Benchmark
    public byte[] docx() {
        return made(docx);
    }

    @Benchmark
    public byte[] fillable() {
        return made(fillable);
    }

    @Benchmark
    public byte[] fillableDocx() {
        return made(fillableDocx);
    }

    @Benchmark
    public byte[] readAndWrittenAgain() throws IOException {
        try (PDDocument document = Loader.loadPDF(finished)) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }
}
