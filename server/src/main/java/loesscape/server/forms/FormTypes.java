package loesscape.server.forms;

import java.util.List;

/** What the pages know of forms. */
public final class FormTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(FormsApi.FormAbout.class, ReturnedForms.ReturnedFile.class);

    private FormTypes() {}
}
