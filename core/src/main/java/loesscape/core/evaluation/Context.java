package loesscape.core.evaluation;

import java.time.LocalDate;
import loesscape.core.model.Stage;
import org.jspecify.annotations.Nullable;

/**
 * What a document's state depends on besides its answers. Nothing of it is read from the machine.
 *
 * @param today the day on which the document is looked at; null where none is given, and then no comparison with it can
 *     be decided
 * @param stage where the document stands on its way
 * @param role the key of the role that is acting; empty where nobody in particular is, and then no field is locked for
 *     being another's
 */
public record Context(@Nullable LocalDate today, Stage stage, String role) {

    /** Being filled in, on a day that is not told. */
    public static final Context UNDATED = new Context(null, Stage.FILLING, "");

    /** Being filled in on a day. */
    public static Context filling(LocalDate today) {
        return new Context(today, Stage.FILLING, "");
    }
}
