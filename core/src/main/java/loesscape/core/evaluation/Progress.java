package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.model.Field;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;

/**
 * How far a section that is shown has come.
 *
 * @param key of the section
 * @param title of the section; may be empty
 * @param needed how many answers it still needs: required and blank, or not accepted as they are
 * @param asked how many of its fields are asked for or answered already; never below {@code needed}
 */
public record Progress(String key, String title, int needed, int asked) {

    /** The sections that are shown and ask for something, in document order. */
    public static List<Progress> of(Template template, State state) {
        List<Progress> all = new ArrayList<>();
        for (Page page : template.pages()) {
            for (Section section : page.sections()) {
                Progress progress = of(section, state);
                if (progress != null) {
                    all.add(progress);
                }
            }
        }
        return all;
    }

    private static @org.jspecify.annotations.Nullable Progress of(Section section, State state) {
        int fields = 0;
        int needed = 0;
        int asked = 0;
        for (Item item : section.items()) {
            if (item instanceof Field && state.of(item.key()) instanceof FieldState field && field.shown()) {
                fields++;
                boolean isNeeded = field.missing() || field.problem() != null;
                needed += isNeeded ? 1 : 0;
                asked += isNeeded || field.required() || !field.value().isBlank() ? 1 : 0;
            }
        }
        return fields == 0 ? null : new Progress(section.key(), section.title(), needed, asked);
    }
}
