package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Aspect;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.References;

/**
 * Who waits for whom, by slot.
 *
 * @param rank the place of each slot in the order of evaluation
 * @param held the slots of what each page and section holds
 * @param shown the slots whose <em>shown</em> looks at the field in a slot
 * @param otherwise the slots of which anything else looks at the field in a slot
 */
record Waiting(int[] rank, int[][] held, int[][] shown, int[][] otherwise) {

    static Waiting of(List<Node> nodes, int[] holders, int[] order, Map<String, Integer> slots) {
        int size = nodes.size();
        int[] rank = new int[size];
        for (int i = 0; i < size; i++) {
            rank[order[i]] = i;
        }
        List<List<Integer>> held = lists(size);
        List<List<Integer>> shown = lists(size);
        List<List<Integer>> otherwise = lists(size);
        for (int slot = 0; slot < size; slot++) {
            Node node = nodes.get(slot);
            if (holders[slot] >= 0) {
                held.get(holders[slot]).add(slot);
            }
            for (Aspect aspect : Aspect.values()) {
                List<List<Integer>> readers = aspect == Aspect.SHOWN ? shown : otherwise;
                for (String key : References.fields(aspect.of(node))) {
                    readers.get(slots.getOrDefault(key, slot)).add(slot);
                }
            }
            if (node instanceof Indicator indicator) {
                otherwise.get(slots.getOrDefault(indicator.follows(), slot)).add(slot);
            }
        }
        return new Waiting(rank, arrays(held), arrays(shown), arrays(otherwise));
    }

    private static List<List<Integer>> lists(int size) {
        List<List<Integer>> lists = new ArrayList<>(size);
        for (int i = 0; i < size; i++) {
            lists.add(new ArrayList<>(0));
        }
        return lists;
    }

    private static int[][] arrays(List<List<Integer>> lists) {
        return lists.stream()
                .map(list -> list.stream().mapToInt(Integer::intValue).toArray())
                .toArray(int[][]::new);
    }
}
