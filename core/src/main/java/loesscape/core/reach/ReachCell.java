package loesscape.core.reach;

/**
 * What becomes of a follower for a part of the answers.
 *
 * @param becomes what becomes of it
 * @param words what it tells or is worked out to, or what is wrong; empty for none
 * @param isTrouble whether what the words say is something that nobody can have meant
 */
public record ReachCell(Becomes becomes, String words, boolean isTrouble) {

    /** What can become of something. */
    public enum Becomes {
        /** It is so. */
        YES,
        /** It is not so. */
        NO,
        /** What it is about is folded, so that it does not matter. */
        FOLDED,
        /** It is so for some other answers and not for others. */
        DEPENDS,
        /** It has words of its own. */
        SAYS,
        /** It cannot be told. */
        UNDECIDED,
        /** Nobody can answer so. */
        NEVER
    }

    /** What is said of it in its column. */
    public String words(ReachColumn column) {
        if (!words.isEmpty()) {
            return words;
        }
        return switch (becomes) {
            case YES -> column.yes();
            case NO -> column.no();
            case FOLDED -> "folded";
            case DEPENDS -> "it depends";
            case SAYS -> "";
            case UNDECIDED -> "not decided";
            case NEVER -> "never answered so";
        };
    }

    static ReachCell of(Becomes becomes) {
        return new ReachCell(becomes, "", false);
    }
}
