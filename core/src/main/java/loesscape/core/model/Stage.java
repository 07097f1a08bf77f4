package loesscape.core.model;

/** Where a document stands on its way. */
public enum Stage {
    /** It is being filled in. */
    FILLING,
    /** What was filled in is being looked through. */
    REVIEWING,
    /** It is finished and read. */
    FINISHED,
    /** It is put on paper. */
    PRINT
}
