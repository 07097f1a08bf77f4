package loesscape.core.model;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The order in which the nodes of a template are decided: each after what holds it and after what its counting value
 * rests on: the fields that its <em>shown</em>, its worked-out value and its choices look at. All else (required,
 * editable, open, looks, checks, …) only reads counting values and nothing waits for it, so it can never be part of a
 * cycle.
 *
 * @param order every node, each after those it depends on; empty when there is a cycle
 * @param cycle the keys of a cycle, each followed by one that it waits for, the first again at the end; empty when
 *     there is none
 */
public record Dependencies(List<String> order, List<String> cycle) {

    /** Orders the nodes of a template whose keys are unique; references to unknown fields are passed over. */
    static Dependencies of(PreparedTemplate prepared) {
        Map<String, Set<String>> needs = needs(prepared);
        List<String> order = new ArrayList<>(needs.size());
        Set<String> done = new HashSet<>();
        for (String start : needs.keySet()) {
            List<String> cycle = visit(start, needs, done, order);
            if (!cycle.isEmpty()) {
                return new Dependencies(List.of(), cycle);
            }
        }
        return new Dependencies(List.copyOf(order), List.of());
    }

    private static Map<String, Set<String>> needs(PreparedTemplate prepared) {
        Map<String, Set<String>> needs = new LinkedHashMap<>();
        for (Page page : prepared.template().pages()) {
            needs.put(page.key(), waitsFor(page, "", prepared));
            page.sections().forEach(section -> needs(section, page.key(), prepared, needs));
        }
        needs.values().forEach(keys -> keys.retainAll(needs.keySet()));
        return needs;
    }

    private static void needs(
            Section section, String holder, PreparedTemplate prepared, Map<String, Set<String>> needs) {
        needs.put(section.key(), waitsFor(section, holder, prepared));
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                needs(inner, section.key(), prepared, needs);
            } else {
                needs.put(item.key(), waitsFor(item, section.key(), prepared));
            }
        }
    }

    private static Set<String> waitsFor(Node node, String holder, PreparedTemplate prepared) {
        Set<String> keys = new LinkedHashSet<>();
        keys.add(holder);
        prepared.uses(node.key()).stream().filter(Logic.Use::decides).forEach(use -> keys.addAll(use.sources()));
        return keys;
    }

    /** Depth first with a stack of our own, so that a chain of any length cannot exhaust the thread's. */
    private static List<String> visit(
            String start, Map<String, Set<String>> needs, Set<String> done, List<String> order) {
        if (done.contains(start)) {
            return List.of();
        }
        Deque<String> path = new ArrayDeque<>();
        Map<String, Iterator<String>> open = new HashMap<>();
        path.addLast(start);
        open.put(start, needs.getOrDefault(start, Set.of()).iterator());
        while (!path.isEmpty()) {
            String key = path.getLast();
            Iterator<String> rest = open.getOrDefault(key, Collections.emptyIterator());
            if (!rest.hasNext()) {
                path.removeLast();
                open.remove(key);
                done.add(key);
                order.add(key);
                continue;
            }
            String next = rest.next();
            if (open.containsKey(next)) {
                List<String> cycle = new ArrayList<>(path);
                cycle.subList(0, cycle.indexOf(next)).clear();
                cycle.add(next);
                return cycle;
            }
            if (!done.contains(next)) {
                path.addLast(next);
                open.put(next, needs.getOrDefault(next, Set.of()).iterator());
            }
        }
        return List.of();
    }
}
