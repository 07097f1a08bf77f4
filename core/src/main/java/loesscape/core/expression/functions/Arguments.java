package loesscape.core.expression.functions;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a function is called with.
 *
 * @param values in the order of its parameters
 */
public record Arguments(List<@Nullable Object> values) {

    /** How many were given. */
    int size() {
        return values.size();
    }

    /** One of them; null where it is null or was not given. */
    @Nullable
    Object get(int place) {
        return place < values.size() ? values.get(place) : null;
    }

    /** Whether all of them are lists. */
    boolean areLists() {
        return values.stream().allMatch(List.class::isInstance);
    }
}
