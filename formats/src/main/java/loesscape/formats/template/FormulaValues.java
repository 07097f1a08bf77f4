package loesscape.formats.template;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Decimals;
import loesscape.core.expression.Range;
import loesscape.core.expression.Temporals;
import loesscape.core.expression.Type;
import loesscape.formats.json.JsonProblem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Values of formulas from and to JSON: numbers, texts, true and false, null, lists and objects. Dates, times and
 * durations are texts, as JSON has no form of its own for them.
 */
public final class FormulaValues {

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private FormulaValues() {}

    /**
     * The values of an object, by name.
     *
     * @throws JsonProblem where the tree is no object, or a number is out of range
     */
    public static Map<String, @Nullable Object> read(JsonNode tree) {
        if (!tree.isObject()) {
            throw new JsonProblem("", "Values are one JSON object, with names and what they are.");
        }
        Map<String, @Nullable Object> values = new LinkedHashMap<>();
        tree.properties().forEach(entry -> values.put(entry.getKey(), read("/" + entry.getKey(), entry.getValue())));
        return values;
    }

    private static @Nullable Object read(String path, JsonNode node) {
        if (node.isNumber()) {
            BigDecimal number = Decimals.inRange(node.decimalValue());
            if (number == null) {
                throw new JsonProblem(path, "This number is out of range.");
            }
            return number;
        }
        if (node.isArray()) {
            List<@Nullable Object> list = new ArrayList<>();
            for (int i = 0; i < node.size(); i++) {
                list.add(read(path + "/" + i, node.get(i)));
            }
            return list;
        }
        if (node.isObject()) {
            Map<String, @Nullable Object> entries = new LinkedHashMap<>();
            node.properties()
                    .forEach(entry -> entries.put(entry.getKey(), read(path + "/" + entry.getKey(), entry.getValue())));
            return entries;
        }
        return node.isNull() ? null : node.isBoolean() ? (Object) node.booleanValue() : node.stringValue();
    }

    /** The type of a value, for checking a formula before it is run; of a null nothing is known. */
    public static Type type(@Nullable Object value) {
        return switch (value) {
            case null -> Type.Simple.ANY;
            case BigDecimal ignored -> Type.Simple.NUMBER;
            case Boolean ignored -> Type.Simple.YES_NO;
            case String ignored -> Type.Simple.TEXT;
            case List<?> list -> {
                List<Type> types =
                        list.stream().map(FormulaValues::type).distinct().toList();
                yield new Type.ListOf(types.size() == 1 ? types.getFirst() : Type.Simple.ANY);
            }
            case Map<?, ?> map -> {
                Map<String, Type> entries = new LinkedHashMap<>();
                map.forEach((name, entry) -> entries.put((String) name, type(entry)));
                yield new Type.Context(entries);
            }
            default -> Type.Simple.ANY;
        };
    }

    /** A value as JSON. */
    public static JsonNode write(@Nullable Object value) {
        return switch (value) {
            case null -> NODES.nullNode();
            case BigDecimal number -> NODES.numberNode(new BigDecimal(Decimals.plain(number)));
            case Boolean truth -> NODES.booleanNode(truth);
            case String text -> NODES.stringNode(text);
            case Range range -> {
                ObjectNode node = NODES.objectNode();
                node.set("start", write(range.low()));
                node.put("start included", range.lowIncluded());
                node.set("end", write(range.high()));
                node.put("end included", range.highIncluded());
                yield node;
            }
            case List<?> list -> {
                ArrayNode node = NODES.arrayNode();
                list.forEach(element -> node.add(write(element)));
                yield node;
            }
            case Map<?, ?> map -> {
                ObjectNode node = NODES.objectNode();
                map.forEach((name, entry) -> node.set((String) name, write(entry)));
                yield node;
            }
            default -> NODES.stringNode(Temporals.text(value));
        };
    }
}
