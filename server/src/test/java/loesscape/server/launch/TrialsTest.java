package loesscape.server.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Document;
import org.xml.sax.InputSource;

/** {@code trial}: what comes of the trials of a template. */
class TrialsTest {

    private static final String EXAMPLE = "../docs/examples/promises.loess.json";

    @TempDir
    Path folder;

    private String failing() throws IOException {
        String text = Files.readString(Path.of(EXAMPLE))
                .replace("\"typed\": \"750\"", "\"typed\": \"751\"")
                .replace("Deep and drilled", "Deep & <drilled>");
        return Files.writeString(folder.resolve("failing.loess.json"), text).toString();
    }

    @Test
    void whatComesAsExpectedEndsWellAndWhatDoesNotIsTold() throws IOException {
        CommandResult passed = Trials.run(List.of(EXAMPLE));
        assertThat(passed.exitCode()).isZero();
        // 20 m and 250 m: the casing, the text and the witness come both ways; nothing stands at an edge.
        assertThat(passed.text())
                .isEqualTo(
                        "passed: Deep and drilled (10 expected)%npassed: Only answers (0 expected)%ntried: of 7 clauses 3 both ways, 3 alone deciding both ways; of 4 edges 0 exactly%n"
                                .formatted());
        CommandResult said = Trials.run(List.of(failing()));
        assertThat(said.exitCode()).isEqualTo(1);
        assertThat(said.text().lines())
                .startsWith(
                        "FAILED: Deep & <drilled> (1 of 10 otherwise)",
                        "  Cost: expected 751, is 750. Worked out: depth * 3.",
                        "passed: Only answers (0 expected)");
        assertThat(Trials.run(List.of("--json", failing())).text())
                .contains("\"expected\" : \"751\"", "\"actual\" : \"750\"");
    }

    @Test
    void buildServersReadTheReport() throws Exception {
        Path report = folder.resolve("trials.xml");
        assertThat(Trials.run(List.of(failing(), "--junit", report.toString())).exitCode())
                .isEqualTo(1);
        Document xml = DocumentBuilderFactory.newDefaultInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(Files.readString(report))));
        var suite = xml.getDocumentElement();
        assertThat(suite.getTagName()).isEqualTo("testsuite");
        assertThat(suite.getAttribute("tests")).isEqualTo("2");
        assertThat(suite.getAttribute("failures")).isEqualTo("1");
        var cases = suite.getElementsByTagName("testcase");
        assertThat(cases.getLength()).isEqualTo(2);
        assertThat(((org.w3c.dom.Element) cases.item(0)).getAttribute("name")).isEqualTo("Deep & <drilled>");
        var failure =
                (org.w3c.dom.Element) suite.getElementsByTagName("failure").item(0);
        assertThat(failure.getAttribute("message")).isEqualTo("Cost: expected 751, is 750");
        assertThat(failure.getTextContent()).isEqualTo("Worked out: depth * 3.");
        assertThatThrownBy(() -> Trials.run(List.of(
                        EXAMPLE, "--junit", folder.resolve("no/where.xml").toString())))
                .hasMessageContaining("cannot be written");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "--junit", "a.json --junit", "a.json --today soon", "a.json b.json", "--else"})
    void whatIsNotUnderstoodIsSaid(String arguments) {
        List<String> all = arguments.isEmpty() ? List.of() : List.of(arguments.split(" ", -1));
        assertThatThrownBy(() -> Trials.run(all))
                .isInstanceOf(LaunchProblem.class)
                .hasMessageContaining("trial needs one file");
    }

    @Test
    void whatWasNotTriedIsSuggestedIntoAFile() {
        Path file = folder.resolve("suggested.loess.json");
        String text = Trials.run(List.of(EXAMPLE, "--suggest", file.toString(), "--today", "2028-02-28"))
                .text();
        assertThat(text).contains("suggested: ").contains("more trials; look at what they expect.");
        CommandResult again = Trials.run(List.of(file.toString(), "--today", "2028-02-28"));
        assertThat(again.exitCode()).isZero();
        assertThat(again.text()).contains("of 7 clauses 7 both ways, 7 alone deciding both ways; of 4 edges 4 exactly");
        assertThat(Trials.run(List.of(
                                file.toString(),
                                "--suggest",
                                folder.resolve("b.json").toString(),
                                "--today",
                                "2028-02-28"))
                        .text())
                .contains("with 0 more trials");
    }
}
