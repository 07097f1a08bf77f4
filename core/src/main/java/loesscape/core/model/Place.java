package loesscape.core.model;

/**
 * Where something of an item stands on a page of a PDF. An answer may have several places.
 *
 * @param item the key of the item
 * @param choice the identity of the choice whose mark stands here; empty for the answer in words
 * @param row which row, counted from 0, where the item stands in rows; otherwise 0
 * @param left from the left edge of the page as it is seen, in hundredths of a millimetre
 * @param top from the top edge of the page, in hundredths of a millimetre
 * @param width in hundredths of a millimetre
 * @param height in hundredths of a millimetre
 * @param lettering how it is written
 * @param source what the field was called in the file; empty for none
 * @param script what the file would have run at this field, to be read by whoever writes its rules anew; never run; may
 *     be empty
 */
public record Place(
        String item,
        @MayBeLeftOut String choice,
        @MayBeLeftOut int row,
        int left,
        int top,
        int width,
        int height,
        @MayBeLeftOut Lettering lettering,
        @MayBeLeftOut String source,
        @MayBeLeftOut String script) {

    /** The most places on one page. */
    public static final int MOST = 2_000;

    /** The shortest side of a place: half a millimetre. */
    public static final int SHORTEST_SIDE = 50;

    /** The place of an answer in words. */
    public static Place of(String item, int left, int top, int width, int height) {
        return new Place(item, "", 0, left, top, width, height, Lettering.PLAIN, "", "");
    }

    /** The same place of another choice. */
    public Place ofChoice(String choice) {
        return new Place(item, choice, row, left, top, width, height, lettering, source, script);
    }

    /** The same place of another item. */
    public Place ofItem(String item) {
        return new Place(item, choice, row, left, top, width, height, lettering, source, script);
    }

    /** The same place, written otherwise. */
    public Place withLettering(Lettering lettering) {
        return new Place(item, choice, row, left, top, width, height, lettering, source, script);
    }

    /** The same place with what a file says of it. */
    public Place withSource(String source, String script) {
        return new Place(item, choice, row, left, top, width, height, lettering, source, script);
    }
}
