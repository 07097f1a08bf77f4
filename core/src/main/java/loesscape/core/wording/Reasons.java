package loesscape.core.wording;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** Why a node is folded, in a few words: what the fields it follows say now. */
public final class Reasons {

    private final Map<String, Node> nodes = new HashMap<>();
    private final SymbolTable symbols;

    public Reasons(PreparedTemplate prepared) {
        prepared.template().nodes().forEach(node -> nodes.put(node.key(), node));
        this.symbols = prepared.symbols();
    }

    /** What the reasons look at: how the document stands now. A row is named where something stands in rows. */
    public interface Facts {

        /** Whether a field is shown as it is seen from a row. */
        boolean shown(String key, String row);

        /** The counting value of a field as it is seen from a row. */
        Value counting(String key, String row);

        /** The names of the rows of a repeating section; none where it is folded. */
        List<String> rows(String section);

        /** Whether one condition holds, asked in a row of a repeating section or, where that is null, of the document. */
        boolean holds(Condition condition, @Nullable String within, String row);
    }

    /**
     * Why the node's own condition keeps it folded, such as "Purpose is Irrigation"; empty when it does not.
     *
     * @param key of any node
     * @param row in which the node stands; empty where it stands in none
     */
    public String folded(String key, String row, Facts standing) {
        Condition condition = Objects.requireNonNull(nodes.get(key), key).shown();
        String within = symbols.rowsAround(key);
        if (condition == null || standing.holds(condition, within, row)) {
            return "";
        }
        Set<String> reasons = new LinkedHashSet<>();
        collect(condition, within, row, standing, reasons, new HashSet<>());
        return reasons.isEmpty() ? "never shown" : String.join(", ", reasons);
    }

    /** Why a condition of the document as a whole does not hold, such as "Depth is 24 m"; empty when it does. */
    public String notMet(Condition condition, Facts standing) {
        if (standing.holds(condition, null, "")) {
            return "";
        }
        Set<String> reasons = new LinkedHashSet<>();
        collect(condition, null, "", standing, reasons, new HashSet<>());
        return String.join(", ", reasons);
    }

    private void collect(
            Condition condition,
            @Nullable String within,
            String row,
            Facts standing,
            Set<String> reasons,
            Set<String> told) {
        switch (condition) {
            case Condition.Always() -> {}
            case Condition.Never() -> {}
            case Condition.All(var parts) ->
                parts.stream()
                        .filter(part -> !standing.holds(part, within, row))
                        .findFirst()
                        .ifPresent(part -> collect(part, within, row, standing, reasons, told));
            case Condition.Group group ->
                group.conditions().forEach(part -> collect(part, within, row, standing, reasons, told));
            case Condition.Shared(var key) -> {
                SharedCondition shared = symbols.shared(key);
                if (shared != null && told.add(key)) {
                    collect(shared.condition(), within, row, standing, reasons, told);
                }
            }
            case Condition.StageIs ignored -> reasons.add("the document is at another stage");
            case Condition.RoleIs ignored -> reasons.add("another role is acting");
            case Condition.OfRows it -> reasons.add(rows(it.section()));
            case Condition.RowCount it -> {
                int count = standing.rows(it.section()).size();
                reasons.add("%s has %d %s".formatted(name(it.section()), count, count == 1 ? "row" : "rows"));
            }
            case Condition.Total it -> reasons.add(total(it.field(), standing));
            case Condition.Leaf leaf ->
                symbols.sources(leaf).forEach(key -> reasons.add(says(key, within, row, standing)));
        }
    }

    private String rows(String section) {
        return "the rows of " + name(section);
    }

    private String name(String key) {
        return Objects.requireNonNull(nodes.get(key), key).name();
    }

    private String total(String key, Facts standing) {
        Field field = (Field) Objects.requireNonNull(nodes.get(key), key);
        List<BigDecimal> numbers = standing.rows(Objects.requireNonNull(symbols.rowsAround(key), key)).stream()
                .filter(row -> standing.counting(key, row) instanceof Value.Number)
                .map(row -> ((Value.Number) standing.counting(key, row)).number())
                .toList();
        BigDecimal total = numbers.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        String words = Display.total(field.kind(), total);
        return "the total of %s is %s".formatted(field.name(), numbers.isEmpty() ? "blank" : words);
    }

    private String says(String key, @Nullable String within, String row, Facts standing) {
        String around = symbols.rowsAround(key);
        if (!(nodes.get(key) instanceof Field field) || (around != null && !around.equals(within))) {
            return around == null ? rows(key) : rows(around);
        }
        if (!standing.shown(key, row)) {
            return field.name() + " is folded";
        }
        Value value = standing.counting(key, row);
        return field.name() + " is " + (value.isBlank() ? "blank" : Display.of(field.kind(), value));
    }
}
