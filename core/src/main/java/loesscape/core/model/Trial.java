package loesscape.core.model;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * A named set of answers to try the document with.
 *
 * @param name what its author calls it; unique among the trials of a template
 * @param answers as they would be typed, by address
 */
public record Trial(String name, Map<String, String> answers) {

    public Trial {
        answers = Collections.unmodifiableMap(new TreeMap<>(answers));
    }
}
