package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A section of a page, or of a section.
 *
 * @param key unique in the template
 * @param title the heading; may be empty
 * @param help a line under the heading; may be empty
 * @param shown when the section is shown; null for always
 * @param open when it is opened out and not only its heading is seen; null for always
 * @param rows null where the section stands once; otherwise it repeats, a row for each time
 * @param looks how it looks, the first whose condition holds; plain where none does
 * @param folding how it folds
 * @param medium whether it is there while filling, in the document, or both
 * @param origin the block it was made from; null for none
 * @param items in reading order
 */
public record Section(
        String key,
        @MayBeLeftOut String title,
        @MayBeLeftOut String help,
        @Nullable Condition shown,
        @Nullable Condition open,
        @Nullable Rows rows,
        @MayBeLeftOut List<LookRule> looks,
        @MayBeLeftOut Folding folding,
        @MayBeLeftOut Medium medium,
        @Nullable Origin origin,
        @MayBeLeftOut List<Item> items)
        implements Item {

    /**
     * How often a section repeats.
     *
     * @param least the fewest rows a finished document has; so many stand there from the beginning
     * @param most the most rows; at least 1 and not below {@code least}
     */
    public record Rows(@MayBeLeftOut int least, int most) {

        /** The most rows a section can have. */
        public static final int MOST = 1_000;

        /** The most places for answers and texts that all rows of a document have together. */
        public static final int MOST_PLACES = 50_000;
    }

    public Section {
        looks = List.copyOf(looks);
        items = List.copyOf(items);
    }

    /** A section that is always shown. */
    public static Section of(String key, String title, List<Item> items) {
        return new Section(key, title, "", null, null, null, List.of(), Folding.PLAIN, Medium.BOTH, null, items);
    }

    @Override
    public String name() {
        return title.isEmpty() ? "Section without a title" : title;
    }

    /** Whether it repeats. */
    public boolean isRepeating() {
        return rows != null;
    }

    /** This section with another heading. */
    public Section withTitle(String title) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section with another line under its heading. */
    public Section withHelp(String help) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    @Override
    public Section withShown(@Nullable Condition shown) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section with another condition for when it is opened out. */
    public Section withOpen(@Nullable Condition open) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section repeating otherwise, or not at all. */
    public Section withRows(@Nullable Rows rows) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section with other looks. */
    public Section withLooks(List<LookRule> looks) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section folding in another way. */
    public Section withFolding(Folding folding) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section holding other items. */
    public Section withItems(List<Item> items) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section as made from a block. */
    public Section withOrigin(@Nullable Origin origin) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section under another key. */
    public Section withKey(String key) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }

    /** This section standing elsewhere. */
    public Section withMedium(Medium medium) {
        return new Section(key, title, help, shown, open, rows, looks, folding, medium, origin, items);
    }
}
