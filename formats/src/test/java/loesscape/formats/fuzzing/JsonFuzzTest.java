package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.junit.FuzzTest;
import loesscape.core.model.InvalidTemplate;
import loesscape.core.model.Template;
import loesscape.formats.json.Json;
import loesscape.formats.template.TemplateFile;

/** Files that say they are templates: each is taken as what it is, or refused with words; nothing else happens. */
class JsonFuzzTest {

    @FuzzTest(maxDuration = "2m")
    void isReadOrRefused(byte[] file) {
        Template template;
        try {
            template = TemplateFile.read(file);
        } catch (InvalidTemplate refused) {
            assertThat(refused.getMessage()).isNotBlank();
            return;
        }
        String written = TemplateFile.write(template);
        assertThat(TemplateFile.read(written)).isEqualTo(template);
        assertThat(TemplateFile.write(TemplateFile.read(TemplateFile.compact(template))))
                .isEqualTo(written);
        assertThat(Json.parse(written)).isEqualTo(Json.parse(Json.compact(Json.parse(written))));
    }
}
