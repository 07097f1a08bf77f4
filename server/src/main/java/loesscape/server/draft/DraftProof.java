package loesscape.server.draft;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.PromiseVerdict;
import loesscape.core.trial.SuggestedTrials;
import loesscape.core.trial.TrialCoverage;
import loesscape.core.trial.TrialOutcome;
import org.springframework.stereotype.Service;

/**
 * What a draft does for all possible answers, whether what is promised of it is so, and what comes of its trials. That takes
 * longer than an edit may, so it is asked for beside the edits, and worked out once for each version.
 */
@Service
class DraftProof {

    private final DraftVersions versions;
    private final Clock clock;

    DraftProof(DraftVersions versions, Clock clock) {
        this.versions = versions;
        this.clock = clock;
    }

    /**
     * What was found of a draft.
     *
     * @param revision of the draft that was looked at
     * @param findings what its author probably did not mean
     * @param promises whether each is so for all answers, in the order of their author
     * @param trials by name
     * @param coverage how much of the logic these have tried
     */
    public record Proof(
            int revision,
            List<Finding> findings,
            List<PromiseVerdict> promises,
            List<TriedView> trials,
            TriedShare coverage) {}

    /**
     * What came of a trial.
     *
     * @param missed what came otherwise than was expected
     */
    public record TriedView(String name, List<TrialOutcome.Missed> missed) {}

    /**
     * How much of the logic trials have tried.
     *
     * @param clauses how many there are
     * @param bothWays how many were met in one trial and not in another
     * @param deciding how many alone decided, both ways
     * @param edges how many constants fields are compared with
     * @param exactly how many of these were answered exactly
     * @param untried the clauses that did not decide both ways
     * @param missedEdges the edges that were not answered exactly
     */
    public record TriedShare(
            int clauses,
            int bothWays,
            int deciding,
            int edges,
            int exactly,
            List<TrialCoverage.TriedClause> untried,
            List<TrialCoverage.TriedEdge> missedEdges) {

        static TriedShare of(TrialCoverage coverage) {
            return new TriedShare(
                    coverage.clauses().size(),
                    (int) coverage.bothWays(),
                    (int) coverage.deciding(),
                    coverage.edges().size(),
                    (int) coverage.exactly(),
                    coverage.clauses().stream()
                            .filter(clause -> !clause.isDeciding())
                            .toList(),
                    coverage.edges().stream().filter(edge -> !edge.isTried()).toList());
        }
    }

    /** Trials of what those of a draft have not tried. */
    SuggestedTrials.Suggestions suggested(UUID id) {
        return versions.current(id).model().suggested(LocalDate.now(clock));
    }

    Proof of(UUID id) {
        DraftVersions.Current now = versions.current(id);
        DraftModel.Proven proven = now.model().proven(LocalDate.now(clock));
        return new Proof(
                now.version().revision(), proven.findings(), proven.promises(), proven.trials(), proven.coverage());
    }
}
