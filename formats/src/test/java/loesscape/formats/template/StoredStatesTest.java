package loesscape.formats.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import loesscape.core.evaluation.CompiledTemplate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The state of a document is read by the programs of others: a change of its form fails here, not there. */
class StoredStatesTest {

    private static final Path GOLDEN = Path.of("src/test/resources/loesscape/formats/template");

    /** Between them they have every kind of node and of answer, rows, roles, looks, and what keeps from finishing. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "roles",
                "rows",
                "looks",
                "lookup",
                "payment",
                "indicators",
                "checks",
                "pages-and-trials",
                "several-choices",
                "ratings-and-times"
            })
    void aStateIsWrittenAsItAlwaysWas(String name) throws IOException {
        CompiledTemplate compiled = CompiledTemplate.compile(TemplateFile.read(ExampleTrial.template(name)));
        String all = ExampleTrial.of(name).stream()
                .map(trial -> StateFile.write(compiled.template(), compiled.evaluate(trial.answers(), trial.context())))
                .collect(Collectors.joining("\n"));
        Path golden = GOLDEN.resolve("states-" + name + ".json");
        if (Boolean.getBoolean("loesscape.make")) {
            Files.writeString(golden, all);
        }
        assertThat(all).isEqualTo(Files.readString(golden));
    }
}
