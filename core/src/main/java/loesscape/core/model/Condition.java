package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

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

    /** A condition that looks at answers or at how the document stands, not at other conditions beside it. */
    sealed interface Leaf extends Condition permits Clause, Written, StageIs, RoleIs, Shared, OfRows, RowCount, Total {}

    /**
     * A condition written as a formula.
     *
     * @param formula in FEEL (see {@link loesscape.core.expression.Formula}), over the keys of fields, repeating
     *     sections and shared conditions; gives true where the condition is met
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

    /**
     * Holds while one of some roles is acting. Where nobody in particular is, it does not hold.
     *
     * @param roles their keys; at least one
     */
    record RoleIs(List<String> roles) implements Leaf {

        public RoleIs {
            roles = List.copyOf(roles);
        }
    }

    /**
     * Holds when a shared condition does.
     *
     * @param condition the key of the shared condition
     */
    record Shared(String condition) implements Leaf {}

    /**
     * Says for how many rows of a repeating section a condition holds. Where there is no row, "any" and "every" are not
     * met and "no" is, unless its author says otherwise.
     *
     * @param section the key of the repeating section
     * @param quantity for how many rows it has to hold
     * @param condition what is asked of each row; the section's own fields stand for those of the row
     * @param whenBlank whether this is met where there is no row; null for the rule above
     */
    record OfRows(
            String section,
            Quantity quantity,
            Condition condition,
            @Nullable Boolean whenBlank) implements Leaf {

        /** For how many rows. */
        public enum Quantity {
            ANY,
            EVERY,
            NO
        }

        /** Whether this is met where there is no row. */
        public boolean metWhenBlank() {
            return whenBlank != null ? whenBlank : quantity == Quantity.NO;
        }
    }

    /**
     * Compares the number of rows of a repeating section; a folded section has none.
     *
     * @param section the key of the repeating section
     * @param test how the two are compared
     * @param count what the number of rows is compared with; not below 0
     */
    record RowCount(String section, Clause.Comparison.OrderTest test, int count) implements Leaf {}

    /**
     * Compares the total of a number over all rows. It is blank where no row has an answer.
     *
     * @param field the key of a number, money or rating field in a repeating section
     * @param test how the two are compared
     * @param to what the total is compared with
     * @param whenBlank whether a blank meets this; null for the rule of {@link Clause}
     */
    record Total(
            String field,
            Clause.Comparison.OrderTest test,
            Clause.Operand to,
            @Nullable Boolean whenBlank) implements Leaf, Comparing {

        @Override
        public List<Clause.Operand> operands() {
            return List.of(to);
        }

        @Override
        public Total withOperands(List<Clause.Operand> others) {
            return new Total(field, test, others.getFirst(), whenBlank);
        }

        /** Whether this is met where either side is blank. */
        public boolean metWhenBlank() {
            return whenBlank != null ? whenBlank : test == Clause.Comparison.OrderTest.NOT_EQUAL;
        }
    }
}
