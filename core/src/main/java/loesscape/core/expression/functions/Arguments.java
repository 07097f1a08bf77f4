package loesscape.core.expression.functions;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a function is called with.
 *
 * @param values in the order of its parameters
 * @param language of the document
 * @param labels of the choices that the first of them can be, by their identities; none where it is no choice
 */
public record Arguments(List<@Nullable Object> values, Locale language, Map<String, String> labels) {

    /** How many were given. */
    int size() {
        return values.size();
    }

    /** One of them; null where it is null or was not given. */
    @Nullable
    Object get(int place) {
        return place < values.size() ? values.get(place) : null;
    }

    /** One of them, for itself where a list of one stands for it (DMN 1.4, 10.3.2.9.4). */
    @Nullable
    Object single(int place) {
        return get(place) instanceof List<?> one && one.size() == 1 ? one.getFirst() : get(place);
    }

    /** Whether all of them are lists. */
    boolean areLists() {
        return values.stream().allMatch(List.class::isInstance);
    }
}
