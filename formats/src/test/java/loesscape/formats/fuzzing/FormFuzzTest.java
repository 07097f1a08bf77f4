package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.junit.FuzzTest;
import loesscape.core.model.Validation;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.form.UnreadableForm;

/** PDF files of any bytes: a valid template is made of them, or they are refused with a sentence. */
class FormFuzzTest {

    @FuzzTest(maxDuration = "2m")
    void isReadOrRefused(byte[] file) {
        try {
            ImportedPdf imported = ImportedPdf.read(file, "", "Brought");
            assertThat(Validation.of(imported.template())).isEmpty();
            assertThat(imported.sheet()).startsWith('%', 'P', 'D', 'F');
        } catch (UnreadableForm refused) {
            assertThat(refused).hasMessageEndingWith(".");
        }
    }
}
