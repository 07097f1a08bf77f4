package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.util.List;
import java.util.function.Function;
import loesscape.core.model.Field;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * All that one node is decided by, compiled. A test that is null stands for the plain default of its aspect.
 *
 * @param field the node where it is one; null for others
 * @param isPlain whether a field always looks the same, offers nothing to choose from and costs nothing, as most do
 * @param isOnlyTyped whether what counts of a field is what is typed, and nothing else can be
 * @param looks in order, those of the item and those of its row
 * @param limit that of its kind
 * @param checks the author's own
 * @param reader how typed answers are read
 * @param isTyped whether answers are typed at all
 * @param offering what can be chosen; null where nothing is
 * @param workedOut what its formula gives; null where it has none
 * @param due what is to be paid; null for all but payments
 * @param text of a notice
 */
record Rules(
        Node node,
        @Nullable Field field,
        boolean isPlain,
        boolean isOnlyTyped,
        @Nullable CompiledCondition shown,
        @Nullable CompiledCondition required,
        @Nullable CompiledCondition editable,
        @Nullable CompiledCondition open,
        List<CompiledLook> looks,
        Checks.Limit limit,
        List<CompiledCheck> checks,
        Reading.Reader reader,
        boolean isTyped,
        Offerings.@Nullable Offering offering,
        @Nullable Function<Seen, @Nullable Object> workedOut,
        @Nullable Function<Seen, @Nullable Object> due,
        Function<Seen, List<Passage>> text) {

    /** A look and when it counts. */
    record CompiledLook(CompiledCondition when, Look look, LookRule.Extent extent) {}

    /** A check and its message. */
    record CompiledCheck(CompiledCondition refusedWhen, String message) {}

    /** The first look whose condition holds, where it covers what is asked of; null where none does, or it covers something else. */
    @Nullable
    Look look(LookRule.Extent extent, Seen seen) {
        for (CompiledLook each : looks) {
            if (each.when().holds(seen)) {
                return each.extent() == extent ? each.look() : null;
            }
        }
        return null;
    }

    /** What is wrong with the answer by the limits of its kind or a check; null where nothing is. */
    @Nullable
    String refusal(Value value, Seen seen) {
        String problem = limit.problem(value);
        if (problem != null) {
            return problem;
        }
        for (CompiledCheck check : checks) {
            if (check.refusedWhen().holds(seen)) {
                return check.message();
            }
        }
        return null;
    }

    /** What is to be paid, in the decimals of its currency; null where nothing is or it is not known. */
    @Nullable
    BigDecimal amount(Seen seen, int decimals) {
        if (due != null
                && due.apply(seen) instanceof BigDecimal number
                && WorkedOut.number(number, decimals) instanceof Value.Number(var amount)
                && amount.signum() > 0) {
            return amount;
        }
        return null;
    }

    static boolean holds(@Nullable CompiledCondition test, boolean plainDefault, Seen seen) {
        return test == null ? plainDefault : test.holds(seen);
    }
}
