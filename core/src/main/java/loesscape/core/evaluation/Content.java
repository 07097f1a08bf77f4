package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.NodeState.IndicatorState;
import loesscape.core.model.Band;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
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
 */
public record Content(String title, String subtitle, List<Block> sections) {

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
         * @param key of the field
         * @param label the question
         * @param text the answer in words; empty where there is none
         * @param look how the answer looks
         */
        record Answer(String key, String label, String text, Look look) implements Line {}

        /** A notice. */
        record Told(String text) implements Line {}

        /** An indicator that shows something. */
        record Indicated(String label, String text, Look look) implements Line {}
    }

    /** What a template shows in a state of it. */
    public static Content of(Template template, State state) {
        List<Block> blocks = new ArrayList<>();
        for (Page page : template.pages()) {
            for (Section section : page.sections()) {
                if (state.of(section.key()).shown()) {
                    blocks.add(new Block(
                            section.title(),
                            section.items().stream()
                                    .map(item -> line(item, state))
                                    .filter(Objects::nonNull)
                                    .toList()));
                }
            }
        }
        return new Content(template.title(), template.subtitle(), blocks);
    }

    private static @Nullable Line line(Item item, State state) {
        NodeState node = state.of(item.key());
        if (!node.shown()) {
            return null;
        }
        return switch (item) {
            case Notice notice -> new Line.Told(notice.text());
            case Field field
            when node instanceof FieldState it -> {
                Value value = it.value();
                Look look = band(field.bands(), it.band());
                yield new Line.Answer(field.key(), field.label(), Display.of(field.kind(), value), look);
            }
            case Indicator indicator
            when node instanceof IndicatorState it && it.band() != null -> {
                String text = indicator.bands().stream()
                        .filter(band -> band.id().equals(it.band()))
                        .map(Band::label)
                        .findFirst()
                        .orElse("");
                yield text.isEmpty()
                        ? null
                        : new Line.Indicated(indicator.label(), text, band(indicator.bands(), it.band()));
            }
            default -> null;
        };
    }

    private static Look band(List<Band> bands, @Nullable String id) {
        return bands.stream()
                .filter(band -> band.id().equals(id))
                .map(Band::look)
                .findFirst()
                .orElse(Look.PLAIN);
    }
}
