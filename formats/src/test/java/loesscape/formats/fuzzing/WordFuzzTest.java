package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.junit.FuzzTest;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import loesscape.core.model.Validation;
import loesscape.formats.word.ImportedDocument;
import loesscape.formats.word.UnreadableDocument;

/** Documents of word processors with any body: they become a template that is one, or are refused with a sentence. */
class WordFuzzTest {

    @FuzzTest(maxDuration = "2m")
    void isMadeOrRefused(byte[] body) {
        boolean isOpenDocument = new String(body, StandardCharsets.ISO_8859_1).contains("office:");
        try {
            byte[] file = packed(isOpenDocument ? "content.xml" : "word/document.xml", body);
            ImportedDocument imported = ImportedDocument.read(file, "A document");
            assertThat(Validation.of(imported.template())).isEmpty();
        } catch (UnreadableDocument refused) {
            assertThat(refused).hasMessageEndingWith(".");
            assertThat(refused.getMessage()).doesNotContain("No template can be made");
        }
    }

    private static byte[] packed(String part, byte[] content) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(part));
            zip.write(content);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
