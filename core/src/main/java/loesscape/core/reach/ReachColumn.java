package loesscape.core.reach;

/**
 * One thing that follows a field.
 *
 * @param key of the follower; empty for what belongs to no item
 * @param name what its author calls the follower
 * @param heading what of it this is about: shown, required, offers Loam
 * @param aspect the same for programs
 * @param yes what is said of it where it is so
 * @param no what is said of it where it is not so
 * @param isSettable whether it can be set in the table
 */
public record ReachColumn(
        String key, String name, String heading, ReachAspect aspect, String yes, String no, boolean isSettable) {}
