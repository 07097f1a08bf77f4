package loesscape.formats.template;

import java.nio.charset.StandardCharsets;
import java.util.List;
import loesscape.core.evaluation.StartingAnswers;
import loesscape.core.model.InvalidTemplate;
import loesscape.core.model.Problem;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonSchema;
import loesscape.formats.json.JsonWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The template file, {@code *.loess.json}: plain JSON in a stable order, described in {@code docs/template-file.md}
 * and {@code docs/template-file.schema.json}.
 *
 * <pre>{@code
 * String text = TemplateFile.write(template);
 * Template same = TemplateFile.read(text); // equal to the one that was written
 * try {
 *     TemplateFile.read("{\"formatVersion\":3,\"title\":\"Permit\"}");
 * } catch (InvalidTemplate invalid) {
 *     invalid.problems(); // each with its path in the file, and how to mend it
 * }
 * }</pre>
 */
public final class TemplateFile {

    /** The version of the format that is written, and the newest that is read. */
    public static final int VERSION = 3;

    /** The most bytes a template file may have. */
    public static final int LARGEST = 4 * 1024 * 1024;

    private TemplateFile() {}

    /** The text of a template's file. The same template always gives the same text. */
    public static String write(Template template) {
        return Json.pretty(tree(template));
    }

    /** The text of a template's file on one line, as it is kept where nobody reads it. */
    public static String compact(Template template) {
        return Json.compact(tree(template));
    }

    private static ObjectNode tree(Template template) {
        ObjectNode file = JsonNodeFactory.instance.objectNode();
        file.put(FormatVersion.PROPERTY, VERSION);
        file.setAll((ObjectNode) JsonWriter.brief(template, Template.class));
        return file;
    }

    /**
     * Reads a template file.
     *
     * @throws InvalidTemplate when the file is broken, of a newer version or breaks a rule of templates; each problem
     *     with its path in the file
     */
    public static Template read(byte[] file) {
        if (file.length > LARGEST) {
            throw invalid("", "The file has %d bytes; at most %d are read.".formatted(file.length, LARGEST));
        }
        return read(new String(file, StandardCharsets.UTF_8));
    }

    /** Reads the text of a template file; see {@link read(byte[])}. */
    public static Template read(String text) {
        Template template = Validation.require(kept(text));
        List<Problem> problems = StartingAnswers.problems(template);
        if (!problems.isEmpty()) {
            throw new InvalidTemplate(problems);
        }
        return template;
    }

    /**
     * Reads what was kept of a template that was valid by the rules of its time, so that a rule that was added since does
     * not make it unreadable; an edit of it keeps the rules of now.
     *
     * @throws InvalidTemplate when the text is broken, or of a newer version
     */
    public static Template kept(String text) {
        try {
            JsonNode tree = Json.parse(text);
            if (!(tree instanceof ObjectNode file)) {
                throw new JsonProblem("", "A template file holds one JSON object.");
            }
            int version = FormatVersion.check(file, VERSION, "template");
            ObjectNode body = file.deepCopy();
            EarlierFormats.update(body, version);
            body.remove(FormatVersion.PROPERTY);
            return JsonReader.read(body, Template.class);
        } catch (JsonProblem problem) {
            throw invalid(problem.path(), String.valueOf(problem.getMessage()));
        }
    }

    private static InvalidTemplate invalid(String path, String message) {
        return new InvalidTemplate(List.of(new Problem(path, message)));
    }

    /** The JSON Schema (draft 2020-12) of the template file. */
    public static String schema() {
        ObjectNode schema = JsonSchema.of(Template.class);
        ObjectNode described = JsonNodeFactory.instance.objectNode();
        described.set("$schema", schema.get("$schema"));
        described.put("title", "Loesscape template file");
        described.setAll(schema);
        ObjectNode version = ((ObjectNode) described.get("properties")).putObject(FormatVersion.PROPERTY);
        version.put("const", VERSION);
        ((tools.jackson.databind.node.ArrayNode) described.get("required")).insert(0, FormatVersion.PROPERTY);
        return Json.pretty(described);
    }
}
