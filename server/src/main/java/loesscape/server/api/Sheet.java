package loesscape.server.api;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.editing.Parts;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Progress;
import loesscape.core.evaluation.State;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.server.store.OrganisationStore.Organisation;
import org.jspecify.annotations.Nullable;

/**
 * A document to be filled in, as its filler gets it.
 *
 * @param held what each page and section holds, in order; under the empty key, the pages
 * @param nodes by key, without conditions, which are not the filler's business
 * @param states how each node stands
 * @param answers as they were typed
 * @param pageSettings how the document lies on its pages
 * @param organisation who hands it out
 * @param record the number of the record this has become; null while it is not finished
 */
public record Sheet(
        String title,
        String subtitle,
        Map<String, List<String>> held,
        Map<String, Node> nodes,
        Map<String, NodeState> states,
        Map<String, String> answers,
        List<Progress> progress,
        List<State.Obstacle> obstacles,
        PageSettings pageSettings,
        boolean rightToLeft,
        Organisation organisation,
        @Nullable Integer record) {

    /** A template in a state of it. */
    public static Sheet of(
            Template template, State state, Answers answers, Organisation organisation, @Nullable Integer record) {
        Parts parts = Parts.of(template);
        Map<String, Node> nodes = new LinkedHashMap<>();
        parts.nodes().forEach((key, node) -> nodes.put(key, withoutLogic(node)));
        return new Sheet(
                parts.title(),
                parts.subtitle(),
                parts.held(),
                nodes,
                state.nodes(),
                answers.typed(),
                Progress.of(template, state),
                state.obstacles(),
                template.pageSettings(),
                template.pageSettings().isRightToLeft(),
                organisation,
                record);
    }

    /** The same with other things in the way of finishing. */
    public Sheet with(List<State.Obstacle> others) {
        return new Sheet(
                title,
                subtitle,
                held,
                nodes,
                states,
                answers,
                progress,
                others,
                pageSettings,
                rightToLeft,
                organisation,
                record);
    }

    private static Node withoutLogic(Node node) {
        Node bare = switch (node) {
            case Field field -> field.withChecks(List.of()).withLooks(List.of());
            case Section section -> section.withOrigin(null);
            default -> node;
        };
        return Logic.mapped(bare, NOTHING_KNOWN);
    }

    /** Takes conditions and formulas away; what is followed stays. */
    private static final Logic.Mapping NOTHING_KNOWN = new Logic.Mapping() {
        @Override
        public @Nullable Condition condition(Condition condition) {
            return null;
        }

        @Override
        public String formula(String formula) {
            return "0";
        }

        @Override
        public String field(String key) {
            return key;
        }
    };
}
