package loesscape.core.model;

/**
 * How something is written at its place.
 *
 * @param size of the letters in tenths of a point; 0 for as large as fits, at most 12 points
 * @param cells how many cells of equal width the place has, a character in each; 0 for none
 * @param lines whether it may take several lines
 * @param alignment where it stands in its place
 * @param tick how the mark of a choice looks
 */
public record Lettering(
        @MayBeLeftOut int size,
        @MayBeLeftOut int cells,
        @MayBeLeftOut boolean lines,
        @MayBeLeftOut Alignment alignment,
        @MayBeLeftOut Tick tick) {

    /** Fitted, on one line, where reading begins. */
    public static final Lettering PLAIN = new Lettering(0, 0, false, Alignment.START, Tick.CROSS);

    /** The smallest and largest letters, in tenths of a point. */
    public static final int SMALLEST = 40;

    public static final int LARGEST = 720;

    /** The most cells of a place. */
    public static final int MOST_CELLS = 200;

    /** Where something stands in its place. */
    public enum Alignment {
        START,
        MIDDLE,
        END
    }

    /** How the mark of a choice looks. */
    public enum Tick {
        CROSS,
        TICK,
        DOT,
        /** A line around the printed word. */
        RING
    }

    /** Fitted, over several lines. */
    public static Lettering ofLines() {
        return new Lettering(0, 0, true, Alignment.START, Tick.CROSS);
    }

    /** A character in each of some cells. */
    public static Lettering ofCells(int cells) {
        return new Lettering(0, cells, false, Alignment.START, Tick.CROSS);
    }

    /** The same with another mark. */
    public Lettering withTick(Tick tick) {
        return new Lettering(size, cells, lines, alignment, tick);
    }
}
