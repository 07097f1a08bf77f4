package loesscape.formats.json;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.lang.reflect.TypeVariable;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import loesscape.core.model.MayBeLeftOut;
import org.jspecify.annotations.Nullable;

/**
 * How a Java type looks in JSON. Records are objects, sealed interfaces objects with a {@code type} property, names of
 * enumerations are written in camel case, decimal numbers as numbers, dates as in ISO 8601.
 */
public sealed interface Shape {

    /** The property that tells which of a sealed interface's types an object is. */
    String TYPE = "type";

    /** A text, number or truth value. */
    record Scalar(Class<?> type) implements Shape {}

    /** A list; every element has the same shape. */
    record ListOf(Type element) implements Shape {}

    /** An object whose property names are free. */
    record MapOf(Type value) implements Shape {}

    /** One of some names. */
    record Names(Class<?> type, Map<String, Object> constants) implements Shape {}

    /** An object with known properties. */
    record Structure(Class<?> type, List<Property> properties) implements Shape {}

    /** An object of one of several types, told apart by {@link TYPE}. */
    record Union(Class<?> type, Map<String, Class<?>> variants) implements Shape {

        /** The name of the variant a value belongs to. */
        public String nameOf(Object value) {
            return variants.entrySet().stream()
                    .filter(variant -> variant.getValue().isInstance(value))
                    .map(Map.Entry::getKey)
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("No variant of " + type + ": " + value));
        }
    }

    /**
     * One property of a structure.
     *
     * @param name in Java and in JSON
     * @param type the Java type, without type variables
     * @param nullable whether it may be null or left out
     * @param mayBeLeftOut see {@link MayBeLeftOut}
     * @param component reads the property
     */
    record Property(String name, Type type, boolean nullable, boolean mayBeLeftOut, RecordComponent component) {

        /** The shape of the property's value. */
        public Shape shape() {
            return Shape.of(type);
        }

        /** The property's value in a record. */
        public @Nullable Object in(Object record) {
            try {
                return component.getAccessor().invoke(record);
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException("Cannot read " + component, e);
            }
        }
    }

    /** The shape of a type; the same for the same type. */
    static Shape of(Type type) {
        return Cache.SHAPES.computeIfAbsent(type, Shape::describe);
    }

    private static Shape describe(Type type) {
        if (type instanceof ParameterizedType parameterized) {
            Class<?> raw = (Class<?>) parameterized.getRawType();
            Type[] arguments = parameterized.getActualTypeArguments();
            if (raw == List.class) {
                return new ListOf(arguments[0]);
            }
            if (raw == Map.class) {
                return new MapOf(arguments[1]);
            }
            Map<TypeVariable<?>, Type> variables = new HashMap<>();
            for (int i = 0; i < arguments.length; i++) {
                variables.put(raw.getTypeParameters()[i], arguments[i]);
            }
            return structure(raw, variables);
        }
        Class<?> plain = (Class<?>) type;
        if (plain.isSealed()) {
            Map<String, Class<?>> variants = new LinkedHashMap<>();
            leaves(plain).forEach(leaf -> variants.put(variantName(leaf), leaf));
            return new Union(plain, variants);
        }
        if (plain.isEnum()) {
            Map<String, Object> constants = new LinkedHashMap<>();
            Arrays.stream(plain.getEnumConstants())
                    .forEach(constant -> constants.put(camel(((Enum<?>) constant).name()), constant));
            return new Names(plain, constants);
        }
        if (plain.isRecord()) {
            return structure(plain, Map.of());
        }
        if (Cache.SCALARS.contains(plain)) {
            return new Scalar(plain);
        }
        throw new IllegalArgumentException("No JSON shape for " + type);
    }

    private static Structure structure(Class<?> type, Map<TypeVariable<?>, Type> variables) {
        List<Property> properties = new ArrayList<>();
        for (RecordComponent component : type.getRecordComponents()) {
            component.getAccessor().setAccessible(true);
            properties.add(new Property(
                    component.getName(),
                    resolved(component.getGenericType(), variables),
                    component.getAnnotatedType().isAnnotationPresent(Nullable.class),
                    component.isAnnotationPresent(MayBeLeftOut.class),
                    component));
        }
        return new Structure(type, List.copyOf(properties));
    }

    private static Type resolved(Type type, Map<TypeVariable<?>, Type> variables) {
        if (type instanceof TypeVariable<?> variable) {
            return variables.getOrDefault(variable, type);
        }
        return type;
    }

    private static Stream<Class<?>> leaves(Class<?> type) {
        return type.isSealed() ? Arrays.stream(type.getPermittedSubclasses()).flatMap(Shape::leaves) : Stream.of(type);
    }

    /** The simple name in camel case, without the name of the sealed interface it ends with: TextClause is "text". */
    private static String variantName(Class<?> leaf) {
        String name = leaf.getSimpleName();
        for (Class<?> parent : leaf.getInterfaces()) {
            String suffix = parent.getSimpleName().replaceAll(".*(?=[A-Z])", "");
            if (name.endsWith(suffix) && name.length() > suffix.length()) {
                name = name.substring(0, name.length() - suffix.length());
            }
        }
        return Character.toLowerCase(name.charAt(0)) + name.substring(1);
    }

    /** AT_LEAST is written atLeast. */
    static String camel(String constant) {
        StringBuilder camel = new StringBuilder();
        for (String word : constant.toLowerCase(Locale.ROOT).split("_", -1)) {
            camel.append(camel.isEmpty() ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1));
        }
        return camel.toString();
    }

    /** What has been described already. */
    final class Cache {
        private static final Map<Type, Shape> SHAPES = new ConcurrentHashMap<>();
        private static final List<Class<?>> SCALARS = List.of(
                String.class,
                int.class,
                Integer.class,
                boolean.class,
                Boolean.class,
                BigDecimal.class,
                LocalDate.class,
                LocalTime.class,
                Instant.class);

        private Cache() {}
    }
}
