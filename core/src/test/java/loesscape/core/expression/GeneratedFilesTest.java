package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.functions.Function;
import loesscape.core.expression.functions.Functions;
import org.junit.jupiter.api.Test;

/** The list of functions in {@code docs/formulas.md}: every example is run, and what it gives stands beside it. */
class GeneratedFilesTest {

    private static final Path FILE = Path.of("../docs/formulas.md");
    /** The one name that examples refer to: a field with choices. */
    static final Map<String, Type> PURPOSE =
            Map.of("purpose", new Type.Choice(Map.of("irrigation", "Irrigation of fields")));

    private static final String PRACTICE = "<!-- practice: made by ./loesscape types -->\n";
    private static final String BEGIN = "<!-- functions: made by ./loesscape types -->\n";

    @Test
    void everyFunctionIsDocumentedWithAnExampleThatRuns() throws IOException {
        StringBuilder table = new StringBuilder(PRACTICE)
                .append(practice())
                .append('\n')
                .append("## Functions\n\n")
                .append(BEGIN);
        table.append("| function | what it gives | example | gives |\n|---|---|---|---|\n");
        for (Function function : Functions.list()) {
            Object result = Formula.of("string(%s)".formatted(function.example()), PURPOSE)
                    .compile(List.of("purpose"))
                    .run("irrigation");
            assertThat(result).as(function.example()).isNotNull();
            table.append("| `%s(%s%s)` | %s | `%s` | `%s` |\n"
                    .formatted(
                            function.name(),
                            String.join(", ", function.parameters()),
                            function.isVariadic() ? ", …" : "",
                            function.says(),
                            function.example(),
                            result));
        }
        String before = Files.readString(FILE);
        int at = before.indexOf(PRACTICE);
        assertThat(at).as("the mark in %s", FILE).isNotNegative();
        String text = before.substring(0, at) + table;
        if (Boolean.getBoolean("loesscape.make")) {
            Files.writeString(FILE, text);
        }
        assertThat(FILE)
                .content()
                .as("run ./loesscape types and commit %s", FILE)
                .isEqualTo(text);
    }

    /** Every one of the formulas that are shown is run. */
    private static String practice() {
        StringBuilder text = new StringBuilder();
        int count = 0;
        List<String> others = new ArrayList<>();
        for (PracticalFormulas.Practical each : PracticalFormulas.all()) {
            if (!each.heading().isEmpty()) {
                text.append("\n**%s**\n\n| what for | formula | gives |\n|---|---|---|\n".formatted(each.heading()));
                continue;
            }
            Object gives = PracticalFormulas.run(each.formula());
            if (!each.gives().equals(gives)) {
                others.add("%s: %s gives %s, not %s".formatted(each.purpose(), each.formula(), gives, each.gives()));
            }
            text.append("| %s | `%s` | `%s` |\n".formatted(each.purpose(), each.formula(), each.gives()));
            count++;
        }
        assertThat(others).isEmpty();
        assertThat(count).isGreaterThanOrEqualTo(60);
        return text.toString();
    }
}
