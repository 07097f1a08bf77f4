package loesscape.core.analysis.proof;

import java.util.function.Supplier;

/**
 * How long is searched: deciding may take time without end, and nobody waits for that. What counts is how many contradictions a
 * search meets, so that the same is found on every machine. Many questions that are each hard share what there is; when it is
 * used up, those that are easy are answered still.
 */
final class Patience {

    private static final int MOST_IN_ALL = 500_000;
    private static final int MOST_EACH = 10_000;
    private static final int MOST_AFTERWARDS = 200;

    private final int each;
    private final int afterwards;
    private long left;

    /**
     * @param all how many contradictions may be met in all
     * @param each in one search
     * @param afterwards in one search when all is used up
     */
    Patience(long all, int each, int afterwards) {
        this.left = all;
        this.each = each;
        this.afterwards = afterwards;
    }

    /** Solvers that share what there is for all that is asked of one document. */
    static Supplier<Solver> shared() {
        Patience patience = new Patience(MOST_IN_ALL, MOST_EACH, MOST_AFTERWARDS);
        return () -> new MiniSat(patience);
    }

    /** How many contradictions the search that begins now may meet. */
    int most() {
        return left > 0 ? each : afterwards;
    }

    void met(int contradictions) {
        left -= contradictions;
    }
}
