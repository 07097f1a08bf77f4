package loesscape.core.model;

import java.util.List;

/** Says when something is so. What cannot be decided counts as not met. */
public sealed interface Condition permits Condition.Always, Condition.Never, Condition.Group, Condition.Leaf {

    /** Holds whatever is answered. */
    record Always() implements Condition {}

    /** Never holds. */
    record Never() implements Condition {}

    /** Conditions joined into one; groups can hold groups. */
    sealed interface Group extends Condition {

        /** What is joined; at least one. */
        List<Condition> conditions();

        /** The same join of other conditions. */
        Group of(List<Condition> others);
    }

    /** Holds when every one of its conditions does. */
    record All(List<Condition> conditions) implements Group {

        public All {
            conditions = List.copyOf(conditions);
        }

        @Override
        public All of(List<Condition> others) {
            return new All(others);
        }
    }

    /** Holds when at least one of its conditions does. */
    record Any(List<Condition> conditions) implements Group {

        public Any {
            conditions = List.copyOf(conditions);
        }

        @Override
        public Any of(List<Condition> others) {
            return new Any(others);
        }
    }

    /** Holds when none of its conditions does; what cannot be decided does not hold. */
    record None(List<Condition> conditions) implements Group {

        public None {
            conditions = List.copyOf(conditions);
        }

        @Override
        public None of(List<Condition> others) {
            return new None(others);
        }
    }

    /**
     * Holds when enough of its conditions do.
     *
     * @param count how many have to hold; 1 up to the number of conditions
     */
    record AtLeast(int count, List<Condition> conditions) implements Group {

        public AtLeast {
            conditions = List.copyOf(conditions);
        }

        /** The same of other conditions; where there are fewer than have to hold, all of them have to. */
        @Override
        public AtLeast of(List<Condition> others) {
            return new AtLeast(Math.min(count, others.size()), others);
        }
    }

    /** A condition that looks at answers or at how the document stands, not at other conditions. */
    sealed interface Leaf extends Condition permits Clause, Written, StageIs {}

    /**
     * A condition written as a formula.
     *
     * @param formula in FEEL (see {@link loesscape.core.expression.Formula}), over the keys of fields; gives true where
     *     the condition is met
     */
    record Written(String formula) implements Leaf {}

    /**
     * Holds at some stages of the document.
     *
     * @param stages which; at least one
     */
    record StageIs(List<Stage> stages) implements Leaf {

        public StageIs {
            stages = List.copyOf(stages);
        }
    }
}
