package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Condition;

/** The parts of a condition, each with what is left of the condition without it. */
final class Parts {

    private Parts() {}

    /** A part, and the condition without it. */
    record Without(Condition part, Condition rest) {}

    /** The parts of all groups; none of a condition that is no group, or has one part only. */
    static List<Without> of(Condition condition) {
        List<Without> all = new ArrayList<>();
        if (!(condition instanceof Condition.Group group)) {
            return all;
        }
        List<Condition> parts = group.conditions();
        for (int i = 0; i < parts.size(); i++) {
            if (parts.size() > 1) {
                List<Condition> rest = new ArrayList<>(parts);
                rest.remove(i);
                all.add(new Without(parts.get(i), group.of(rest)));
            }
            for (Without inner : of(parts.get(i))) {
                List<Condition> changed = new ArrayList<>(parts);
                changed.set(i, inner.rest());
                all.add(new Without(inner.part(), group.of(changed)));
            }
        }
        return all;
    }
}
