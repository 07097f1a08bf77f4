package loesscape.server.draft;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import loesscape.core.evaluation.NodeState;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Stage;
import loesscape.server.draft.DraftModel.NodeView;

/**
 * A whole draft.
 *
 * @param revision counts the edits kept
 * @param release the number of the last release; 0 for none
 * @param changed when the last edit was kept
 * @param held what each page and section holds, in order; under the empty key, the pages
 * @param nodes by key
 * @param inRows how what stands in rows stands, by address
 * @param shared the shared conditions
 * @param unmet the messages of the conditions for finishing that do not hold
 * @param settings what belongs to the document as a whole
 * @param answers what is typed into the document
 * @param stage where the document stands on its way, for this author
 * @param role as whom this author sees it; empty for nobody in particular
 */
public record Draft(
        int revision,
        int release,
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
        DraftSettings settings,
        Map<String, String> answers,
        Stage stage,
        String role,
        Vocabulary vocabulary) {}
