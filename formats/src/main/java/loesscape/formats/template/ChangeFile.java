package loesscape.formats.template;

import loesscape.core.editing.Change;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What an edit changed, as it is kept: JSON with the number of its form. */
public final class ChangeFile {

    private ChangeFile() {}

    /** The text of a change. */
    public static String write(Change change) {
        ObjectNode file = JsonNodeFactory.instance.objectNode();
        file.put(FormatVersion.PROPERTY, TemplateFile.VERSION);
        file.setAll((ObjectNode) JsonWriter.brief(change, Change.class));
        return Json.compact(file);
    }

    /**
     * Reads the text of a change. Those of before November 2026 carry no number; they have the first form.
     *
     * @throws JsonProblem when it is broken, or of a newer form
     */
    public static Change read(String text) {
        JsonNode tree = Json.parse(text);
        if (!(tree instanceof ObjectNode file)) {
            throw new JsonProblem("", "A change is one JSON object.");
        }
        int version = file.has(FormatVersion.PROPERTY) ? FormatVersion.check(file, TemplateFile.VERSION, "change") : 1;
        file.remove(FormatVersion.PROPERTY);
        EarlierFormats.update(file, version);
        return JsonReader.read(file, Change.class);
    }
}
