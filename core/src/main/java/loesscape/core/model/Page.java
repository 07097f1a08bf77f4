package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A page of the document.
 *
 * @param key unique in the template
 * @param title shown as a heading when there are several pages; may be empty
 * @param shown when the page is shown; null for always
 * @param sections in reading order
 */
public record Page(
        String key,
        @MayBeLeftOut String title,
        @Nullable Condition shown,
        @MayBeLeftOut List<Section> sections) implements Node {

    public Page {
        sections = List.copyOf(sections);
    }

    @Override
    public String name() {
        return title.isEmpty() ? "Page" : title;
    }

    @Override
    public Page withShown(@Nullable Condition shown) {
        return new Page(key, title, shown, sections);
    }
}
