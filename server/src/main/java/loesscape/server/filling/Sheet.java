package loesscape.server.filling;

import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Progress;
import loesscape.core.evaluation.State;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Template;
import loesscape.server.accounts.OrganisationStore.Organisation;
import org.jspecify.annotations.Nullable;

/**
 * A document to be filled in, as its filler gets it.
 *
 * <p>Held, nodes and states are what its reader is told of it: see {@link Disclosure}.
 *
 * @param answers as they were typed
 * @param pageSettings how the document lies on its pages
 * @param hasOwnText whether there is more to read in the finished document than here
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
        boolean hasOwnText,
        Organisation organisation,
        @Nullable Integer record) {

    /** A template in a state of it. */
    public static Sheet of(
            Template template, State state, Answers answers, Organisation organisation, @Nullable Integer record) {
        Disclosure told = Disclosure.of(template, state, answers);
        return new Sheet(
                template.title(),
                template.subtitle(),
                told.held(),
                told.nodes(),
                told.states(),
                answers.typed(),
                Progress.of(template, state),
                state.obstacles(),
                template.pageSettings(),
                template.pageSettings().isRightToLeft(),
                template.nodes().stream().anyMatch(node -> Medium.of(node) == Medium.DOCUMENT),
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
                hasOwnText,
                organisation,
                record);
    }
}
