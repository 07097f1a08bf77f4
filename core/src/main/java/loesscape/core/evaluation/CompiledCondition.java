package loesscape.core.evaluation;

/** A compiled condition: decides from what an evaluation has found out so far. */
@FunctionalInterface
interface CompiledCondition {

    boolean holds(Seen seen);
}
