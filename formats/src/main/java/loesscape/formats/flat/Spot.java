package loesscape.formats.flat;

import loesscape.formats.flat.ProposedPlace.Found;
import loesscape.formats.flat.ProposedPlace.Writing;

/**
 * Somewhere to be filled in.
 *
 * @param label what is printed beside it; may be empty
 * @param cells how many letters have a box of their own; 0 where they have none
 */
record Spot(Found found, Writing writing, Area area, String label, int cells) {

    static Spot line(Found found, Area area, String label) {
        return new Spot(found, Writing.LINE, area, label, 0);
    }

    static Spot mark(Found found, Area area, String label) {
        return new Spot(found, Writing.MARK, area, label, 0);
    }

    boolean isMark() {
        return writing == Writing.MARK;
    }
}
