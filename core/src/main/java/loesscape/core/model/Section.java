package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A section of a page.
 *
 * @param key unique in the template
 * @param title the heading; may be empty
 * @param help a line under the heading; may be empty
 * @param shown when the section is shown; null for always
 * @param items in reading order
 */
public record Section(
        String key,
        @MayBeLeftOut String title,
        @MayBeLeftOut String help,
        @Nullable Condition shown,
        @MayBeLeftOut List<Item> items)
        implements Node {

    public Section {
        items = List.copyOf(items);
    }

    @Override
    public String name() {
        return title.isEmpty() ? "Section without a title" : title;
    }
}
