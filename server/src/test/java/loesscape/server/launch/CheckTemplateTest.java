package loesscape.server.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.Findings;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Template;
import loesscape.formats.template.TemplateFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** {@code check}: what is wrong with a template, and what its logic does for all possible answers. */
class CheckTemplateTest {

    @TempDir
    Path folder;

    private String template(String above) {
        try {
            return Files.writeString(folder.resolve("wells.loess.json"), """
                            {"formatVersion": 2, "title": "Well book", "pages": [{"key": "page", "title": "", "sections": [
                              {"key": "section", "title": "", "items": [
                                {"type": "field", "key": "depth", "label": "Depth", "kind": {"type": "number", "unit": "m"}},
                                {"type": "field", "key": "dug", "label": "Who dug it?", "kind": {"type": "text"},
                                  "shown": {"type": "comparison", "field": "depth", "test": "less", "to": {"type": "number", "number": 30}}},
                                {"type": "field", "key": "bored", "label": "Who bored it?", "kind": {"type": "text"},
                                  "shown": {"type": "comparison", "field": "depth", "test": "%s", "to": {"type": "number", "number": 30}}}]}]}]}
                            """.formatted(above))
                    .toString();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void whatIsFoundIsToldWithAnExample() {
        assertThat(CheckTemplate.run(List.of(template("more"))).text().lines())
                .containsExactly(
                        "“Well book” can be taken: 3 fields in 5 pages, sections and items.",
                        "dug: Where Depth is 30 m, neither “Who dug it?” nor “Who bored it?” is shown; let one of them take the edge. For example: depth = 30.");
        assertThat(CheckTemplate.run(List.of(template("atLeast"))).text().lines())
                .containsExactly("“Well book” can be taken: 3 fields in 5 pages, sections and items.");
    }

    @Test
    void asJsonItIsTheSameForOtherPrograms() {
        assertThat(CheckTemplate.run(List.of(template("more"), "--json", "--today", "2026-11-28"))
                        .text())
                .contains(
                        "\"title\" : \"Well book\"",
                        "\"key\" : \"dug\"",
                        "\"depth\" : \"30\"",
                        "\"today\" : \"2026-11-28\"")
                .contains("\"type\" : \"setCondition\"");
        assertThat(CheckTemplate.run(List.of("--json", template("atLeast"))).text())
                .contains("\"findings\" : [ ]");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "--today", "--today soon", "--else", "a.json b.json"})
    void whatIsNotUnderstoodIsSaid(String arguments) {
        List<String> all = arguments.isEmpty() ? List.of() : List.of(arguments.split(" ", -1));
        assertThatThrownBy(() -> CheckTemplate.run(all))
                .isInstanceOf(LaunchProblem.class)
                .hasMessageContaining("check needs one file");
    }

    @Test
    void aTemplateThatCannotBeTakenSaysWhere() {
        String file = template("around");
        assertThatThrownBy(() -> CheckTemplate.run(List.of(file)))
                .isInstanceOf(LaunchProblem.class)
                .hasMessageContaining("/pages/0/sections/0/items/2");
    }

    /** Somebody signs what a later answer takes out of the document again, which keeps it from being released. */
    @Test
    void aFindingThatIsAcceptedNoLongerEndsTheCommandWithOne() throws IOException {
        Template template = TemplateFile.read("""
                {"formatVersion": 2, "title": "Well book",
                  "roles": [{"key": "owner", "name": "Owner", "order": 1}, {"key": "driller", "name": "Driller", "order": 2}],
                  "pages": [{"key": "page", "title": "", "sections": [{"key": "section", "title": "", "items": [
                    {"type": "field", "key": "agreed", "label": "Agreed", "kind": {"type": "signature"}, "role": "owner",
                      "shown": {"type": "answered", "field": "depth"}},
                    {"type": "field", "key": "depth", "label": "Depth", "kind": {"type": "number"}, "role": "driller"},
                    {"type": "field", "key": "drilled", "label": "Drilled", "kind": {"type": "signature"}, "role": "driller"}]}]}]}
                """);
        String file = folder.resolve("turns.loess.json").toString();
        Files.writeString(Path.of(file), TemplateFile.write(template));
        assertThat(CheckTemplate.run(List.of(file)).exitCode()).isEqualTo(1);
        for (Finding finding : Findings.of(PreparedTemplate.of(template))) {
            template = Editing.apply(
                    template, new Edit.AcceptFinding(finding.key(), finding.message(), "Both come on the same day."));
        }
        Files.writeString(Path.of(file), TemplateFile.write(template));
        CommandResult said = CheckTemplate.run(List.of(file));
        assertThat(said.text()).contains("Accepted: Both come on the same day.");
        assertThat(said.exitCode()).isZero();
        assertThat(CheckTemplate.run(List.of(file, "--json")).text())
                .contains("\"accepted\" : \"Both come on the same day.\"");
        Files.writeString(
                Path.of(file),
                TemplateFile.write(Editing.apply(
                        template,
                        new Edit.SetCondition(List.of("depth"), List.of(Aspect.REQUIRED), new Condition.Always()))));
        assertThat(CheckTemplate.run(List.of(file)).exitCode()).isEqualTo(1);
    }

    private static final String EXAMPLE = "../docs/examples/promises.loess.json";

    @Test
    void promisesAreToldAndABrokenOneEndsTheCommandWithOne() throws IOException {
        CommandResult kept = CheckTemplate.run(List.of(EXAMPLE, "--today", "2028-02-28"));
        assertThat(kept.exitCode()).isZero();
        assertThat(kept.text())
                .contains(
                        "kept: Whenever Depth is more than 100 m, Casing is always required.",
                        "kept: Whenever Depth is answered, exactly one of Casing and No casing is needed. is always shown.");
        String broken = Files.readString(Path.of(EXAMPLE))
                .replace(
                        "\"required\": { \"type\": \"comparison\", \"field\": \"depth\", \"test\": \"more\"",
                        "\"required\": { \"type\": \"comparison\", \"field\": \"depth\", \"test\": \"less\"");
        String file =
                Files.writeString(folder.resolve("broken.loess.json"), broken).toString();
        CommandResult said = CheckTemplate.run(List.of(file, "--today", "2028-02-28"));
        assertThat(said.exitCode()).isEqualTo(1);
        assertThat(said.text())
                .containsPattern(
                        "BROKEN: Whenever Depth is more than 100 m, Casing is always required\\. Not so for: depth = \\d+");
        assertThat(CheckTemplate.run(List.of(file, "--json")).text())
                .contains("\"type\" : \"broken\"", "\"type\" : \"kept\"");
    }

    @Test
    void aPromiseThatIsOutOfReachIsNotDecided() throws IOException {
        String open = Files.readString(Path.of(EXAMPLE))
                .replace(
                        "\"condition\": { \"type\": \"comparison\", \"field\": \"depth\", \"test\": \"atLeast\", \"to\": { \"type\": \"number\", \"number\": 30 } }",
                        "\"condition\": { \"type\": \"written\", \"formula\": \"depth * depth >= 900\" }");
        String file = Files.writeString(folder.resolve("open.loess.json"), open).toString();
        CommandResult said = CheckTemplate.run(List.of(file, "--today", "2028-02-28"));
        assertThat(said.exitCode()).isZero();
        assertThat(said.text()).containsPattern("not decided: .* Out of reach: .*depth \\* depth >= 900");
    }
}
