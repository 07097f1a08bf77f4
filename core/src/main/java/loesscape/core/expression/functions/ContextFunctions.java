package loesscape.core.expression.functions;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Work;
import org.jspecify.annotations.Nullable;

/** Contexts (DMN 1.4, 10.3.4.9 and 10.3.4.10). */
final class ContextFunctions {

    static final List<Function> ALL = List.of(
            new Function(
                    "get value",
                    List.of("m", "key"),
                    2,
                    false,
                    "The entry of a context with a name, or with names one inside the other.",
                    "get value({rate: 25}, \"rate\")",
                    (work, given) -> value(given.get(0), given.get(1))),
            new Function(
                    "get entries",
                    List.of("m"),
                    1,
                    false,
                    "The entries of a context, each with its key and value.",
                    "get entries({rate: 25})",
                    (work, given) -> given.get(0) instanceof Map<?, ?> map ? entries(work, map) : null),
            new Function(
                    "context",
                    List.of("entries"),
                    1,
                    false,
                    "A context of entries that each have a key and a value.",
                    "context([{key: \"rate\", value: 25}])",
                    (work, given) -> given.get(0) instanceof List<?> list ? of(work, list) : null),
            new Function(
                    "context put",
                    List.of("context", "key", "value"),
                    3,
                    false,
                    "A context with an entry more, or with another value for one.",
                    "context put({rate: 25}, \"unit\", \"m\")",
                    (work, given) -> put(work, given.get(0), keys(given.get(1)), given.get(2))),
            new Function(
                    "context merge",
                    List.of("contexts"),
                    1,
                    false,
                    "All entries of several contexts; of two with the same name the later one.",
                    "context merge([{rate: 25}, {rate: 30}])",
                    (work, given) -> {
                        Map<Object, @Nullable Object> merged = new LinkedHashMap<>();
                        for (Object each : given.get(0) instanceof List<?> list ? list : List.of()) {
                            if (!(each instanceof Map<?, ?> map)) {
                                return null;
                            }
                            work.take(map.size());
                            merged.putAll(map);
                        }
                        return given.get(0) == null ? null : merged;
                    }));

    private ContextFunctions() {}

    private static List<?> keys(@Nullable Object key) {
        return key instanceof List<?> several ? several : key == null ? List.of() : List.of(key);
    }

    private static @Nullable Object value(@Nullable Object context, @Nullable Object key) {
        Object value = context;
        List<?> keys = keys(key);
        for (Object each : keys) {
            value = value instanceof Map<?, ?> map ? map.get(each) : null;
        }
        return keys.isEmpty() ? null : value;
    }

    private static List<?> entries(Work work, Map<?, ?> map) {
        List<Object> entries = new ArrayList<>();
        map.forEach((key, value) -> {
            work.take(1);
            Map<String, @Nullable Object> entry = new LinkedHashMap<>();
            entry.put("key", key);
            entry.put("value", value);
            entries.add(entry);
        });
        return entries;
    }

    private static @Nullable Map<?, ?> of(Work work, List<?> entries) {
        Map<String, @Nullable Object> context = new LinkedHashMap<>();
        for (Object entry : entries) {
            work.take(1);
            boolean isEntry = entry instanceof Map<?, ?> map
                    && map.get("key") instanceof String
                    && map.containsKey("value")
                    && !context.containsKey(map.get("key"));
            if (!isEntry) {
                return null;
            }
            Map<?, ?> map = (Map<?, ?>) entry;
            context.put((String) map.get("key"), map.get("value"));
        }
        return context;
    }

    private static @Nullable Map<?, ?> put(Work work, @Nullable Object context, List<?> keys, @Nullable Object value) {
        if (!(context instanceof Map<?, ?> map) || keys.isEmpty() || !(keys.getFirst() instanceof String key)) {
            return null;
        }
        work.take(map.size() + 1L);
        Map<Object, @Nullable Object> changed = new LinkedHashMap<>(map);
        if (keys.size() == 1) {
            changed.put(key, value);
            return changed;
        }
        Map<?, ?> inner = put(work, map.get(key), keys.subList(1, keys.size()), value);
        if (inner == null) {
            return null;
        }
        changed.put(key, inner);
        return changed;
    }
}
