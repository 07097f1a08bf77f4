package loesscape.server.lookups;

import java.util.List;
import loesscape.core.model.LookupList;

/** What the pages know of lookups. */
public final class LookupTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(
            LookupsApi.Lookups.class,
            LookupsApi.NewLookup.class,
            LookupsApi.RegisterWanted.class,
            LookupsApi.EntryWanted.class,
            LookupsApi.NextLookup.class,
            LookupsApi.LookupPage.class,
            LookupsApi.LookupWanted.class,
            LookupList.class);

    private LookupTypes() {}
}
