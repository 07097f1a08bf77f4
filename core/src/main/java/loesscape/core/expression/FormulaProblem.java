package loesscape.core.expression;

/** A formula that cannot be taken as it is. */
public final class FormulaProblem extends RuntimeException {

    private final int at;
    private final int end;

    /**
     * @param at where in the text it begins, counted in characters from 0
     * @param end where it ends; not below {@code at}
     * @param message what is wrong and what was expected
     */
    public FormulaProblem(int at, int end, String message) {
        super(message);
        this.at = at;
        this.end = end;
    }

    /** Where in the text the trouble begins, counted in characters from 0. */
    public int at() {
        return at;
    }

    /** Where in the text the trouble ends. */
    public int end() {
        return end;
    }
}
