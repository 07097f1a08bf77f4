package loesscape.formats.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.util.stream.Stream;
import loesscape.core.model.InvalidTemplate;
import loesscape.core.model.Problem;
import loesscape.core.model.Template;
import loesscape.core.testing.Cases;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Template files: nothing is lost on the way, and what is no template file is refused with its place. */
class TemplateFileTest {

    private static final Schema SCHEMA = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(TemplateFile.schema());

    @Test
    void everyTemplateComesBackAsItWasAndMeetsTheSchema() {
        Cases.check("template file", 200, (random, size) -> {
            Template template = RandomTemplates.template(random, size);
            String file = TemplateFile.write(template);
            assertThat(TemplateFile.read(file)).isEqualTo(template);
            assertThat(TemplateFile.write(TemplateFile.read(file))).isEqualTo(file);
            assertThat(SCHEMA.validate(file, InputFormat.JSON)).isEmpty();
        });
    }

    @Test
    void theSchemaRefusesWhatTheReaderRefuses() {
        for (String broken :
                new String[] {"{\"formatVersion\":1,\"title\":\"T\"}", file("\"extra\":1,\"items\":[]"), "[]"}) {
            assertThat(SCHEMA.validate(broken, InputFormat.JSON)).as(broken).isNotEmpty();
            assertThat(refused(broken)).as(broken).isNotNull();
        }
    }

    static Stream<Arguments> hostile() {
        return Stream.of(
                Arguments.of("", "", "The file is empty."),
                Arguments.of("nonsense", "", "This is not JSON that can be read"),
                Arguments.of("[]", "", "A template file holds one JSON object."),
                Arguments.of("{\"title\":\"T\"}", "/formatVersion", "is missing or no number"),
                Arguments.of("{\"formatVersion\":99}", "/formatVersion", "Open it with a newer one"),
                Arguments.of(file("\"items\":5"), "/pages/0/sections/0/items", "Expected a list, found 5."),
                Arguments.of(
                        file("\"items\":[{\"type\":\"robot\",\"key\":\"a\"}]"),
                        "/pages/0/sections/0/items/0/type",
                        "Expected one of field, notice, indicator, picture, divider, overlay, section, found \"robot\"."),
                Arguments.of(
                        file("\"items\":[{\"type\":\"notice\",\"key\":\"a\",\"text\":\"b\",\"colour\":\"red\"}]"),
                        "/pages/0/sections/0/items/0/colour",
                        "“colour” is not known here"),
                Arguments.of(file("\"title\":\"a\",\"title\":\"b\""), "", "Duplicate"),
                Arguments.of(
                        field("\"number\",\"lower\":{\"at\":1e999999999,\"included\":true}"),
                        "/pages/0/sections/0/items/0/kind/lower/at",
                        "more than 34 digits"),
                Arguments.of(
                        field("\"date\",\"earliest\":\"2026-02-30\""),
                        "/pages/0/sections/0/items/0/kind/earliest",
                        "Expected a date"),
                Arguments.of(
                        field("\"text\",\"placeholder\":\"\\u0000\""),
                        "/pages/0/sections/0/items/0/kind/placeholder",
                        "control character"),
                Arguments.of("[".repeat(100_000), "", "This is not JSON that can be read"),
                Arguments.of(
                        file("\"shown\":" + "{\"type\":\"all\",\"conditions\":[".repeat(90) + "{\"type\":\"never\"}"
                                + "]}".repeat(90)),
                        "/pages/0/sections/0/shown" + "/conditions/0".repeat(32),
                        "nested more than 32 deep"));
    }

    @ParameterizedTest
    @MethodSource("hostile")
    void whatIsNoTemplateFileIsRefusedWithItsPlace(String file, String path, String message) {
        Problem problem = refused(file).problems().getFirst();
        assertThat(problem.path()).isEqualTo(path);
        assertThat(problem.message()).contains(message);
    }

    @Test
    void aFileThatIsTooLargeIsNotEvenParsed() {
        byte[] large = " ".repeat(TemplateFile.LARGEST + 1).getBytes(StandardCharsets.UTF_8);
        assertThat(catchThrowableOfType(InvalidTemplate.class, () -> TemplateFile.read(large))
                        .problems())
                .extracting(Problem::message)
                .singleElement()
                .asString()
                .startsWith("The file has 4194305 bytes");
    }

    private static InvalidTemplate refused(String file) {
        return catchThrowableOfType(InvalidTemplate.class, () -> TemplateFile.read(file));
    }

    private static String file(String inSection) {
        return "{\"formatVersion\":1,\"title\":\"T\",\"pages\":[{\"key\":\"p\",\"sections\":[{\"key\":\"s\",%s}]}]}"
                .formatted(inSection);
    }

    private static String field(String kind) {
        return file("\"items\":[{\"type\":\"field\",\"key\":\"a\",\"label\":\"A\",\"kind\":{\"type\":%s}}]"
                .formatted(kind));
    }
}
