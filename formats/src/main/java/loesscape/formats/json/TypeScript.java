package loesscape.formats.json;

import java.lang.reflect.Type;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import loesscape.formats.json.Shape.ListOf;
import loesscape.formats.json.Shape.MapOf;
import loesscape.formats.json.Shape.Names;
import loesscape.formats.json.Shape.Scalar;
import loesscape.formats.json.Shape.Structure;
import loesscape.formats.json.Shape.Union;

/** Writes the TypeScript types of JSON shapes, so that the web pages know exactly what the server sends and takes. */
public final class TypeScript {

    private final Map<String, String> declarations = new TreeMap<>();
    private final Set<Class<?>> seen = new LinkedHashSet<>();

    private TypeScript() {}

    /** The declarations of some types and of all that they are made of, sorted by name. */
    public static String of(Iterable<Class<?>> types) {
        TypeScript writer = new TypeScript();
        types.forEach(writer::name);
        return String.join("\n", writer.declarations.values());
    }

    private String name(Type type) {
        return switch (Shape.of(type)) {
            case Scalar(var scalar) -> scalar(scalar);
            case ListOf(var element) -> {
                String name = name(element);
                yield (name.contains("|") ? "(" + name + ")" : name) + "[]";
            }
            case MapOf(var value) -> "Record<string, " + name(value) + ">";
            case Names names -> {
                String values = names.constants().keySet().stream()
                        .map(constant -> "\"" + constant + "\"")
                        .collect(Collectors.joining(" | "));
                yield declared(names.type(), () -> "export type %s = " + values + ";\n");
            }
            case Structure structure -> declared(structure.type(), () -> structure(structure));
            case Union union -> declared(union.type(), () -> union(union));
        };
    }

    private static String scalar(Class<?> type) {
        if (type == boolean.class || type == Boolean.class) {
            return "boolean";
        }
        return type == int.class || type == Integer.class ? "number" : "string";
    }

    private String declared(Class<?> type, Supplier<String> declaration) {
        String name = typeName(type);
        if (seen.add(type)) {
            if (declarations.containsKey(name)) {
                throw new IllegalStateException("Two types are called %s; rename one of them.".formatted(name));
            }
            declarations.put(name, "");
            declarations.put(name, declaration.get().formatted(name));
        }
        return name;
    }

    /** The simple name, with that of the interface it is nested in where it would say too little alone. */
    private static String typeName(Class<?> type) {
        Class<?> outer = type.getEnclosingClass();
        String name = type.getSimpleName();
        if (outer == null || name.contains(outer.getSimpleName())) {
            return name;
        }
        return outer.isSealed() && !type.isEnum() ? outer.getSimpleName() + name : name;
    }

    private String structure(Structure structure) {
        String properties = structure.properties().stream()
                .map(property -> "  %s: %s;\n"
                        .formatted(property.name(), name(property.type()) + (property.nullable() ? " | null" : "")))
                .collect(Collectors.joining());
        return "export type %s = {\n" + properties + "};\n";
    }

    private String union(Union union) {
        String variants = union.variants().entrySet().stream()
                .map(variant -> {
                    String tag = "{ type: \"" + variant.getKey() + "\" }";
                    return "  | "
                            + (variant.getValue().isEnum() ? tag : "(" + tag + " & " + name(variant.getValue()) + ")");
                })
                .collect(Collectors.joining("\n"));
        return "export type %s =\n" + variants + ";\n";
    }
}
