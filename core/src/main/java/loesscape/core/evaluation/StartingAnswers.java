package loesscape.core.evaluation;

import loesscape.core.model.FieldKind;
import org.jspecify.annotations.Nullable;

/** Whether an answer can stand in a field from the beginning. */
public final class StartingAnswers {

    private StartingAnswers() {}

    /**
     * What keeps it from ever being read, in words that say how to mend it; null when nothing does. Whether it keeps limits
     * is asked where it is looked at, as that of what is typed.
     */
    public static @Nullable String problem(FieldKind kind, String answer) {
        return Reading.settled(kind, answer) instanceof Reading.Unreadable(var message) ? message : null;
    }
}
