package loesscape.core.expression;

import org.jspecify.annotations.Nullable;

/** A formula that cannot be taken as it is. */
public final class FormulaProblem extends RuntimeException {

    private final int at;
    private final int end;
    private final @Nullable String instead;

    /**
     * @param at where in the text it begins, counted in characters from 0
     * @param end where it ends; not below {@code at}
     * @param message what is wrong and what was expected
     */
    public FormulaProblem(int at, int end, String message) {
        this(at, end, message, null);
    }

    /**
     * @param instead what was probably meant, to be written in place of what stands there; null where that is not known
     */
    FormulaProblem(int at, int end, String message, @Nullable String instead) {
        super(message);
        this.at = at;
        this.end = end;
        this.instead = instead;
    }

    /** Where in the text the trouble begins, counted in characters from 0. */
    public int at() {
        return at;
    }

    /** Where in the text the trouble ends. */
    public int end() {
        return end;
    }

    /** What was probably meant, to be written in the place of the trouble; null where that is not known. */
    public @Nullable String instead() {
        return instead;
    }
}
