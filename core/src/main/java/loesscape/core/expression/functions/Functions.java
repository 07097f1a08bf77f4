package loesscape.core.expression.functions;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** All built-in functions by name. */
public final class Functions {

    private static final Map<String, Function> ALL = all(List.of(
            NumberFunctions.ALL,
            TextFunctions.ALL,
            ListFunctions.ALL,
            TemporalFunctions.ALL,
            RangeFunctions.ALL,
            ContextFunctions.ALL,
            OtherFunctions.ALL,
            WritingFunctions.ALL,
            WorkingDayFunctions.ALL,
            ChecksumFunctions.ALL));

    private Functions() {}

    private static Map<String, Function> all(List<List<Function>> groups) {
        Map<String, Function> all = new LinkedHashMap<>();
        groups.forEach(group -> group.forEach(function -> all.put(function.name(), function)));
        return Collections.unmodifiableMap(all);
    }

    /** The function with a name. */
    public static Optional<Function> find(String name) {
        return Optional.ofNullable(ALL.get(name));
    }

    /** Every function, in the order of the documentation. */
    public static List<Function> list() {
        return new ArrayList<>(ALL.values());
    }
}
