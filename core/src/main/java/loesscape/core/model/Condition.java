package loesscape.core.model;

import java.util.List;

/** Says when something is so. What cannot be decided counts as not met. */
public sealed interface Condition permits Condition.Always, Condition.Never, Condition.All, Condition.Any, Clause {

    /** Holds whatever is answered. */
    record Always() implements Condition {}

    /** Never holds. */
    record Never() implements Condition {}

    /** Holds when every one of its conditions does. */
    record All(List<Condition> conditions) implements Condition {

        public All {
            conditions = List.copyOf(conditions);
        }
    }

    /** Holds when at least one of its conditions does. */
    record Any(List<Condition> conditions) implements Condition {

        public Any {
            conditions = List.copyOf(conditions);
        }
    }
}
