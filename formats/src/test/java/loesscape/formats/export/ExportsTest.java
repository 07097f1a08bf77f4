package loesscape.formats.export;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Settled;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.formats.json.Json;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PrintFindings;
import loesscape.formats.paper.PrintedRecord;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Records as CSV, JSON and PDF. */
class ExportsTest {

    private static final RecordHeading HEADING = new RecordHeading(7, 2, Instant.parse("2026-11-24T09:42:00Z"));

    private static final Template TEMPLATE = template(
            field("name", "Name", new FieldKind.Text("", 0)),
            field("depth", "Depth", new FieldKind.Number(1, "m", null, null)),
            field("secret", "Secret", new FieldKind.Text("", 0)).withShown(new Clause.IsBlank("name")));

    @Test
    void csvIsReadBackAsItWasWrittenAndHarmlessInASpreadsheet() throws IOException {
        for (String name : List.of("two\r\nlines", "a \"quoted\", b", "=HYPERLINK(\"x\")", "@SUM(1)", "-1+2", "ü")) {
            String csv = RecordsCsv.write(TEMPLATE.fields(), List.of(row(Map.of("name", name, "depth", "-3.50"))));
            try (CSVParser parser = CSVParser.parse(new StringReader(csv), CSVFormat.RFC4180)) {
                var lines = parser.getRecords();
                assertThat(lines).hasSize(2);
                assertThat(lines.get(0).toList())
                        .containsExactly("record", "release", "finished", "name", "depth", "secret");
                boolean formula = "=@-".indexOf(name.charAt(0)) >= 0;
                assertThat(lines.get(1).toList())
                        .containsExactly("7", "2", "2026-11-24T09:42:00Z", formula ? "'" + name : name, "-3.5", "");
            }
            assertThat(csv).endsWith("\r\n");
        }
    }

    @Test
    void jsonHoldsOnlyWhatCounts() {
        String json = RecordsJson.write(List.of(row(Map.of("name", "Ilvo", "depth", "3.50", "secret", "x"))));
        assertThat(Json.parse(json).get(0).get("answers").toString()).isEqualTo("{\"name\":\"Ilvo\",\"depth\":3.5}");
    }

    @Test
    void pdfShowsWhatCountsOverSeveralPagesWithItsFontsEmbedded(@TempDir Path folder) throws Exception {
        List<Item> items = new ArrayList<>();
        Answers answers = Answers.NONE;
        for (int i = 0; i < 80; i++) {
            items.add(field("f" + i, "Question " + i, new FieldKind.LongText("", 0)));
            answers = answers.with("f" + i, "Answer " + i + " Ilvo Bränders, Γη, Земля, " + "long ".repeat(i));
        }
        items.add(field("folded", "Folded question", new FieldKind.YesNo()).withShown(new Clause.IsBlank("f0")));
        answers = answers.with("f3", "unseen signs 🌱 漢 \u202e \u0000 end").with("f4", "w".repeat(2_000));
        Template template = template(items.toArray(Item[]::new));
        Content content =
                Content.of(template, CompiledTemplate.compile(template).evaluate(answers));
        Path file = folder.resolve("record.pdf");
        Files.write(file, FinishedPdf.write(PrintedRecord.of(content, HEADING)));

        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            String text = new PDFTextStripper().getText(document);
            assertThat(document.getNumberOfPages()).isGreaterThan(4);
            assertThat(text)
                    .contains("Question 79", "Answer 79 Ilvo Bränders, Γη, Земля", "Record 7, release 2")
                    .contains("Page 1 of " + document.getNumberOfPages())
                    .doesNotContain("Folded question");
        }
        assertThat(run("qpdf", "--check", file.toString())).contains("No syntax or stream encoding errors");
        assertThat(run("pdffonts", file.toString()).lines().skip(2))
                .isNotEmpty()
                .allSatisfy(font -> assertThat(font)
                        .as("embedded and with a map to Unicode: " + font)
                        .matches(".*\\byes\\s+(yes|no)\\s+yes\\b.*"));
    }

    private static String run(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        ByteArrayOutputStream output = new ByteArrayOutputStream();
        process.getInputStream().transferTo(output);
        assertThat(process.waitFor())
                .as(output.toString(StandardCharsets.UTF_8))
                .isZero();
        return output.toString(StandardCharsets.UTF_8);
    }

    @Test
    void nothingVanishesFromPrint(@TempDir Path folder) throws Exception {
        String signs = "depth ≥ 30, ≤ 2, ≠ 4, √2 → ∞, □ ☑ ✓";
        Template template = template(field("f", signs, new FieldKind.LongText("", 0)));
        String unbroken = "w".repeat(49_000);
        Content content = Content.of(
                template, CompiledTemplate.compile(template).evaluate(Answers.NONE.with("f", "a 🌱 b " + unbroken)));
        Path file = Files.write(folder.resolve("signs.pdf"), FinishedPdf.write(PrintedRecord.of(content, HEADING)));
        String text = run("pdftotext", file.toString(), "-");
        assertThat(text).contains(signs, "\uFFFD");
        assertThat(text.chars().filter(character -> character == 'w').count()).isEqualTo(unbroken.length());
        assertThat(PrintFindings.of(template)).isEmpty();
        assertThat(PrintFindings.of(template(field("f", "Seeds 🌱", new FieldKind.Text("", 0)))))
                .singleElement()
                .satisfies(finding -> {
                    assertThat(finding.key()).isEqualTo("f");
                    assertThat(finding.message()).contains("🌱 (U+1F331)");
                });
    }

    private static RecordRow row(Map<String, String> typed) {
        return new RecordRow(
                HEADING, TEMPLATE, CompiledTemplate.compile(TEMPLATE).evaluate(new Answers(typed)), Settled.NOTHING);
    }

    private static Template template(Item... items) {
        Section section = Section.of("s", "Section", List.of(items));
        return Template.of("Record", List.of(new Page("p", "", null, List.of(section))));
    }

    private static Field field(String key, String label, FieldKind kind) {
        return Field.of(key, label, kind);
    }
}
