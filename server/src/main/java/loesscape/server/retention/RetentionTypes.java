package loesscape.server.retention;

import java.util.List;

/** What the pages know of deletion. */
public final class RetentionTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(
            DeletionService.Retained.class,
            DeletionsApi.Deleting.class,
            DeletionsApi.KeepFor.class,
            PeopleApi.KnownPerson.class,
            PeopleApi.OfAddress.class,
            PeopleApi.Erasing.class);

    private RetentionTypes() {}
}
