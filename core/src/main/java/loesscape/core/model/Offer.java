package loesscape.core.model;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Which choices are offered for each answer to another field.
 *
 * @param parent the key of a field with one choice, or yes and no
 * @param perAnswer by the identity of the parent's choice, the identities of what is offered, in the order of the
 *     field's own choices; a choice that is not named here offers nothing
 */
public record Offer(String parent, Map<String, List<String>> perAnswer) {

    public Offer {
        Map<String, List<String>> sorted = new LinkedHashMap<>();
        new TreeMap<>(perAnswer).forEach((answer, choices) -> sorted.put(answer, List.copyOf(choices)));
        perAnswer = Collections.unmodifiableMap(sorted);
    }
}
