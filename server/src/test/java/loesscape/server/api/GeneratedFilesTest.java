package loesscape.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import loesscape.formats.template.TemplateFile;
import loesscape.server.dispatch.DispatchTypes;
import loesscape.server.passkeys.PasskeyTypes;
import loesscape.server.retention.RetentionTypes;
import org.junit.jupiter.api.Test;

/** Files that are made from the Java types and kept in the repository; {@code ./loesscape types} makes them anew. */
class GeneratedFilesTest {

    private static final boolean MAKE_ANEW = Boolean.getBoolean("loesscape.make");

    @Test
    void typesOfTheWebPagesAreThoseOfTheServer() throws IOException {
        isUpToDate(
                Path.of("../web/src/api/types.ts"),
                WebTypes.text(Stream.of(DispatchTypes.SHARED, RetentionTypes.SHARED, PasskeyTypes.SHARED)
                        .flatMap(List::stream)
                        .toList()));
    }

    @Test
    void schemaOfTheTemplateFileIsThatOfTheModel() throws IOException {
        isUpToDate(Path.of("../docs/template-file.schema.json"), TemplateFile.schema());
    }

    private static void isUpToDate(Path file, String text) throws IOException {
        if (MAKE_ANEW) {
            Files.createDirectories(file.toAbsolutePath().getParent());
            Files.writeString(file, text);
        }
        assertThat(file)
                .content()
                .as("run ./loesscape types and commit %s", file)
                .isEqualTo(text);
    }
}
