package loesscape.server.platform.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import loesscape.formats.json.TypeScript;
import loesscape.formats.template.TemplateFile;
import loesscape.server.accounts.AccountTypes;
import loesscape.server.accounts.passkeys.PasskeyTypes;
import loesscape.server.draft.DraftTypes;
import loesscape.server.filling.FillingTypes;
import loesscape.server.lookups.LookupTypes;
import loesscape.server.records.RecordTypes;
import loesscape.server.retention.RetentionTypes;
import loesscape.server.signing.SigningTypes;
import loesscape.server.templates.TemplateTypes;
import org.junit.jupiter.api.Test;

/** Files that are made from the Java types and kept in the repository; {@code ./loesscape types} makes them anew. */
class GeneratedFilesTest {

    private static final List<Class<?>> SHARED = Stream.of(
                    AccountTypes.SHARED,
                    PasskeyTypes.SHARED,
                    TemplateTypes.SHARED,
                    DraftTypes.SHARED,
                    FillingTypes.SHARED,
                    SigningTypes.SHARED,
                    RecordTypes.SHARED,
                    LookupTypes.SHARED,
                    RetentionTypes.SHARED)
            .<Class<?>>flatMap(List::stream)
            .toList();

    private static final boolean MAKE_ANEW = Boolean.getBoolean("loesscape.make");

    @Test
    void typesOfTheWebPagesAreThoseOfTheServer() throws IOException {
        isUpToDate(
                Path.of("../web/src/api/types.ts"),
                "// Made from the Java types by ./loesscape types; do not edit.\n\n" + TypeScript.of(SHARED));
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
