package loesscape.core.analysis.proof;

import loesscape.core.model.Condition;

/** A rule that is not looked through. */
sealed interface OutOfReach {

    /** A condition: a formula, what is asked of many rows, what a text looks like. */
    record Rule(Condition condition) implements OutOfReach {}

    /**
     * Which cells of a list are left for the answers of others.
     *
     * @param field the key of the lookup
     */
    record Cells(String field) implements OutOfReach {}

    /**
     * What is to be paid.
     *
     * @param field the key of the payment
     */
    record Amount(String field) implements OutOfReach {}

    /**
     * What a formula gives.
     *
     * @param field the key of the field that is worked out
     */
    record WorkedOut(String field) implements OutOfReach {}
}
