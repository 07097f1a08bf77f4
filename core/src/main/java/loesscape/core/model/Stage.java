package loesscape.core.model;

import java.util.Locale;

/** Where a document stands on its way. */
public enum Stage {
    /** It is being filled in. */
    FILLING,
    /** What was filled in is being looked through. */
    REVIEWING,
    /** It is finished and read. */
    FINISHED,
    /** It is put on paper. */
    PRINT;

    /** The stage as formulas and files name it: filling. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
