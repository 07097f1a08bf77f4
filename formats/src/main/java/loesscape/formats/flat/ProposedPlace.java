package loesscape.formats.flat;

import java.util.List;

/**
 * A place where a form without fields looks as if it were to be filled in.
 *
 * @param number by which it is told apart from others of its page
 * @param found how it was found
 * @param writing how it is written
 * @param label what is asked, as it is printed beside; may be empty
 * @param heading what it stands under; empty for nothing
 * @param place where it is written; of marks around all of them
 * @param marks each of them with what it says; only of {@link Writing#MARK}
 * @param isOne whether no more than one of the marks holds
 * @param cells how many letters have a box of their own; 0 where they have none
 */
public record ProposedPlace(
        int number,
        Found found,
        Writing writing,
        String label,
        String heading,
        PrintedBox place,
        List<ProposedMark> marks,
        boolean isOne,
        int cells) {

    public ProposedPlace {
        marks = List.copyOf(marks);
    }

    /** The same under a heading. */
    public ProposedPlace under(String heading) {
        return new ProposedPlace(number, found, writing, label, heading, place, marks, isOne, cells);
    }

    /** How places are found, in the order in which they are told. */
    public enum Found {
        /** A run of underscores. */
        UNDERSCORES,
        /** A run of dots. */
        DOTS,
        /** A line to write on. */
        LINE,
        /** An empty box of a table. */
        CELL,
        /** A box with a prompt and room beneath it. */
        BOX,
        /** A box of another colour than what is around it. */
        SHADE,
        /** Boxes for letters. */
        COMB,
        /** Squares and circles to be marked. */
        SQUARE
    }

    /** How an answer is written there. */
    public enum Writing {
        LINE,
        LINES,
        CELLS,
        MARK
    }

    /** One of the marks of an answer. */
    public record ProposedMark(String label, PrintedBox place) {}

    /**
     * A rectangle on a page, in hundredths of a millimetre from its upper left corner as it is seen.
     */
    public record PrintedBox(int left, int top, int width, int height) {}
}
