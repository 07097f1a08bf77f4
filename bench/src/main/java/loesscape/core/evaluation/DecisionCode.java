package loesscape.core.evaluation;

import java.util.Objects;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * The code that is made for one template.
 *
 * @param generated decides
 * @param bySlot how the values of each field are coded; null where there is no field
 */
record DecisionCode(Generated generated, @Nullable Codes[] bySlot) {

    /** Decides all of a template for coded values. */
    @FunctionalInterface
    interface Generated {
        void decide(
                Seen seen,
                Value[] values,
                long[] codes,
                long[] counting,
                boolean[] shown,
                boolean[] required,
                boolean[] editable);
    }

    /** How the values of a field are coded. */
    Codes codes(int slot) {
        return Objects.requireNonNull(bySlot[slot]);
    }
}
