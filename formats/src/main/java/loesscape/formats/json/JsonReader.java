package loesscape.formats.json;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.evaluation.TypedNumber;
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

/** Makes records of JSON trees. Whatever does not fit is refused with its path and with what would fit. */
public final class JsonReader {

    /** Whether decimal numbers are texts, as they were typed. */
    private final boolean hasTypedNumbers;

    private JsonReader(boolean hasTypedNumbers) {
        this.hasTypedNumbers = hasTypedNumbers;
    }

    /**
     * Reads a tree as a value of a type.
     *
     * @throws JsonProblem where the tree does not have the type's shape
     */
    public static <T> T read(JsonNode node, Class<T> type) {
        return type.cast(read(node, (Type) type));
    }

    /** Reads a tree as a value of a generic type, such as a list. */
    public static Object read(JsonNode node, Type type) {
        return new JsonReader(false).value("", node, Shape.of(type));
    }

    /**
     * Reads a tree in which decimal numbers are texts as somebody typed them: no number passes through the binary numbers
     * of JavaScript.
     *
     * @throws JsonProblem where the tree does not have the type's shape
     * @throws loesscape.core.model.Refused where what was typed is no number, or could be two
     */
    public static <T> T typed(JsonNode node, Class<T> type) {
        return type.cast(new JsonReader(true).value("", node, Shape.of(type)));
    }

    private Object value(String path, JsonNode node, Shape shape) {
        return switch (shape) {
            case Scalar scalar -> scalar(path, node, scalar.type());
            case ListOf list -> list(path, node, list);
            case MapOf map -> map(path, node, map);
            case Names names -> {
                Object constant = node.isString() ? names.constants().get(node.stringValue()) : null;
                if (constant == null) {
                    throw expected(
                            path,
                            "one of " + String.join(", ", names.constants().keySet()),
                            node);
                }
                yield constant;
            }
            case Structure structure -> structure(path, node, structure, false);
            case Union union -> union(path, node, union);
        };
    }

    private Object scalar(String path, JsonNode node, Class<?> type) {
        if (type == String.class && node.isString()) {
            return node.stringValue();
        }
        if ((type == boolean.class || type == Boolean.class) && node.isBoolean()) {
            return node.booleanValue();
        }
        if ((type == int.class || type == Integer.class) && node.isNumber()) {
            if (node.isIntegralNumber() && node.canConvertToInt()) {
                return node.intValue();
            }
            throw expected(path, "a whole number", node);
        }
        if (type == BigDecimal.class && hasTypedNumbers && node.isString()) {
            return TypedNumber.of(node.stringValue());
        }
        if (type == BigDecimal.class && node.isNumber()) {
            BigDecimal number = node.decimalValue();
            if (!Numbers.isReasonable(number)) {
                throw new JsonProblem(path, "This number has more than %d digits.".formatted(Numbers.MOST_DIGITS));
            }
            return number;
        }
        if (type == LocalDate.class && node.isString()) {
            return date(path, node);
        }
        if (type == LocalTime.class && node.isString()) {
            return time(path, node);
        }
        if (type == Instant.class && node.isString()) {
            return Instant.parse(node.stringValue());
        }
        throw expected(path, words(type), node);
    }

    private static LocalDate date(String path, JsonNode node) {
        try {
            LocalDate date = LocalDate.parse(node.stringValue());
            if (date.getYear() >= 1 && date.getYear() <= 9999) {
                return date;
            }
        } catch (DateTimeException e) {
            // Refused below, like a year that cannot be.
        }
        throw expected(path, words(LocalDate.class), node);
    }

    private static LocalTime time(String path, JsonNode node) {
        try {
            return LocalTime.parse(node.stringValue());
        } catch (DateTimeException e) {
            throw expected(path, words(LocalTime.class), node);
        }
    }

    private static String words(Class<?> type) {
        if (type == String.class) {
            return "a text";
        }
        if (type == boolean.class || type == Boolean.class) {
            return "true or false";
        }
        if (type == LocalDate.class) {
            return "a date like \"2026-11-24\"";
        }
        if (type == LocalTime.class) {
            return "a time like \"14:30\"";
        }
        return type == Instant.class ? "an instant like \"2026-11-24T09:42:00Z\"" : "a number";
    }

    private List<Object> list(String path, JsonNode node, ListOf list) {
        if (!node.isArray()) {
            throw expected(path, "a list", node);
        }
        Shape element = Shape.of(list.element());
        List<Object> values = new ArrayList<>(node.size());
        for (int i = 0; i < node.size(); i++) {
            values.add(value(path + "/" + i, node.get(i), element));
        }
        return List.copyOf(values);
    }

    private Map<String, Object> map(String path, JsonNode node, MapOf map) {
        if (!node.isObject()) {
            throw expected(path, "an object", node);
        }
        Shape shape = Shape.of(map.value());
        Map<String, Object> values = new LinkedHashMap<>();
        node.properties()
                .forEach(entry -> values.put(
                        entry.getKey(), value(path + "/" + escaped(entry.getKey()), entry.getValue(), shape)));
        return Collections.unmodifiableMap(values);
    }

    private Object union(String path, JsonNode node, Union union) {
        if (!node.isObject()) {
            throw expected(path, "an object with a " + Shape.TYPE, node);
        }
        JsonNode type = node.get(Shape.TYPE);
        Class<?> variant = type != null && type.isString() ? union.variants().get(type.stringValue()) : null;
        if (variant == null) {
            String types = String.join(", ", union.variants().keySet());
            if (type == null) {
                throw new JsonProblem(path, "“type” is missing; it is one of %s.".formatted(types));
            }
            throw expected(path + "/" + Shape.TYPE, "one of " + types, type);
        }
        if (variant.isEnum()) {
            return variant.getEnumConstants()[0];
        }
        return structure(path, node, (Structure) Shape.of(variant), true);
    }

    private Object structure(String path, JsonNode node, Structure structure, boolean typed) {
        if (!node.isObject()) {
            throw expected(path, "an object", node);
        }
        for (String name : node.propertyNames()) {
            boolean known = structure.properties().stream()
                    .anyMatch(property -> property.name().equals(name));
            if (!known && !(typed && name.equals(Shape.TYPE))) {
                String names = String.join(
                        ", ",
                        structure.properties().stream().map(Property::name).toList());
                throw new JsonProblem(
                        path + "/" + escaped(name),
                        "“%s” is not known here; known are: %s.".formatted(shortened(name), names));
            }
        }
        @Nullable Object[] values = new Object[structure.properties().size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = property(path, node, structure.properties().get(i));
        }
        return make(path, structure.type(), values);
    }

    private @Nullable Object property(String path, JsonNode node, Property property) {
        JsonNode given = node.get(property.name());
        if (given == null || given.isNull()) {
            if (property.nullable()) {
                return null;
            }
            if (given == null && property.mayBeLeftOut()) {
                return leftOut(property.shape());
            }
            throw new JsonProblem(
                    path,
                    given == null
                            ? "“%s” is missing.".formatted(property.name())
                            : "“%s” cannot be null; leave it out, or say what it is.".formatted(property.name()));
        }
        return value(path + "/" + property.name(), given, property.shape());
    }

    /** What a component is when a file leaves it out. */
    static Object leftOut(Shape shape) {
        return switch (shape) {
            case Scalar scalar when scalar.type() == String.class -> "";
            case Scalar scalar when scalar.type() == boolean.class -> false;
            case Scalar scalar when scalar.type() == int.class -> 0;
            case ListOf ignored -> List.of();
            case MapOf ignored -> Map.of();
            case Names names -> names.constants().values().iterator().next();
            case Structure structure ->
                make(
                        "",
                        structure.type(),
                        structure.properties().stream().map(JsonReader::leftOut).toArray());
            default -> throw new IllegalStateException("Cannot be left out: " + shape);
        };
    }

    private static @Nullable Object leftOut(Property property) {
        return property.nullable() ? null : leftOut(property.shape());
    }

    private static Object make(String path, Class<?> type, @Nullable Object[] values) {
        Class<?>[] types = Arrays.stream(type.getRecordComponents())
                .map(RecordComponent::getType)
                .toArray(Class<?>[]::new);
        try {
            Constructor<?> constructor = type.getDeclaredConstructor(types);
            constructor.setAccessible(true);
            return constructor.newInstance(values);
        } catch (InvocationTargetException e) {
            Throwable cause = Objects.requireNonNull(e.getCause());
            throw new JsonProblem(path, Objects.toString(cause.getMessage(), "This is not accepted."));
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("Cannot make " + type, e);
        }
    }

    private static JsonProblem expected(String path, String what, JsonNode found) {
        return new JsonProblem(path, "Expected %s, found %s.".formatted(what, shortened(found.toString())));
    }

    private static String shortened(String text) {
        return text.length() <= 60 ? text : text.substring(0, 60) + "…";
    }

    private static String escaped(String name) {
        return shortened(name).replace("~", "~0").replace("/", "~1");
    }
}
