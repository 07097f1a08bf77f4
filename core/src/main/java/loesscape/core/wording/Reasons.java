package loesscape.core.wording;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Node;
import loesscape.core.model.References;
import loesscape.core.model.Template;
import loesscape.core.model.Value;

/** Why a node is folded, in a few words: what the fields it follows say now. */
public final class Reasons {

    private final Map<String, Node> nodes = new HashMap<>();

    public Reasons(Template template) {
        template.nodes().forEach(node -> nodes.put(node.key(), node));
    }

    /** What the reasons look at: how the document stands now. */
    public interface Standing {

        /** Whether a node is shown. */
        boolean shown(String key);

        /** The counting value of a field. */
        Value counting(String key);

        /** Whether one condition holds. */
        boolean holds(Condition condition);
    }

    /**
     * Why the node's own condition keeps it folded, such as "Purpose is Irrigation"; empty when it does not.
     *
     * @param key of any node
     */
    public String folded(String key, Standing standing) {
        Condition condition = Objects.requireNonNull(nodes.get(key), key).shown();
        if (condition == null || standing.holds(condition)) {
            return "";
        }
        Set<String> reasons = new LinkedHashSet<>();
        collect(condition, standing, reasons);
        return reasons.isEmpty() ? "never shown" : String.join(", ", reasons);
    }

    private void collect(Condition condition, Standing standing, Set<String> reasons) {
        switch (condition) {
            case Condition.Always() -> {}
            case Condition.Never() -> {}
            case Condition.All(var parts) ->
                parts.stream()
                        .filter(part -> !standing.holds(part))
                        .findFirst()
                        .ifPresent(part -> collect(part, standing, reasons));
            case Condition.Group group -> group.conditions().forEach(part -> collect(part, standing, reasons));
            case Condition.Leaf leaf -> References.fields(leaf).forEach(key -> reasons.add(says(key, standing)));
        }
    }

    private String says(String key, Standing standing) {
        Field field = (Field) Objects.requireNonNull(nodes.get(key), key);
        if (!standing.shown(key)) {
            return field.name() + " is folded";
        }
        Value value = standing.counting(key);
        return field.name() + " is " + (value.isBlank() ? "blank" : Display.of(field.kind(), value));
    }
}
