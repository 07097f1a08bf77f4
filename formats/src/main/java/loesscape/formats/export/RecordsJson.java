package loesscape.formats.export;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.formats.json.Json;
import loesscape.formats.template.StateFile;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Records as JSON: for each record its heading and the values that count, by field key. */
public final class RecordsJson {

    private RecordsJson() {}

    /** The records as one JSON array. Fields that were folded are not there; blank ones are null. */
    public static String write(List<RecordRow> rows) {
        ArrayNode records = JsonNodeFactory.instance.arrayNode();
        for (RecordRow row : rows) {
            ObjectNode record = records.addObject();
            record.put("record", row.heading().number());
            record.put("release", row.heading().release());
            record.put("finished", row.heading().finished().toString());
            answers(row.state(), record.putObject("answers"));
        }
        return Json.pretty(records);
    }

    /** Rows are lists of objects under the key of their section. */
    private static void answers(State state, ObjectNode answers) {
        Map<String, ObjectNode> rows = new HashMap<>();
        state.nodes().forEach((address, node) -> {
            String row = RowNames.row(address);
            switch (node) {
                case NodeState.SectionState section
                when row.isEmpty() && section.rows() != null && section.shown() -> {
                    ArrayNode list = answers.putArray(address);
                    section.rows().forEach(name -> rows.put(RowNames.address(address, name), list.addObject()));
                }
                case NodeState.RowState ignored -> rows.put(row, Objects.requireNonNull(rows.get(address)));
                case NodeState.FieldState field
                when field.shown() ->
                    rows.getOrDefault(row, answers).set(RowNames.key(address), StateFile.value(field.value()));
                default -> {}
            }
        });
    }
}
