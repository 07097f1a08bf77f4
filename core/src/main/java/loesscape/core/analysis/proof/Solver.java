package loesscape.core.analysis.proof;

import org.jspecify.annotations.Nullable;

/**
 * Something that finds values of variables for which clauses hold. Literals are those of DIMACS: the number of a variable,
 * from 1, or the same below zero for its opposite.
 */
interface Solver {

    /**
     * A new variable; they are numbered from 1.
     *
     * @param usually what is tried first
     */
    int variable(boolean usually);

    /** Takes in what has to hold: at least one of these. */
    void clause(int... literals);

    /**
     * Values for which everything holds, by the number of the variable; null where there are none.
     *
     * @param assumed what has to hold besides, this time only
     */
    boolean @Nullable [] solve(int... assumed);

    /** Whether it gave up when it was last asked, so that nothing is known where it found nothing. */
    boolean hasGivenUp();
}
