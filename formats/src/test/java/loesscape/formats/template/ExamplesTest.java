package loesscape.formats.template;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.wording.Sentences;
import loesscape.formats.json.Json;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;

/** The example files of {@code docs/examples}: each is a template, and each of its trials comes out as it says. */
class ExamplesTest {

    private static final Path EXAMPLES = Path.of("../docs/examples");
    private static final Schema SCHEMA = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(TemplateFile.schema());

    @TestFactory
    Stream<DynamicTest> everyTrialComesOutAsItSays() throws IOException {
        List<Path> files;
        try (Stream<Path> all = Files.list(EXAMPLES)) {
            files = all.filter(file -> file.toString().endsWith(".loess.json"))
                    .sorted()
                    .toList();
        }
        assertThat(files).hasSizeGreaterThan(15);
        return files.stream().flatMap(ExamplesTest::trials);
    }

    private static Stream<DynamicTest> trials(Path file) {
        String text = read(file);
        assertThat(SCHEMA.validate(text, InputFormat.JSON)).as(file.toString()).isEmpty();
        Template template = TemplateFile.read(text);
        assertThat(new Sentences(PreparedTemplate.of(template)).all()).isNotEmpty();
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        String name = file.getFileName().toString().replace(".loess.json", "");
        JsonNode trials = Json.parse(read(file.resolveSibling(name + ".trials.json")));
        return trials.values().stream()
                .map(trial -> DynamicTest.dynamicTest(
                        name + ": " + trial.get("says").stringValue(), () -> check(compiled, trial)));
    }

    private static void check(CompiledTemplate compiled, JsonNode trial) {
        Answers answers = AnswersFile.read(trial.get("answers").toString());
        JsonNode state = Json.parse(StateFile.write(compiled.evaluate(answers, context(trial))));
        trial.get("expect").properties().forEach(entry -> {
            JsonNode is = state.at(entry.getKey());
            assertThat(is.toString())
                    .as("%s in %s", entry.getKey(), state)
                    .isEqualTo(entry.getValue().toString());
        });
    }

    private static Context context(JsonNode trial) {
        JsonNode today = trial.get("today");
        JsonNode stage = trial.get("stage");
        JsonNode role = trial.get("role");
        return new Context(
                today == null ? null : LocalDate.parse(today.stringValue()),
                stage == null
                        ? Stage.FILLING
                        : Stage.valueOf(stage.stringValue().toUpperCase(Locale.ROOT)),
                role == null ? "" : role.stringValue());
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
