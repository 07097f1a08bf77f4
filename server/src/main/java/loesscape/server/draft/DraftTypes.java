package loesscape.server.draft;

import java.util.List;
import loesscape.core.analysis.Why;
import loesscape.core.reach.ReachAcross;
import loesscape.core.reach.ReachExamples;
import loesscape.core.trial.SuggestedTrials;
import loesscape.server.records.ReadingCopies;

/** What the pages know of working copies. */
public final class DraftTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(
            Draft.class,
            DraftChange.class,
            DraftApi.EditRequest.class,
            DraftApi.Typed.class,
            DraftApi.SeenAs.class,
            DraftApi.TrialName.class,
            DraftReading.History.class,
            ReadingCopies.CopyPages.class,
            BlocksApi.BlockList.class,
            BlocksApi.KeepBlock.class,
            BlocksApi.UseOfBlock.class,
            BlocksApi.BlockDifferences.class,
            BlocksApi.TakenOver.class,
            DraftApi.AsText.class,
            DraftApi.AsClauses.class,
            FormulaApi.FunctionView.class,
            FormulaApi.NameView.class,
            FormulaApi.WrittenFormula.class,
            FormulaApi.CheckedFormula.class,
            DraftProof.Proof.class,
            DraftReach.ReachView.class,
            DraftReach.SetInReach.class,
            ReachExamples.class,
            ReachAcross.class,
            SuggestedTrials.Suggestions.class,
            Why.class);

    private DraftTypes() {}
}
