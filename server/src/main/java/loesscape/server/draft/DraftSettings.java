package loesscape.server.draft;

import java.util.List;
import java.util.stream.Stream;
import loesscape.core.analysis.Acceptance;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.Findings;
import loesscape.core.model.FinishRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Role;
import loesscape.core.model.Template;
import loesscape.core.wording.PromiseSentences;
import loesscape.core.wording.Sentence;
import loesscape.core.wording.Sentences;
import loesscape.formats.paper.PrintFindings;
import org.jspecify.annotations.Nullable;

/**
 * What belongs to a document as a whole and to none of its nodes.
 *
 * @param lists the lookup lists without their rows
 * @param trials by name
 * @param promises in the order of their author
 * @param findings what its author probably did not mean
 */
public record DraftSettings(
        List<RoleView> roles,
        List<ListView> lists,
        List<FinishView> finish,
        PageSettings pageSettings,
        boolean rightToLeft,
        List<TrialView> trials,
        List<PromiseView> promises,
        List<Finding> findings) {

    /** A role, and when it takes part, as a sentence. */
    public record RoleView(Role role, Sentence takesPart) {}

    /** A lookup list, how many rows it has, and where it was taken from; null for one of the template's own. */
    public record ListView(
            String key, String name, List<LookupList.Column> columns, int rows, LookupList.@Nullable Source source) {}

    /** A condition for finishing, and what it says as a sentence. */
    public record FinishView(FinishRule rule, Sentence sentence) {}

    /**
     * A trial.
     *
     * @param answers how many it has
     * @param expected how much is expected of it; none where the answers are only kept
     */
    public record TrialView(String name, int answers, int expected) {}

    /** A promise, and what it says as a sentence. */
    public record PromiseView(PromiseRule rule, Sentence sentence) {}

    static DraftSettings of(PreparedTemplate prepared, Sentences sentences) {
        Template template = prepared.template();
        PromiseSentences promises = new PromiseSentences(prepared);
        return new DraftSettings(
                template.roles().stream()
                        .map(role -> new RoleView(role, sentences.takesPart(role)))
                        .toList(),
                template.lists().stream()
                        .map(list -> new ListView(
                                list.key(),
                                list.name(),
                                list.columns(),
                                list.rows().size(),
                                list.source()))
                        .toList(),
                template.finish().stream()
                        .map(rule -> new FinishView(rule, sentences.finishing(rule)))
                        .toList(),
                template.pageSettings(),
                template.pageSettings().isRightToLeft(),
                template.trials().stream()
                        .map(trial -> new TrialView(
                                trial.name(),
                                trial.answers().size(),
                                trial.expected().size()))
                        .toList(),
                template.promises().stream()
                        .map(rule -> new PromiseView(rule, promises.of(rule)))
                        .toList(),
                Stream.concat(
                                Findings.of(prepared).stream(),
                                Acceptance.marked(prepared, PrintFindings.of(template)).stream())
                        .toList());
    }
}
