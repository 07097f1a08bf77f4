package loesscape.core.script;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.model.PreparedTemplate;

/**
 * The logic of a template as a script.
 *
 * <pre>{@code
 * DocumentScript script = DocumentScript.of(PreparedTemplate.of(template), Map.of());
 * script.text();    // declares loess, whose evaluate(typed, today) tells how everything stands
 * script.leftOut(); // what it does not do
 * }</pre>
 *
 * @param text the script; it declares {@code loess} and nothing else
 * @param leftOut what it does not do, in document order
 * @param undecided the keys of those whose answers, or whether they count, the script cannot know
 */
public record DocumentScript(String text, List<LeftOut> leftOut, Set<String> undecided) {

    private static final String EVALUATION = evaluation();

    public DocumentScript {
        leftOut = List.copyOf(leftOut);
        undecided = Set.copyOf(undecided);
    }

    /**
     * The script of a template.
     *
     * @param rooms how many rows there is room for, by the key of the section
     */
    public static DocumentScript of(PreparedTemplate template, Map<String, Integer> rooms) {
        ScriptWriter writer = new ScriptWriter(template, rooms);
        String text = EVALUATION + writer.write();
        return new DocumentScript(text, writer.leftOut(), writer.undecided());
    }

    private static String evaluation() {
        try (InputStream stream = DocumentScript.class.getResourceAsStream("evaluation.js")) {
            return new String(Objects.requireNonNull(stream).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
