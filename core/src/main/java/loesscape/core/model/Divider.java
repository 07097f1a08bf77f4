package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/**
 * A line between items.
 *
 * @param key unique in the template
 * @param shown when it is shown; null for always
 */
public record Divider(String key, @Nullable Condition shown) implements Item {

    @Override
    public String name() {
        return "Divider";
    }

    @Override
    public Divider withShown(@Nullable Condition shown) {
        return new Divider(key, shown);
    }
}
