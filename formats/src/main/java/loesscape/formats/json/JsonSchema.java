package loesscape.formats.json;

import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Supplier;
import loesscape.formats.json.Shape.ListOf;
import loesscape.formats.json.Shape.MapOf;
import loesscape.formats.json.Shape.Names;
import loesscape.formats.json.Shape.Property;
import loesscape.formats.json.Shape.Scalar;
import loesscape.formats.json.Shape.Structure;
import loesscape.formats.json.Shape.Union;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes the JSON Schema (draft 2020-12) of JSON shapes. */
public final class JsonSchema {

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private final Map<String, ObjectNode> definitions = new TreeMap<>();

    private JsonSchema() {}

    /** The schema of a record, with the types it is made of under {@code $defs}. */
    public static ObjectNode of(Class<?> type) {
        JsonSchema writer = new JsonSchema();
        ObjectNode schema = NODES.objectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.setAll(writer.structure((Structure) Shape.of(type), null));
        ObjectNode definitions = schema.putObject("$defs");
        writer.definitions.forEach(definitions::set);
        return schema;
    }

    private ObjectNode schema(Type type) {
        ObjectNode schema = NODES.objectNode();
        switch (Shape.of(type)) {
            case Scalar(var scalar) -> scalar(schema, scalar);
            case ListOf(var element) -> schema.put("type", "array").set("items", schema(element));
            case MapOf(var value) -> schema.put("type", "object").set("additionalProperties", schema(value));
            case Names names -> {
                ArrayNode values = schema.putArray("enum");
                names.constants().keySet().forEach(values::add);
            }
            case Structure structure -> reference(schema, structure.type(), () -> structure(structure, null));
            case Union union -> reference(schema, union.type(), () -> union(union));
        }
        return schema;
    }

    private static void scalar(ObjectNode schema, Class<?> type) {
        if (type == boolean.class || type == Boolean.class) {
            schema.put("type", "boolean");
        } else if (type == int.class || type == Integer.class) {
            schema.put("type", "integer");
        } else if (type == BigDecimal.class) {
            schema.put("type", "number");
        } else {
            schema.put("type", "string");
            if (type == LocalDate.class) {
                schema.put("format", "date");
            } else if (type == LocalTime.class) {
                schema.put("format", "time");
            } else if (type == Instant.class) {
                schema.put("format", "date-time");
            }
        }
    }

    private void reference(ObjectNode schema, Class<?> type, Supplier<ObjectNode> definition) {
        String name = type.getSimpleName();
        if (!definitions.containsKey(name)) {
            definitions.put(name, NODES.objectNode());
            definitions.put(name, definition.get());
        }
        schema.put("$ref", "#/$defs/" + name);
    }

    private ObjectNode union(Union union) {
        ObjectNode schema = NODES.objectNode();
        ArrayNode variants = schema.putArray("oneOf");
        union.variants().forEach((name, type) -> variants.add(structure((Structure) Shape.of(type), name)));
        return schema;
    }

    private ObjectNode structure(Structure structure, @org.jspecify.annotations.Nullable String variant) {
        ObjectNode schema = NODES.objectNode();
        schema.put("type", "object");
        ObjectNode properties = schema.putObject("properties");
        ArrayNode required = NODES.arrayNode();
        if (variant != null) {
            properties.putObject(Shape.TYPE).put("const", variant);
            required.add(Shape.TYPE);
        }
        for (Property property : structure.properties()) {
            properties.set(property.name(), schema(property.type()));
            if (!property.nullable() && !property.mayBeLeftOut()) {
                required.add(property.name());
            }
        }
        schema.set("required", required);
        schema.put("additionalProperties", false);
        return schema;
    }
}
