package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Shows the band in which the number of a field lies; nothing while that number is blank.
 *
 * @param key unique in the template
 * @param label the heading above the indicator; may be empty
 * @param follows the key of the number or money field it follows
 * @param bands the ranges, lowest first
 * @param shown when the indicator is shown; null for always
 */
public record Indicator(
        String key,
        @MayBeLeftOut String label,
        String follows,
        List<Band> bands,
        @Nullable Condition shown) implements Item {

    public Indicator {
        bands = List.copyOf(bands);
    }

    @Override
    public String name() {
        return label.isEmpty() ? "Indicator" : label;
    }
}
