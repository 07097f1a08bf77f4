package loesscape.server.merging;

import java.util.List;

/** What the pages know of documents made of a table. */
public final class MergeTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(MergeRuns.MergeRunList.class);

    private MergeTypes() {}
}
