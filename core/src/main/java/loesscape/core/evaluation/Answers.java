package loesscape.core.evaluation;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Answers as they were typed, by address: the key of a field, and in rows the key, {@code @} and the row. Under the key
 * of a repeating section stand its rows in their order. Typed text is kept even where it cannot be read as the field's
 * kind, so that nothing a person wrote is lost; {@link Reading} makes values of it.
 *
 * @param typed what stands in each field that was touched; empty text where an answer was taken away
 */
public record Answers(Map<String, String> typed) {

    /** Nothing answered. */
    public static final Answers NONE = new Answers(Map.of());

    public Answers {
        // Addresses are alike (f1, f2, …; cost@r1, …), and so are their hashes: Map.copyOf puts what falls on one place
        // into the next, and looks at many before it finds one.
        Map<String, String> kept = HashMap.newHashMap(typed.size());
        typed.forEach((address, text) -> kept.put(Objects.requireNonNull(address), Objects.requireNonNull(text)));
        typed = Collections.unmodifiableMap(kept);
    }

    /** What is typed at an address; empty when nothing is. */
    public String of(String address) {
        return typed.getOrDefault(address, "");
    }

    /** What is typed at an address; null where it was never touched. */
    public @Nullable String touched(String address) {
        return typed.get(address);
    }

    /** These answers with one of them changed. */
    public Answers with(String address, String text) {
        Map<String, String> changed = new HashMap<>(typed);
        changed.put(address, text);
        return new Answers(changed);
    }

    /** These answers with those to a field, in all rows, or the rows of a section under another key. */
    public Answers renamed(String key, String to) {
        Map<String, String> changed = new HashMap<>();
        typed.forEach((address, text) ->
                changed.put(RowNames.key(address).equals(key) ? to + address.substring(key.length()) : address, text));
        return new Answers(changed);
    }

    /** These answers with other rows of a repeating section, in this order; what was typed in others is kept. */
    public Answers withRows(String section, List<String> rows) {
        return with(section, RowNames.text(rows));
    }
}
