package loesscape.formats.template;

import java.util.Locale;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.State;
import loesscape.core.model.Value;
import loesscape.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The state of a document as JSON, described in {@code docs/answers-and-state.md}. */
public final class StateFile {

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private StateFile() {}

    /** The text of a state: every node in document order, then what keeps the document from being finished. */
    public static String write(State state) {
        ObjectNode file = NODES.objectNode();
        ObjectNode nodes = file.putObject("items");
        state.nodes().forEach((key, node) -> nodes.set(key, node(node)));
        ArrayNode obstacles = file.putArray("obstacles");
        state.obstacles()
                .forEach(obstacle ->
                        obstacles.addObject().put("key", obstacle.key()).put("message", obstacle.message()));
        file.put("canFinish", state.obstacles().isEmpty());
        return Json.pretty(file);
    }

    private static ObjectNode node(NodeState state) {
        ObjectNode node = NODES.objectNode();
        node.put("shown", state.shown());
        switch (state) {
            case NodeState.PlainState ignored -> {}
            case NodeState.IndicatorState indicator -> node.put("band", indicator.band());
            case NodeState.FieldState field -> {
                node.put("editable", field.editable());
                node.put("required", field.required());
                node.put("missing", field.missing());
                node.set("value", value(field.value()));
                node.put("band", field.band());
                node.put("problem", field.problem());
            }
        }
        if (!state.met().isEmpty()) {
            ArrayNode met = node.putArray("met");
            state.met().forEach(aspect -> met.add(aspect.name().toLowerCase(Locale.ROOT)));
        }
        return node;
    }

    /** A value as JSON: text, number, true or false, a date as text, a choice by its identity, null for blank. */
    public static JsonNode value(Value value) {
        return switch (value) {
            case Value.Blank ignored -> NODES.nullNode();
            case Value.Text(var text) -> NODES.stringNode(text);
            case Value.Number(var number) ->
                NODES.numberNode(new java.math.BigDecimal(loesscape.core.model.Numbers.plain(number)));
            case Value.YesNo(var yes) -> NODES.booleanNode(yes);
            case Value.Date(var date) -> NODES.stringNode(date.toString());
            case Value.Chosen(var choice) -> NODES.stringNode(choice);
        };
    }
}
