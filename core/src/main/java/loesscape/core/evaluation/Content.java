package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.IndicatorState;
import loesscape.core.evaluation.NodeState.NoticeState;
import loesscape.core.evaluation.NodeState.SectionState;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.Sign;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import org.jspecify.annotations.Nullable;

/**
 * A filled-in document as its reader sees it: what is shown, in document order, and nothing of what is folded.
 *
 * @param title of the document
 * @param subtitle of the document
 * @param sections the sections that are shown
 * @param settings how it lies on its pages
 */
public record Content(String title, String subtitle, List<Block> sections, PageSettings settings) {

    /**
     * A section that is shown.
     *
     * @param title may be empty
     * @param lines the items that are shown
     */
    public record Block(String title, List<Line> lines) {}

    /** An item that is shown. */
    public sealed interface Line {

        /**
         * A question with its answer.
         *
         * @param key the address of the field
         * @param label the question
         * @param text the answer in words; empty where there is none
         * @param look how the answer looks
         */
        record Answer(String key, String label, String text, Look look) implements Line {}

        /**
         * A signature or initials.
         *
         * @param key the address of the field
         * @param label what is signed
         * @param signed as it was given: the path of the pen, a picture as a data address, or a name; empty where there is
         *     none
         */
        record Signature(String key, String label, String signed) implements Line {}

        /** A notice. */
        record Told(String text) implements Line {}

        /** An indicator that shows something. */
        record Indicated(String label, String text, Look look) implements Line {}

        /** What is to be said of the answer or signature before it. */
        record Noted(String text) implements Line {}
    }

    /** What a template shows in a state of it. */
    public static Content of(Template template, State state) {
        return of(template, state, Settled.NOTHING);
    }

    /** What a template shows in a state of it, with what is to be said of what was settled. */
    public static Content of(Template template, State state, Settled settled) {
        Writer writer = new Writer(state, settled);
        for (Page page : template.pages()) {
            page.sections().forEach(section -> writer.section(section, ""));
        }
        return new Content(template.title(), template.subtitle(), writer.blocks, template.pageSettings());
    }

    /** Writes sections one after the other; one in rows as often as there are rows. */
    private static final class Writer {

        private final State state;
        private final Settled settled;
        private final List<Block> blocks = new ArrayList<>();

        Writer(State state, Settled settled) {
            this.state = state;
            this.settled = settled;
        }

        void section(Section section, String row) {
            if (!(state.of(address(section, row)) instanceof SectionState stands) || !stands.shown()) {
                return;
            }
            List<String> rows = stands.rows();
            if (rows == null) {
                block(section, section.title(), row);
                return;
            }
            int number = 1;
            for (String each : rows) {
                block(section, section.title() + (section.title().isEmpty() ? "" : " ") + number++, each);
            }
        }

        private void block(Section section, String title, String row) {
            List<Line> lines = new ArrayList<>();
            blocks.add(new Block(title, lines));
            for (Item item : section.items()) {
                if (item instanceof Section inner) {
                    section(inner, row);
                } else {
                    Line line = line(item, row);
                    if (line != null) {
                        lines.add(line);
                    }
                    String note = settled.notes().get(address(item, row));
                    if (note != null) {
                        lines.add(new Line.Noted(note));
                    }
                }
            }
        }

        private static String address(Item item, String row) {
            return row.isEmpty() ? item.key() : RowNames.address(item.key(), row);
        }

        private @Nullable Line line(Item item, String row) {
            String address = address(item, row);
            NodeState node = state.of(address);
            if (!node.shown()) {
                return null;
            }
            return switch (item) {
                case Notice ignored when node instanceof NoticeState it -> new Line.Told(it.text());
                case Field field
                when field.kind().isSigned() ->
                    new Line.Signature(
                            address,
                            field.label(),
                            state.counting(address) instanceof Value.Signed(var signed) ? signed : "");
                case Field field
                when node instanceof FieldState it ->
                    new Line.Answer(address, field.label(), Display.of(field.kind(), it.value()), it.look());
                case Indicator indicator
                when node instanceof IndicatorState it && it.band() != null -> {
                    Sign sign = indicator.sign(it.band()).orElse(null);
                    yield sign == null || sign.label().isEmpty()
                            ? null
                            : new Line.Indicated(indicator.label(), sign.label(), sign.look());
                }
                default -> null;
            };
        }
    }
}
