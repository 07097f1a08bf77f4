package loesscape.core.evaluation;

import loesscape.core.model.Value;

/** A compiled condition: decides from the counting values of all fields, by slot. */
@FunctionalInterface
interface Test {

    boolean holds(Value[] counting);
}
