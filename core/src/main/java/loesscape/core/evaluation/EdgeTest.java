package loesscape.core.evaluation;

import java.math.BigDecimal;
import loesscape.core.model.Value;

/**
 * The answer to a field compared with a number that stands in the condition.
 *
 * @param whenLess what it says of a smaller number, and so on
 */
record EdgeTest(
        int field,
        boolean inRows,
        BigDecimal edge,
        boolean whenLess,
        boolean whenEqual,
        boolean whenMore,
        boolean whenBlank)
        implements CompiledCondition {

    @Override
    public boolean holds(Seen seen) {
        Value value = inRows ? seen.countingInRows[field][seen.row] : seen.counting[field];
        if (value instanceof Value.Number(var number)) {
            int order = number.compareTo(edge);
            return order < 0 ? whenLess : order == 0 ? whenEqual : whenMore;
        }
        return whenBlank && value.isBlank();
    }
}
