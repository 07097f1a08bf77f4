package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.SectionState;
import loesscape.core.model.Template;
import loesscape.core.model.Value;

/**
 * How every node of a document stands for one set of answers.
 *
 * @param nodes by address (see {@link RowNames#address}), in document order: each row of a repeating section behind it,
 *     with all that stands in the row
 * @param takesPart which roles take part, by key
 * @param unmet the messages of the conditions for finishing that do not hold
 */
public record State(Map<String, NodeState> nodes, Map<String, Boolean> takesPart, List<String> unmet) {

    /**
     * The same state with the numbers of sections and clauses in it, and in the places of references to them. They are
     * counted last, for each hangs on all that stand before it.
     */
    public State numbered(Template template) {
        DocumentNumbers numbering = DocumentNumbers.of(template, this);
        Map<String, NodeState> numbered = new LinkedHashMap<>(nodes);
        numbered.replaceAll((address, node) -> switch (node) {
            case NodeState.NoticeState it -> it.numbered(numbering.label(address), numbering);
            case SectionState it -> it.numbered(numbering.label(address));
            default -> node;
        });
        return new State(Collections.unmodifiableMap(numbered), takesPart, unmet);
    }

    /** What references to sections and clauses say, by their keys; one that is left out has none. */
    public Map<String, String> references(Template template) {
        return DocumentNumbers.of(template, this).references();
    }

    /** How one node stands. */
    public NodeState of(String address) {
        NodeState state = nodes.get(address);
        if (state == null) {
            throw new NoSuchElementException("There is no “%s” in this document.".formatted(address));
        }
        return state;
    }

    /** The counting value of a field. */
    public Value counting(String address) {
        return of(address) instanceof FieldState field ? field.value() : Value.blank();
    }

    /** The counting values of a field: one, or where it stands in rows one for each of them; none where it is unknown. */
    public List<Value> answers(String key) {
        if (nodes.get(key) instanceof FieldState field) {
            return List.of(field.value());
        }
        List<Value> values = new ArrayList<>();
        nodes.forEach((address, node) -> {
            if (node instanceof FieldState field && RowNames.key(address).equals(key)) {
                values.add(field.value());
            }
        });
        return values;
    }

    /** The nodes that stand otherwise than in {@code before}, with how they stand now. */
    public Map<String, NodeState> changedSince(State before) {
        Map<String, NodeState> changed = new LinkedHashMap<>();
        nodes.forEach((key, state) -> {
            if (!state.equals(before.nodes.get(key))) {
                changed.put(key, state);
            }
        });
        return changed;
    }

    /** The answers that count: those of fields and rows that are shown, as they were typed. All others are left out. */
    public Answers counted(Answers answers) {
        Map<String, String> counted = new LinkedHashMap<>();
        answers.typed().forEach((key, typed) -> {
            NodeState node = nodes.get(key);
            boolean counts = node instanceof FieldState field
                    ? field.shown()
                    : node instanceof SectionState section && section.shown() && section.rows() != null;
            if (counts) {
                counted.put(key, typed);
            }
        });
        return new Answers(counted);
    }

    /** What still keeps the document from being finished, in document order; empty when nothing does. */
    public List<Obstacle> obstacles() {
        List<Obstacle> obstacles = new ArrayList<>();
        nodes.forEach((key, state) -> {
            if (state instanceof SectionState section && section.problem() != null) {
                obstacles.add(new Obstacle(key, section.problem()));
            } else if (state instanceof FieldState field) {
                if (field.problem() != null) {
                    obstacles.add(new Obstacle(key, field.problem()));
                } else if (field.missing()) {
                    obstacles.add(new Obstacle(key, Obstacle.MISSING));
                }
            }
        });
        unmet.forEach(message -> obstacles.add(new Obstacle("", message)));
        return obstacles;
    }

    /**
     * Something that keeps a document from being finished.
     *
     * @param key the address of the field or section to mend; empty where it is the document as a whole
     * @param message what is to be done there
     */
    public record Obstacle(String key, String message) {

        /** What is said of a question that has to be answered and is not. */
        public static final String MISSING = "This still needs an answer.";
    }
}
