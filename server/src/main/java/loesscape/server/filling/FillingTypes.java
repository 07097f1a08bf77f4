package loesscape.server.filling;

import java.util.List;

/** What the pages know of filling in. */
public final class FillingTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(
            FillLinksApi.FillLinkList.class,
            Sheet.class,
            Fillings.AnswerKept.class,
            FillApi.FilledPages.class,
            Fillings.Finished.class,
            FillApi.TypedAnswer.class);

    private FillingTypes() {}
}
