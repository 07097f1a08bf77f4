package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.model.Value;

/**
 * How every node of a document stands for one set of answers.
 *
 * @param nodes by key, in document order
 */
public record State(Map<String, NodeState> nodes) {

    /** How one node stands. */
    public NodeState of(String key) {
        NodeState state = nodes.get(key);
        if (state == null) {
            throw new NoSuchElementException("There is no “%s” in this document.".formatted(key));
        }
        return state;
    }

    /** The counting value of a field. */
    public Value counting(String key) {
        return of(key) instanceof FieldState field ? field.value() : Value.blank();
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

    /** The answers that count: those of fields that are shown, as they were typed. All others are left out. */
    public Answers counted(Answers answers) {
        Map<String, String> counted = new LinkedHashMap<>();
        answers.typed().forEach((key, typed) -> {
            if (nodes.get(key) instanceof FieldState field && field.shown()) {
                counted.put(key, typed);
            }
        });
        return new Answers(counted);
    }

    /** What still keeps the document from being finished, in document order; empty when nothing does. */
    public List<Obstacle> obstacles() {
        List<Obstacle> obstacles = new ArrayList<>();
        nodes.forEach((key, state) -> {
            if (state instanceof FieldState field) {
                if (field.problem() != null) {
                    obstacles.add(new Obstacle(key, field.problem()));
                } else if (field.missing()) {
                    obstacles.add(new Obstacle(key, "This still needs an answer."));
                }
            }
        });
        return obstacles;
    }

    /**
     * Something that keeps a document from being finished.
     *
     * @param key the field to mend
     * @param message what is to be done there
     */
    public record Obstacle(String key, String message) {}
}
