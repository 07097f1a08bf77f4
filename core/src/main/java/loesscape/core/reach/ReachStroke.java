package loesscape.core.reach;

import java.util.List;

/**
 * What is to be so in some lines of a column.
 *
 * @param key of the follower; empty for what belongs to no item
 * @param aspect of the column
 * @param rows the places of the lines, from 0
 * @param is whether it is to be so there, or not so
 */
public record ReachStroke(String key, ReachAspect aspect, List<Integer> rows, boolean is) {

    public ReachStroke {
        rows = List.copyOf(rows);
    }
}
