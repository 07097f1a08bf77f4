package loesscape.core.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Finds shared conditions that use themselves. */
final class SharedConditions {

    private SharedConditions() {}

    /** The keys of shared conditions each of which uses the next, the first again at the end; empty where none does. */
    static List<String> cycle(Template template, SymbolTable symbols) {
        Map<String, Set<String>> uses = new HashMap<>();
        Map<String, Condition> known = new HashMap<>();
        template.conditions().forEach(it -> known.put(it.key(), it.condition()));
        Set<String> done = new HashSet<>();
        known.forEach((key, condition) -> uses.put(key, symbols.sharedNamed(condition)));
        for (String start : known.keySet()) {
            List<String> path = new ArrayList<>();
            String end = visit(start, uses, done, path);
            if (!end.isEmpty()) {
                List<String> cycle = new ArrayList<>(path.subList(path.indexOf(end), path.size()));
                cycle.add(end);
                return cycle;
            }
        }
        return List.of();
    }

    /** The key at which the path from {@code key} on closes; empty where it does not. There are few enough to recurse. */
    private static String visit(String key, Map<String, Set<String>> uses, Set<String> done, List<String> path) {
        if (path.contains(key)) {
            return key;
        }
        if (done.contains(key)) {
            return "";
        }
        path.add(key);
        for (String next : uses.getOrDefault(key, Set.of())) {
            String end = visit(next, uses, done, path);
            if (!end.isEmpty()) {
                return end;
            }
        }
        path.removeLast();
        done.add(key);
        return "";
    }
}
