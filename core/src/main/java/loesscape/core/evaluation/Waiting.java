package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import loesscape.core.model.Field;
import loesscape.core.model.Logic;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.SymbolTable;

/**
 * Who waits for whom, by slot.
 *
 * @param rank the place of each slot in the order of evaluation
 * @param held the slots of what each page and section holds
 * @param deciding the slots whose being shown or whose value rests on the field or the rows of a slot
 * @param otherwise the slots of which anything else looks at the field or the rows of a slot
 */
record Waiting(int[] rank, int[][] held, int[][] deciding, int[][] otherwise) {

    static Waiting of(Slots slots, int[] order, PreparedTemplate prepared) {
        int size = slots.count();
        int[] rank = new int[size];
        for (int i = 0; i < size; i++) {
            rank[order[i]] = i;
        }
        List<List<Integer>> held = lists(size);
        List<List<Integer>> deciding = lists(size);
        List<List<Integer>> otherwise = lists(size);
        for (int slot = 0; slot < size; slot++) {
            if (slots.holder(slot) != Slots.NONE) {
                held.get(slots.holder(slot)).add(slot);
            }
            if (slots.node(slot) instanceof Field field) {
                add(slot, takingPart(field, prepared.symbols()), slots, otherwise);
            }
            for (Logic.Use use : prepared.uses(slots.node(slot).key())) {
                add(slot, use.sources(), slots, use.decides() ? deciding : otherwise);
            }
        }
        return new Waiting(rank, arrays(held), arrays(deciding), arrays(otherwise));
    }

    /** What says whether the role of a field takes part; nothing is asked of one that does not. */
    private static Set<String> takingPart(Field field, SymbolTable symbols) {
        Role role = field.role().isEmpty() ? null : symbols.role(field.role());
        return role == null ? Set.of() : symbols.sources(role.takesPart());
    }

    private static void add(int reader, Set<String> sources, Slots slots, List<List<Integer>> readers) {
        for (String key : sources) {
            int source = slots.find(key);
            if (source != Slots.NONE) {
                readers.get(source).add(reader);
            }
        }
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
                .map(list ->
                        list.stream().mapToInt(Integer::intValue).distinct().toArray())
                .toArray(int[][]::new);
    }
}
