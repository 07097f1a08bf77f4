package loesscape.core.model;

/**
 * A look for when a condition holds. In a list of these, the first whose condition holds counts.
 *
 * @param when the condition
 * @param look how it looks then
 * @param extent what the look covers
 */
public record LookRule(
        Condition when, Look look, @MayBeLeftOut Extent extent) {

    /** What a look covers. */
    public enum Extent {
        /** The item itself. */
        ITEM,
        /** The whole row of a repeating section in which the field stands. */
        ROW
    }
}
