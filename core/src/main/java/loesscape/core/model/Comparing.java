package loesscape.core.model;

import java.util.List;

/** A leaf that holds something against other sides, each fixed, another answer, a day or a formula. */
public sealed interface Comparing permits Clause.Comparison, Clause.Between, Condition.Total {

    /** The other sides, in reading order. */
    List<Clause.Operand> operands();

    /** The same with other sides, as many as there were. */
    Condition.Leaf withOperands(List<Clause.Operand> others);
}
