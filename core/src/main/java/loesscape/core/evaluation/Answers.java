package loesscape.core.evaluation;

import java.util.HashMap;
import java.util.Map;

/**
 * Answers as they were typed, by field key. Typed text is kept even where it cannot be read as the field's kind, so
 * that nothing a person wrote is lost; {@link Reading} makes values of it.
 *
 * @param typed what stands in each answered field; empty text is the same as no entry
 */
public record Answers(Map<String, String> typed) {

    /** Nothing answered. */
    public static final Answers NONE = new Answers(Map.of());

    public Answers {
        typed = Map.copyOf(typed);
    }

    /** What is typed in a field; empty when nothing is. */
    public String of(String key) {
        return typed.getOrDefault(key, "");
    }

    /** These answers with one of them changed; empty text takes the answer away. */
    public Answers with(String key, String text) {
        Map<String, String> changed = new HashMap<>(typed);
        if (text.isEmpty()) {
            changed.remove(key);
        } else {
            changed.put(key, text);
        }
        return new Answers(changed);
    }
}
