package loesscape.server.platform.database;

import java.util.Map;
import java.util.TreeMap;
import loesscape.core.evaluation.Answers;
import loesscape.formats.json.Json;
import loesscape.formats.template.AnswersFile;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Answers in one column: a JSON object of texts as typed, in the order of their keys. */
public final class AnswersColumn {

    private AnswersColumn() {}

    public static String write(Answers answers) {
        ObjectNode object = JsonNodeFactory.instance.objectNode();
        Map<String, String> sorted = new TreeMap<>(answers.typed());
        sorted.forEach(object::put);
        return Json.compact(object);
    }

    public static Answers read(String column) {
        return AnswersFile.read(column);
    }
}
