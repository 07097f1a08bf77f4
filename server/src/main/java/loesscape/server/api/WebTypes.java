package loesscape.server.api;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.analysis.Why;
import loesscape.core.model.LookupList;
import loesscape.formats.json.TypeScript;

/** The types the web pages share with the server, written to {@code web/src/api/types.ts}. */
final class WebTypes {

    private static final List<Class<?>> SHARED = List.of(
            SessionApi.Session.class,
            SessionApi.Credentials.class,
            AccountsApi.AccountList.class,
            AccountsApi.AccountRights.class,
            AccountsApi.ResetMade.class,
            AccountsApi.NewAccount.class,
            TemplatesApi.TemplateList.class,
            TemplatesApi.NewTemplate.class,
            TemplatesApi.Made.class,
            Drafts.Draft.class,
            Drafts.DraftChange.class,
            DraftApi.EditRequest.class,
            DraftApi.Typed.class,
            DraftApi.SeenAs.class,
            DraftApi.TrialName.class,
            Drafts.History.class,
            LookupList.class,
            LookupsApi.Lookups.class,
            LookupsApi.NewLookup.class,
            LookupsApi.RegisterWanted.class,
            LookupsApi.EntryWanted.class,
            LookupsApi.NextLookup.class,
            LookupsApi.LookupPage.class,
            LookupsApi.LookupWanted.class,
            BlocksApi.BlockList.class,
            BlocksApi.KeepBlock.class,
            BlocksApi.UseOfBlock.class,
            BlocksApi.BlockDifferences.class,
            BlocksApi.TakenOver.class,
            PicturesApi.Named.class,
            OrganisationApi.Wanted.class,
            OrganisationApi.Readable.class,
            DraftApi.AsText.class,
            DraftApi.AsClauses.class,
            FormulaApi.FunctionView.class,
            FormulaApi.NameView.class,
            FormulaApi.WrittenFormula.class,
            FormulaApi.CheckedFormula.class,
            Why.class,
            AccessApi.Sharing.class,
            AccessApi.SharingWanted.class,
            AccessApi.OwnerWanted.class,
            SessionApi.FirstAuthor.class,
            SessionApi.PasswordChange.class,
            SessionApi.PasswordSet.class,
            SessionApi.PasswordOf.class,
            FillLinksApi.FillLinkList.class,
            ReleasesApi.ReleaseList.class,
            ReleasesApi.NewRelease.class,
            ReleasesApi.NewLink.class,
            Sheet.class,
            Fillings.AnswerKept.class,
            Fillings.Finished.class,
            FillApi.TypedAnswer.class,
            RecordsApi.RecordTable.class,
            RecordsApi.RecordPage.class);

    private WebTypes() {}

    /**
     * The text of {@code web/src/api/types.ts}.
     *
     * @param others what the pages know besides
     */
    static String text(List<Class<?>> others) {
        List<Class<?>> all = new ArrayList<>(SHARED);
        all.addAll(others);
        return "// Made from the Java types by ./loesscape types; do not edit.\n\n" + TypeScript.of(all);
    }
}
