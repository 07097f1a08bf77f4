package loesscape.formats.json;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Numbers;
import loesscape.formats.json.Shape.ListOf;
import loesscape.formats.json.Shape.MapOf;
import loesscape.formats.json.Shape.Names;
import loesscape.formats.json.Shape.Property;
import loesscape.formats.json.Shape.Scalar;
import loesscape.formats.json.Shape.Structure;
import loesscape.formats.json.Shape.Union;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Makes JSON trees of records, properties in the order in which the record names them. */
public final class JsonWriter {

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** Whether properties are left out that a reader puts in again by itself. */
    private final boolean brief;

    /** Whether decimal numbers are written as texts. */
    private final boolean hasTypedNumbers;

    private JsonWriter(boolean brief, boolean hasTypedNumbers) {
        this.brief = brief;
        this.hasTypedNumbers = hasTypedNumbers;
    }

    /** The tree of a value with every property, decimal numbers as texts: see {@link JsonReader#typed}. */
    public static JsonNode typed(Object value, Class<?> type) {
        return new JsonWriter(false, true).value(value, Shape.of(type));
    }

    /** The tree of a value with every property, null ones too. */
    public static JsonNode full(Object value, Class<?> type) {
        return new JsonWriter(false, false).value(value, Shape.of(type));
    }

    /** The tree of a value without the properties that may be left out and are. */
    public static JsonNode brief(Object value, Class<?> type) {
        return new JsonWriter(true, false).value(value, Shape.of(type));
    }

    private JsonNode value(@Nullable Object value, Shape shape) {
        if (value == null) {
            return NODES.nullNode();
        }
        return switch (shape) {
            case Scalar ignored -> scalar(value);
            case ListOf list -> {
                ArrayNode array = NODES.arrayNode();
                Shape element = Shape.of(list.element());
                ((List<?>) value).forEach(each -> array.add(value(each, element)));
                yield array;
            }
            case MapOf map -> {
                ObjectNode object = NODES.objectNode();
                Shape inner = Shape.of(map.value());
                ((Map<?, ?>) value).forEach((key, each) -> object.set((String) key, value(each, inner)));
                yield object;
            }
            case Names ignored -> NODES.stringNode(Shape.camel(((Enum<?>) value).name()));
            case Structure structure -> structure(NODES.objectNode(), value, structure);
            case Union union -> {
                ObjectNode object = NODES.objectNode();
                object.put(Shape.TYPE, union.nameOf(value));
                yield value instanceof Enum<?>
                        ? object
                        : structure(object, value, (Structure) Shape.of(value.getClass()));
            }
        };
    }

    private JsonNode scalar(Object value) {
        return switch (value) {
            case Boolean truth -> NODES.booleanNode(truth);
            case Integer whole -> NODES.numberNode(whole);
            case BigDecimal number when hasTypedNumbers -> NODES.stringNode(Numbers.plain(number));
            case BigDecimal number -> NODES.numberNode(new BigDecimal(Numbers.plain(number)));
            default -> NODES.stringNode(value.toString());
        };
    }

    private ObjectNode structure(ObjectNode object, Object record, Structure structure) {
        for (Property property : structure.properties()) {
            Object value = property.in(record);
            if (!brief || !isLeftOut(property, value)) {
                object.set(property.name(), value(value, property.shape()));
            }
        }
        return object;
    }

    private static boolean isLeftOut(Property property, @Nullable Object value) {
        return value == null || (property.mayBeLeftOut() && value.equals(JsonReader.leftOut(property.shape())));
    }
}
