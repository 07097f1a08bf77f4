package loesscape.core.reach;

import java.util.List;
import loesscape.core.analysis.proof.Example;
import org.jspecify.annotations.Nullable;

/**
 * Answers that show both sides of what depends on others.
 *
 * @param yes answers for which it is so; null where there are none, or none are known
 * @param no answers for which it is not so; null where there are none, or none are known
 * @param because the rules that are out of reach where something could not be decided
 */
public record ReachExamples(@Nullable Example yes, @Nullable Example no, List<String> because) {

    public ReachExamples {
        because = List.copyOf(because);
    }
}
