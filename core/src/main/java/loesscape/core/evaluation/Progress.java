package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.SectionState;
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
                Counted counted = new Counted();
                counted.add(section, "", state);
                if (counted.fields > 0) {
                    all.add(new Progress(section.key(), section.title(), counted.needed, counted.asked));
                }
            }
        }
        return all;
    }

    /** What a section holds, counted with what its rows and the sections in it hold. */
    private static final class Counted {

        private int fields;
        private int needed;
        private int asked;

        void add(Section section, String row, State state) {
            NodeState node = state.nodes().get(row.isEmpty() ? section.key() : RowNames.address(section.key(), row));
            if (!(node instanceof SectionState stands) || !stands.shown()) {
                return;
            }
            if (stands.problem() != null) {
                needed++;
                asked++;
                fields++;
            }
            List<String> rows = stands.rows();
            for (String each : rows == null ? List.of(row) : rows) {
                section.items().forEach(item -> add(item, each, state));
            }
        }

        private void add(Item item, String row, State state) {
            if (item instanceof Section inner) {
                add(inner, row, state);
                return;
            }
            String address = row.isEmpty() ? item.key() : RowNames.address(item.key(), row);
            if (item instanceof Field && state.of(address) instanceof FieldState field && field.shown()) {
                fields++;
                boolean isNeeded = field.missing() || field.problem() != null;
                needed += isNeeded ? 1 : 0;
                asked += isNeeded || field.required() || !field.value().isBlank() ? 1 : 0;
            }
        }
    }
}
