package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.junit.FuzzTest;
import loesscape.formats.form.FormReader;
import loesscape.formats.form.PdfForm;
import loesscape.formats.form.UnreadableForm;

/** PDF files with fields, of any bytes: what they ask lies on one of their pages, or they are refused with a sentence. */
class FormFuzzTest {

    @FuzzTest(maxDuration = "2m")
    void isReadOrRefused(byte[] file) {
        try {
            PdfForm form = FormReader.read(file, "");
            assertThat(form.pages()).isNotEmpty();
            form.fields().forEach(field -> assertThat(field.common().name()).isNotNull());
        } catch (UnreadableForm refused) {
            assertThat(refused).hasMessageEndingWith(".");
        }
    }
}
