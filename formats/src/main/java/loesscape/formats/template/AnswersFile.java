package loesscape.formats.template;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.TypedNumber;
import loesscape.core.model.Choice;
import loesscape.core.model.Numbers;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import tools.jackson.databind.JsonNode;

/** The answers file: one JSON object with field keys and answers, described in {@code docs/answers-and-state.md}. */
public final class AnswersFile {

    private AnswersFile() {}

    /**
     * Reads answers: texts as typed, numbers, true and false for yes and no, null for blank, a list of identities for
     * several choices, {@code {"other": "words"}} for own words, a list of objects for the rows of a section.
     *
     * @throws JsonProblem with the path of what cannot be an answer
     */
    public static Answers read(String text) {
        JsonNode tree = Json.parse(text);
        if (!tree.isObject()) {
            throw new JsonProblem("", "An answers file holds one JSON object, with field keys and answers.");
        }
        Map<String, String> typed = new HashMap<>();
        tree.properties().forEach(entry -> read("/" + entry.getKey(), entry.getKey(), "", entry.getValue(), typed));
        return new Answers(typed);
    }

    private static void read(String path, String key, String row, JsonNode answer, Map<String, String> typed) {
        String address = row.isEmpty() ? key : RowNames.address(key, row);
        boolean isRows = answer.isArray()
                && !answer.isEmpty()
                && answer.values().stream().allMatch(AnswersFile::isRow);
        if (!isRows) {
            typed.put(address, typed(path, answer));
            return;
        }
        if (!row.isEmpty()) {
            throw new JsonProblem(path, "There are no rows in rows.");
        }
        String[] names = RowNames.first(answer.size());
        typed.put(key, RowNames.text(List.of(names)));
        for (int i = 0; i < names.length; i++) {
            String name = names[i];
            String at = path + "/" + i;
            answer.get(i)
                    .properties()
                    .forEach(entry -> read(at + "/" + entry.getKey(), entry.getKey(), name, entry.getValue(), typed));
        }
    }

    private static boolean isRow(JsonNode node) {
        return node.isObject() && !node.has(Choice.OTHER);
    }

    private static String typed(String path, JsonNode answer) {
        if (answer.isString()) {
            return answer.stringValue();
        }
        if (answer.isBoolean()) {
            return answer.booleanValue() ? "yes" : "no";
        }
        if (answer.isNumber()) {
            // What no field takes stands there as it is written, so that its field says so and the others are read.
            return Numbers.isReasonable(answer.decimalValue())
                    ? TypedNumber.text(answer.decimalValue())
                    : answer.decimalValue().toString();
        }
        if (answer.isNull()) {
            return "";
        }
        if (answer.isObject() && answer.size() == 1 && answer.has(Choice.OTHER)) {
            if (!answer.get(Choice.OTHER).isString()) {
                throw new JsonProblem(path + "/" + Choice.OTHER, "Own words are a text.");
            }
            return Reading.OTHER + answer.get(Choice.OTHER).stringValue();
        }
        if (answer.isArray()) {
            return several(path, answer);
        }
        throw new JsonProblem(
                path, "An answer is a text, a number, true, false, null, a list of choices or a list of rows.");
    }

    /** Identities with commas between, own words last. */
    private static String several(String path, JsonNode answer) {
        List<String> parts = new ArrayList<>();
        String other = null;
        for (JsonNode each : answer.values()) {
            String part = typed(path, each);
            if (each.isObject()) {
                other = part;
            } else {
                parts.add(part);
            }
        }
        if (other != null) {
            parts.add(other);
        }
        return String.join(",", parts);
    }
}
