package loesscape.formats.json;

import java.nio.charset.StandardCharsets;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.json.JsonWriteFeature;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.cfg.JsonNodeFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON text from and to trees, within bounds that hostile text cannot pass. */
public final class Json {

    private static final int DEEPEST = 200;
    private static final int LONGEST_TEXT = 1_000_000;
    private static final int LONGEST_NUMBER = 100;
    private static final int LONGEST_NAME = 1_000;

    private static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(DEEPEST)
                            .maxStringLength(LONGEST_TEXT)
                            .maxNameLength(LONGEST_NAME)
                            .maxNumberLength(LONGEST_NUMBER)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .disable(JsonNodeFeature.STRIP_TRAILING_BIGDECIMAL_ZEROES)
            .build();

    private static final DefaultPrettyPrinter PRINTER = new DefaultPrettyPrinter()
            .withObjectIndenter(new DefaultIndenter("  ", "\n"))
            .withArrayIndenter(new DefaultIndenter("  ", "\n"));

    private Json() {}

    /**
     * Parses JSON text (RFC 8259, UTF-8).
     *
     * @throws JsonProblem with the line and column where the text is not JSON, or is deeper or longer than allowed
     */
    public static JsonNode parse(String text) {
        try {
            JsonNode node = MAPPER.readTree(text.startsWith("\uFEFF") ? text.substring(1) : text);
            if (node.isMissingNode()) {
                throw new JsonProblem("", "The file is empty.");
            }
            return node;
        } catch (StreamConstraintsException e) {
            throw new JsonProblem(
                    "",
                    "This is not JSON that can be read: it is nested more than %d deep, or a text in it has more than %,d characters, a name more than %,d or a number more than %d."
                            .formatted(DEEPEST, LONGEST_TEXT, LONGEST_NAME, LONGEST_NUMBER));
        } catch (NumberFormatException e) {
            // An exponent that no number has comes out of the library as it is, not as a problem of the text.
            throw new JsonProblem("", "This is not JSON that can be read: a number in it is too large or too small.");
        } catch (JacksonException e) {
            var location = e.getLocation();
            String where = location == null
                    ? ""
                    : " (line %d, column %d)".formatted(location.getLineNr(), location.getColumnNr());
            throw new JsonProblem("", "This is not JSON that can be read: " + e.getOriginalMessage() + where);
        }
    }

    /** Parses JSON text given as UTF-8 bytes. */
    public static JsonNode parse(byte[] bytes) {
        return parse(new String(bytes, StandardCharsets.UTF_8));
    }

    /** The tree as text on several lines, with a line break at the end. */
    public static String pretty(JsonNode node) {
        return MAPPER.writer().with(PRINTER).writeValueAsString(node) + "\n";
    }

    /** Maps, lists, texts and numbers as text on one line, in ASCII letters alone. */
    public static String ascii(Object value) {
        return MAPPER.writer().with(JsonWriteFeature.ESCAPE_NON_ASCII).writeValueAsString(value);
    }

    /** The tree as text on one line. */
    public static String compact(JsonNode node) {
        return MAPPER.writeValueAsString(node);
    }
}
