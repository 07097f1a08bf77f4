package loesscape.core.evaluation;

import loesscape.core.model.Value;

/** A compiled condition: decides from the counting values of all fields, by slot, and from the context. */
@FunctionalInterface
interface Test {

    boolean holds(Seen seen);

    /** What a condition sees. */
    record Seen(Value[] counting, Context context) {}
}
