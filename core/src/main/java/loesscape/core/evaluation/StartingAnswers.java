package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Problem;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/** Whether an answer can stand in a field from the beginning: a rule of templates that asks how answers are read. */
public final class StartingAnswers {

    private StartingAnswers() {}

    /**
     * What keeps it from ever being read, in words that say how to mend it; null when nothing does. Whether it keeps limits
     * is asked where it is looked at, as that of what is typed.
     */
    public static @Nullable String problem(FieldKind kind, String answer) {
        return Reading.settled(kind, answer) instanceof Reading.Unreadable(var message) ? message : null;
    }

    /** The fields that do not begin with an answer that can be read. */
    public static List<Problem> problems(Template template) {
        List<Problem> problems = new ArrayList<>();
        for (Field field : template.fields()) {
            String problem =
                    field.value() instanceof FieldValue.Starting(var answer) ? problem(field.kind(), answer) : null;
            if (problem != null) {
                problems.add(
                        new Problem("", "“%s” cannot begin with this answer: %s".formatted(field.name(), problem)));
            }
        }
        return problems;
    }
}
