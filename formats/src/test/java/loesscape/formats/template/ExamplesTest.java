package loesscape.formats.template;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Template;
import loesscape.core.wording.Sentences;
import loesscape.formats.json.Json;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;

/** The example files of {@code docs/examples}: each is a template, and each of its trials comes out as it says. */
class ExamplesTest {

    private static final Schema SCHEMA = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(TemplateFile.schema());

    @TestFactory
    Stream<DynamicTest> everyTrialComesOutAsItSays() throws IOException {
        List<String> names = ExampleTrial.names();
        assertThat(names).hasSizeGreaterThan(15);
        return names.stream().flatMap(ExamplesTest::trials);
    }

    private static Stream<DynamicTest> trials(String name) {
        String text = ExampleTrial.template(name);
        assertThat(SCHEMA.validate(text, InputFormat.JSON)).as(name).isEmpty();
        Template template = TemplateFile.read(text);
        assertThat(new Sentences(PreparedTemplate.of(template)).all()).isNotEmpty();
        CompiledTemplate compiled = CompiledTemplate.compile(template);
        return ExampleTrial.of(name).stream()
                .map(trial -> DynamicTest.dynamicTest(name + ": " + trial.says(), () -> check(compiled, trial)));
    }

    private static void check(CompiledTemplate compiled, ExampleTrial trial) {
        JsonNode state =
                Json.parse(StateFile.write(compiled.template(), compiled.evaluate(trial.answers(), trial.context())));
        trial.expected().properties().forEach(entry -> {
            JsonNode is = state.at(entry.getKey());
            assertThat(is.toString())
                    .as("%s in %s", entry.getKey(), state)
                    .isEqualTo(entry.getValue().toString());
        });
    }
}
