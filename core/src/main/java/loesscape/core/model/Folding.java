package loesscape.core.model;

/**
 * How something leaves and comes back. Motion is never shown to a reader who prefers it reduced (WCAG 2.2, 2.3.3).
 *
 * @param keepsSpace whether its place stays empty while it is folded; otherwise what follows moves up
 * @param motion how it moves
 * @param milliseconds how long that takes, 0 to 2,000; 0 for the usual time
 */
public record Folding(
        @MayBeLeftOut boolean keepsSpace,
        @MayBeLeftOut Motion motion,
        @MayBeLeftOut int milliseconds) {

    /** The most milliseconds a motion may take. */
    public static final int LONGEST = 2_000;

    /** The space closes, without motion. */
    public static final Folding PLAIN = new Folding(false, Motion.NONE, 0);

    /** How something moves when it folds or opens. */
    public enum Motion {
        NONE,
        FADE,
        SLIDE
    }
}
