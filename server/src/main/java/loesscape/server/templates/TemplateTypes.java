package loesscape.server.templates;

import java.util.List;

/** What the pages know of templates. */
public final class TemplateTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(
            TemplatesApi.TemplateList.class,
            TemplatesApi.NewTemplate.class,
            TemplatesApi.TemplateMade.class,
            TemplatesApi.TemplateImported.class,
            PicturesApi.Named.class,
            OriginalsApi.MadeOf.class,
            SheetsApi.FoundOnPage.class,
            SheetsApi.LeftProposals.class,
            AccessApi.Sharing.class,
            AccessApi.SharingWanted.class,
            AccessApi.OwnerWanted.class,
            ReleasesApi.ReleaseList.class,
            ReleasesApi.NewRelease.class,
            ReleasesApi.NewLink.class,
            VersionsApi.VersionsCompared.class);

    private TemplateTypes() {}
}
