package loesscape.core.model;

/**
 * How something looks. A shade is a checked set of text, fill and border colours, and never speaks alone: a mark, words
 * or bold go with it.
 *
 * @param shade the colours
 * @param bold whether the text is bold
 * @param mark a small sign beside the words
 */
public record Look(
        @MayBeLeftOut Shade shade,
        @MayBeLeftOut boolean bold,
        @MayBeLeftOut Mark mark) {

    /** No particular look. */
    public static final Look PLAIN = new Look(Shade.PLAIN, false, Mark.NONE);

    /** A named set of colours, each readable on its own fill (WCAG 2.2, 1.4.3). */
    public enum Shade {
        PLAIN,
        MOSS,
        RIVER,
        STRAW,
        OCHRE,
        CLAY,
        STONE
    }

    /** A small sign that stands beside the words of a band. */
    public enum Mark {
        NONE,
        TICK,
        DROP,
        EYE,
        WARNING,
        STOP
    }
}
