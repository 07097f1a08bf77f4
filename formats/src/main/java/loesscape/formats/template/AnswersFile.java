package loesscape.formats.template;

import java.util.HashMap;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.model.Numbers;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import tools.jackson.databind.JsonNode;

/** The answers file: one JSON object with field keys and answers, described in {@code docs/answers-and-state.md}. */
public final class AnswersFile {

    private AnswersFile() {}

    /**
     * Reads answers: texts as typed, numbers, true and false for yes and no, null for blank.
     *
     * @throws JsonProblem with the path of what cannot be an answer
     */
    public static Answers read(String text) {
        JsonNode tree = Json.parse(text);
        if (!tree.isObject()) {
            throw new JsonProblem("", "An answers file holds one JSON object, with field keys and answers.");
        }
        Map<String, String> typed = new HashMap<>();
        tree.properties().forEach(entry -> typed.put(entry.getKey(), typed(entry.getKey(), entry.getValue())));
        return new Answers(typed);
    }

    private static String typed(String key, JsonNode answer) {
        if (answer.isString()) {
            return answer.stringValue();
        }
        if (answer.isBoolean()) {
            return answer.booleanValue() ? "yes" : "no";
        }
        if (answer.isNumber() && Numbers.isReasonable(answer.decimalValue())) {
            return Numbers.plain(answer.decimalValue());
        }
        if (answer.isNull()) {
            return "";
        }
        throw new JsonProblem("/" + key, "An answer is a text, a number, true, false or null.");
    }
}
