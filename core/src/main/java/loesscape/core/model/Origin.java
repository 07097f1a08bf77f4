package loesscape.core.model;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * The block that a section was made from, so that a later version of the block can be taken over.
 *
 * @param block which block
 * @param version the version of the block that the section goes back to
 * @param keys by the key of everything in the block, its key here
 */
public record Origin(String block, int version, Map<String, String> keys) {

    public Origin {
        keys = Collections.unmodifiableMap(new TreeMap<>(keys));
    }

    /** The same with other keys in the places of those here; what has none any more is left out. */
    Origin renamed(Renaming to) {
        Map<String, String> renamed = new TreeMap<>();
        keys.forEach((original, key) -> {
            String other = to.of(key);
            if (other != null) {
                renamed.put(original, other);
            }
        });
        return new Origin(block, version, renamed);
    }

    /** Another key for a key; null for none. */
    interface Renaming {
        @Nullable
        String of(String key);
    }
}
