package loesscape.formats.export;

import java.util.List;
import loesscape.core.evaluation.NodeState;
import loesscape.core.model.Field;
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
            ObjectNode answers = record.putObject("answers");
            for (Field field : row.template().fields()) {
                if (row.state().of(field.key()) instanceof NodeState.FieldState it && it.shown()) {
                    answers.set(field.key(), StateFile.value(it.value()));
                }
            }
        }
        return Json.pretty(records);
    }
}
