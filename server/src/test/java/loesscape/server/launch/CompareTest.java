package loesscape.server.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** {@code compare}: what a later version of a template does otherwise. */
class CompareTest {

    private static final String EXAMPLE = "../docs/examples/promises.loess.json";

    @TempDir
    Path folder;

    private String later() throws IOException {
        String text = Files.readString(Path.of(EXAMPLE))
                .replace("\"label\": \"Cost\"", "\"label\": \"What it costs\"")
                .replace(
                        "\"shown\": { \"type\": \"comparison\", \"field\": \"depth\", \"test\": \"atLeast\"",
                        "\"shown\": { \"type\": \"comparison\", \"field\": \"depth\", \"test\": \"more\"");
        return Files.writeString(folder.resolve("later.loess.json"), text).toString();
    }

    @Test
    void whatIsOtherwiseIsToldWithAnswersForWhichItIs() throws IOException {
        assertThat(Compare.run(List.of(EXAMPLE, later())).lines())
                .containsExactly(
                        "What it costs, label: “Cost” is now “What it costs”",
                        "Casing, shown: shown, now folded, for example for: depth = 30");
        assertThat(Compare.run(List.of(later(), EXAMPLE, "--json", "--today", "2028-02-28")))
                .contains("\"before\" : \"folded\"", "\"after\" : \"shown\"", "\"answers\" : \"Depth: 30 m\"");
        assertThat(Compare.run(List.of(EXAMPLE, EXAMPLE)))
                .isEqualToIgnoringNewLines("For those who fill it in, nothing is otherwise.");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "a.json", "a.json b.json c.json", "a.json --else", "a.json b.json --today soon"})
    void whatIsNotUnderstoodIsSaid(String arguments) {
        List<String> all = arguments.isEmpty() ? List.of() : List.of(arguments.split(" ", -1));
        assertThatThrownBy(() -> Compare.run(all))
                .isInstanceOf(LaunchProblem.class)
                .hasMessageContaining("compare needs two files");
    }
}
