package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A page of the document.
 *
 * @param key unique in the template
 * @param title shown as a heading when there are several pages; may be empty
 * @param shown when the page is shown; null for always
 * @param sheet the page of a PDF that it is written on; null for one that is set from its items
 * @param places where its answers stand on that page of the PDF, and those of other pages too
 * @param sections in reading order
 */
public record Page(
        String key,
        @MayBeLeftOut String title,
        @Nullable Condition shown,
        @Nullable SheetPage sheet,
        @MayBeLeftOut List<Place> places,
        @MayBeLeftOut List<Section> sections)
        implements Node {

    public Page {
        places = List.copyOf(places);
        sections = List.copyOf(sections);
    }

    /** A page that is set from its items. */
    public Page(String key, String title, @Nullable Condition shown, List<Section> sections) {
        this(key, title, shown, null, List.of(), sections);
    }

    @Override
    public String name() {
        return title.isEmpty() ? "Page" : title;
    }

    @Override
    public Page withShown(@Nullable Condition shown) {
        return new Page(key, title, shown, sheet, places, sections);
    }

    /** This page with another heading. */
    public Page withTitle(String title) {
        return new Page(key, title, shown, sheet, places, sections);
    }

    /** This page under another key. */
    public Page withKey(String key) {
        return new Page(key, title, shown, sheet, places, sections);
    }

    /** This page with other places. */
    public Page withPlaces(List<Place> places) {
        return new Page(key, title, shown, sheet, places, sections);
    }

    /** This page without what stands where, and without scripts: its sheet alone. */
    public Page withoutPlaces() {
        return new Page(key, title, shown, sheet == null ? null : sheet.withoutScript(), List.of(), sections);
    }

    /** This page holding other sections. */
    public Page withSections(List<Section> sections) {
        return new Page(key, title, shown, sheet, places, sections);
    }
}
