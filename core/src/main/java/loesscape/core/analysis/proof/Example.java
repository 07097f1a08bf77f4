package loesscape.core.analysis.proof;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import loesscape.core.evaluation.Context;

/**
 * Answers for which something is so, as few as there can be.
 *
 * @param answers as they would be typed, by address; all others are blank
 * @param context the day, stage and role
 */
public record Example(Map<String, String> answers, Context context) {

    public Example {
        answers = Collections.unmodifiableMap(new TreeMap<>(answers));
    }
}
