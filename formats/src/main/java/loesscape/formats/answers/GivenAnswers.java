package loesscape.formats.answers;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Answers for one document, as they came.
 *
 * @param values what was given, by the name it was given under; several where a name has several
 */
public record GivenAnswers(Map<String, List<String>> values) {

    public GivenAnswers {
        Map<String, List<String>> copy = new LinkedHashMap<>();
        values.forEach((name, all) -> copy.put(name, List.copyOf(all)));
        values = Collections.unmodifiableMap(copy);
    }
}
