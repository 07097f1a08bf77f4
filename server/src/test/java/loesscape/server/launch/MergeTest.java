package loesscape.server.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** {@code merge}: a document for each line, a report of all, and a bad line that stops no other. */
class MergeTest {

    @TempDir
    Path folder;

    private String file(String name, String content) {
        try {
            return Files.writeString(folder.resolve(name), content).toString();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private String template() {
        return file("wells.loess.json", """
                {"formatVersion": 2, "title": "Well book", "pages": [{"key": "page", "title": "", "sections": [
                  {"key": "section", "title": "", "items": [
                    {"type": "field", "key": "owner", "label": "Owner", "kind": {"type": "text"}, "required": {"type": "always"}},
                    {"type": "field", "key": "depth", "label": "Depth", "kind": {"type": "number", "unit": "m",
                      "upper": {"at": 100, "included": true}}}]}]}]}
                """);
    }

    private record Run(int exitCode, String told, List<String> files) {}

    private Run run(String... options) throws IOException {
        String table = file("wells.csv", "Owner;Depth;River\nFemke;84;\nIlvo;184;\n;12;\nWilma;;Lede\n");
        Path out = folder.resolve("out");
        List<String> arguments = new ArrayList<>(List.of(template(), table, out.toString()));
        arguments.addAll(List.of(options));
        ByteArrayOutputStream told = new ByteArrayOutputStream();
        int exitCode = Merge.run(arguments, new PrintStream(told, true, StandardCharsets.UTF_8));
        try (Stream<Path> files = Files.list(out)) {
            return new Run(
                    exitCode,
                    told.toString(StandardCharsets.UTF_8),
                    files.map(each -> each.getFileName().toString()).sorted().toList());
        }
    }

    @Test
    void eachLineThatIsCompleteBecomesADocumentAndTheReportSaysWhyOthersDidNot() throws IOException {
        Run run = run();
        assertThat(run.exitCode()).isEqualTo(1);
        assertThat(run.files()).containsExactly("0001-Femke.pdf", "0004-Wilma.pdf", "report.csv");
        assertThat(run.told())
                .contains(
                        "2: “Depth” (“184”): This must be",
                        "3: Not answered yet: “Owner”.",
                        "4: “River” is no question of this document.",
                        "2 of 4 documents made");
        assertThat(Files.readString(folder.resolve("out/report.csv")))
                .startsWith("\"number\",\"file\",\"problems\"")
                .contains("\"1\",\"0001-Femke.pdf\",\"\"", "\"2\",\"\",\"“Depth” (“184”)");
        try (PDDocument document =
                Loader.loadPDF(folder.resolve("out/0001-Femke.pdf").toFile())) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("Well book", "Femke", "84 m")
                    .doesNotContain("Tried out");
        }
    }

    @ParameterizedTest
    @CsvSource({"--docx, 0001-Femke.docx", "--fillable, 0002-Ilvo.pdf", "--fillable-docx, 0003-12.docx"})
    void otherFilesAreMadeOnRequest(String option, String file) throws IOException {
        Run run = run(option, "--today", "2026-11-28");
        assertThat(run.files()).contains(file);
        assertThat(run.exitCode()).isEqualTo(option.startsWith("--fillable") ? 0 : 1);
    }

    @Test
    void nothingThatIsThereIsWrittenOver() throws IOException {
        run();
        assertThatThrownBy(this::run)
                .isInstanceOf(LaunchProblem.class)
                .hasMessageContaining("is there already; name an empty folder");
    }

    @Test
    void whatCannotBeReadIsSaid() {
        PrintStream out = new PrintStream(new ByteArrayOutputStream(), true, StandardCharsets.UTF_8);
        String to = folder.resolve("out").toString();
        assertThatThrownBy(() -> Merge.run(List.of(template()), out)).hasMessageStartingWith("merge needs a template");
        assertThatThrownBy(() -> Merge.run(List.of(file("a.json", "{}"), file("b.csv", "a\n1\n"), to), out))
                .hasMessageContaining("cannot be taken");
        assertThatThrownBy(() -> Merge.run(List.of(template(), file("b.csv", "a\n"), to), out))
                .hasMessageContaining("The table has no line below its heading.");
        assertThatThrownBy(() -> Merge.run(List.of(template(), file("b.csv", "a\n1\n"), to, "--today", "soon"), out))
                .hasMessageContaining("--today takes a day");
    }
}
