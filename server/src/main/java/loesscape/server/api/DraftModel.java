package loesscape.server.api;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.analysis.Bonds;
import loesscape.core.editing.Parts;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.State;
import loesscape.core.model.Node;
import loesscape.core.model.Template;
import loesscape.core.wording.Reasons;
import loesscape.core.wording.Sentence;
import loesscape.core.wording.Sentences;

/** One revision of a template made ready for the Draft view: what it says of every node for any answers. */
final class DraftModel {

    private final CompiledTemplate compiled;
    private final Parts parts;
    private final Map<String, List<Sentence>> sentences;
    private final Bonds bonds;
    private final Reasons reasons;

    DraftModel(Template template) {
        this.compiled = CompiledTemplate.compile(template);
        this.parts = Parts.of(template);
        this.sentences = new Sentences(template).all();
        this.bonds = Bonds.of(template);
        this.reasons = new Reasons(template);
    }

    /**
     * A page, section or item as the Draft view shows it.
     *
     * @param node itself, without what it holds
     * @param name what its author calls it
     * @param sentences its logic, as the margin says it
     * @param state how it stands with the answers typed in
     * @param folded why its own condition keeps it folded; empty when it does not
     * @param bond whom it follows and who follows it
     */
    public record NodeView(
            Node node, String name, List<Sentence> sentences, NodeState state, String folded, Bonds.Bond bond) {}

    Parts parts() {
        return parts;
    }

    Template template() {
        return compiled.template();
    }

    /** Every node with these answers, by key. */
    Map<String, NodeView> views(Answers answers, Context context) {
        State state = compiled.evaluate(answers, context);
        Reasons.Standing standing = compiled.standing(state, context);
        Map<String, NodeView> views =
                LinkedHashMap.newLinkedHashMap(parts.nodes().size());
        parts.nodes()
                .forEach((key, node) -> views.put(
                        key,
                        new NodeView(
                                node,
                                node.name(),
                                sentences.getOrDefault(key, List.of()),
                                state.of(key),
                                reasons.folded(key, standing),
                                Objects.requireNonNull(bonds.nodes().get(key)))));
        return views;
    }
}
