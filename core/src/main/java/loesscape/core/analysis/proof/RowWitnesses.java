package loesscape.core.analysis.proof;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.PreparedTemplate;

/**
 * How many rows of a section have to be told apart, so that what is found of them is so of any number of rows. That any row is
 * so, or not every, needs one row of which it is said, its witness; of all other rows of a document nothing is said that would
 * not be so without them. One row for each thing that is asked of rows, and one that stands for any, are enough.
 */
final class RowWitnesses {

    /** How many rows of a section are told apart; where more would be needed, what is asked of its rows is out of reach. */
    private static final int MOST_ROWS = 8;

    private final Map<String, Set<Witness>> witnesses = new LinkedHashMap<>();
    private final Set<String> isRefusing = new HashSet<>();

    /**
     * A row that is there to say something.
     *
     * @param version of the template of which it says it
     * @param is whether it meets the condition
     */
    private record Witness(int version, Condition condition, boolean is) {}

    private RowWitnesses() {}

    static RowWitnesses of(List<PreparedTemplate> versions) {
        RowWitnesses all = new RowWitnesses();
        for (int version = 0; version < versions.size(); version++) {
            PreparedTemplate each = versions.get(version);
            for (Condition.Leaf leaf : TemplateConditions.leaves(each.template())) {
                if (leaf instanceof Condition.OfRows it) {
                    all.witnesses
                            .computeIfAbsent(it.section(), ignored -> new HashSet<>())
                            .add(witness(version, it));
                }
            }
            for (Field field : each.template().fields()) {
                String around = each.symbols().rowsAround(field.key());
                if (around != null && canRefuse(field)) {
                    // One more that holds the document up, whatever it says else.
                    all.isRefusing.add(around);
                }
            }
        }
        return all;
    }

    private static boolean canRefuse(Field field) {
        return !field.checks().isEmpty()
                || field.value() instanceof FieldValue.WorkedOut
                || field.kind() instanceof FieldKind.Payment;
    }

    private static Witness witness(int version, Condition.OfRows it) {
        return new Witness(version, it.condition(), it.quantity() != Condition.OfRows.Quantity.EVERY);
    }

    /** The sections of whose rows several are told apart. */
    Collection<String> sections() {
        return witnesses.keySet();
    }

    /** How many rows of a section are told apart; 1 where nothing is asked of all of them, or too much. */
    int rows(String section) {
        int needed = needed(section);
        return needed > MOST_ROWS ? 1 : needed;
    }

    private int needed(String section) {
        int said = witnesses.getOrDefault(section, Set.of()).size();
        return said == 0 ? 1 : 1 + said + (isRefusing.contains(section) ? 1 : 0);
    }

    /** Whether there are rows to say what is asked. */
    boolean hasFor(Condition.OfRows it) {
        return needed(it.section()) <= MOST_ROWS
                && witnesses.getOrDefault(it.section(), Set.of()).stream()
                        .anyMatch(each -> each.equals(witness(each.version(), it)));
    }
}
