package loesscape.formats.template;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Passage;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Choice;
import loesscape.core.model.Look;
import loesscape.core.model.Numbers;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The state of a document as JSON, described in {@code docs/answers-and-state.md}. */
public final class StateFile {

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private StateFile() {}

    /**
     * The text of a state: every node in document order, rows inside of their section, then which roles take part and what
     * keeps the document from being finished.
     */
    public static String write(Template template, State state) {
        ObjectNode file = NODES.objectNode();
        ObjectNode nodes = file.putObject("items");
        Map<String, ObjectNode> rows = new HashMap<>();
        state.numbered(template).nodes().forEach((address, stands) -> {
            ObjectNode node = node(stands);
            String row = RowNames.row(address);
            if (row.isEmpty()) {
                nodes.set(address, node);
                if (stands instanceof NodeState.SectionState section && section.rows() != null) {
                    ArrayNode list = node.putArray("rows");
                    for (String name : section.rows()) {
                        ObjectNode each = list.addObject().put("row", name);
                        rows.put(address + "@" + name, each);
                        rows.put("@" + name, each);
                    }
                }
            } else if (stands instanceof NodeState.RowState whole) {
                ObjectNode each = Objects.requireNonNull(rows.get(address));
                rows.put("@" + row, each.putObject("items"));
                look(whole.look(), each);
            } else {
                Objects.requireNonNull(rows.get("@" + row)).set(RowNames.key(address), node);
            }
        });
        if (!state.takesPart().isEmpty()) {
            ObjectNode roles = file.putObject("takesPart");
            state.takesPart().forEach(roles::put);
        }
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
            case NodeState.RowState ignored -> {}
            case NodeState.NoticeState notice -> {
                if (!notice.number().isEmpty()) {
                    node.put("number", notice.number());
                }
                node.put("text", Passage.words(notice.text()));
                look(notice.look(), node);
            }
            case NodeState.SectionState section -> {
                node.put("open", section.open());
                if (section.rows() != null) {
                    node.put("problem", section.problem());
                }
                look(section.look(), node);
            }
            case NodeState.IndicatorState indicator -> node.put("band", indicator.band());
            case NodeState.FieldState field -> field(field, node);
        }
        if (!state.met().isEmpty()) {
            ArrayNode met = node.putArray("met");
            state.met().forEach(aspect -> met.add(aspect.key()));
        }
        return node;
    }

    private static void field(NodeState.FieldState field, ObjectNode node) {
        node.put("editable", field.editable());
        node.put("required", field.required());
        node.put("missing", field.missing());
        node.set("value", value(field.value()));
        node.put("band", field.band());
        node.put("problem", field.problem());
        look(field.look(), node);
        if (field.offered() != null) {
            ArrayNode offered = node.putArray("offered");
            field.offered().forEach(offered::add);
        }
        if (field.overtyped()) {
            node.put("overtyped", true);
        }
        if (field.due() != null) {
            node.set("due", value(new Value.Number(field.due())));
        }
    }

    private static void look(Look look, ObjectNode node) {
        if (!look.equals(Look.PLAIN)) {
            node.set("look", JsonWriter.brief(look, Look.class));
        }
    }

    /**
     * A value as JSON: text, number, true or false, a date or time as text, a choice by its identity (with own words as an
     * object), several in a list, a signature as true, files with name and bytes, a payment with amount and reference;
     * null for blank.
     */
    public static JsonNode value(Value value) {
        return switch (value) {
            case Value.Blank ignored -> NODES.nullNode();
            case Value.Text(var text) -> NODES.stringNode(text);
            case Value.Number(var number) -> number(number);
            case Value.YesNo(var yes) -> NODES.booleanNode(yes);
            case Value.Date(var date) -> NODES.stringNode(date.toString());
            case Value.Time(var time) -> NODES.stringNode(time.toString());
            case Value.Chosen(var choice, var words) -> choice(choice, words);
            case Value.ChosenSet(var choices, var words) -> {
                ArrayNode list = NODES.arrayNode();
                choices.forEach(choice -> list.add(choice(choice, choice.equals(Choice.OTHER) ? words : "")));
                yield list;
            }
            case Value.Signed ignored -> NODES.booleanNode(true);
            case Value.Files(var files) -> {
                ArrayNode list = NODES.arrayNode();
                files.forEach(file -> list.addObject().put("name", file.name()).put("bytes", file.bytes()));
                yield list;
            }
            case Value.Paid(var amount, var reference) -> {
                ObjectNode paid = NODES.objectNode();
                paid.set("amount", number(amount));
                yield paid.put("reference", reference);
            }
        };
    }

    private static JsonNode number(BigDecimal number) {
        return NODES.numberNode(new BigDecimal(Numbers.plain(number)));
    }

    private static JsonNode choice(String choice, String words) {
        return words.isEmpty() ? NODES.stringNode(choice) : NODES.objectNode().put(Choice.OTHER, words);
    }
}
