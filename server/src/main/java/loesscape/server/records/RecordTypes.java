package loesscape.server.records;

import java.util.List;

/** What the pages know of records. */
public final class RecordTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(RecordsApi.RecordTable.class, RecordsApi.RecordPage.class);

    private RecordTypes() {}
}
