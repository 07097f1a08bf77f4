package loesscape.server.draft;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.NodeState;
import loesscape.core.model.SharedCondition;
import loesscape.server.draft.DraftModel.NodeView;
import org.jspecify.annotations.Nullable;

/**
 * What became different in a draft.
 *
 * @param held the lists of held keys that changed
 * @param nodes the nodes that are new or stand otherwise
 * @param inRows what stands otherwise in rows, by address
 * @param shared the shared conditions, all of them
 * @param unmet the messages of the conditions for finishing that do not hold
 * @param settings what belongs to the document as a whole; null where that stayed
 * @param gone the keys of nodes that are no more
 */
public record DraftChange(
        int revision,
        Instant changed,
        boolean canUndo,
        boolean canRedo,
        String title,
        String subtitle,
        Map<String, List<String>> held,
        Map<String, NodeView> nodes,
        Map<String, NodeState> inRows,
        List<SharedCondition> shared,
        List<String> unmet,
        @Nullable DraftSettings settings,
        List<String> gone) {}
