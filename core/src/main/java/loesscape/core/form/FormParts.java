package loesscape.core.form;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Condition;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.wording.Part;
import loesscape.core.wording.Sentences;
import org.jspecify.annotations.Nullable;

/** Writes the parts of a form, page by page and section by section; what is never shown is left out. */
final class FormParts {

    /** With more columns the words of a table no longer fit beside each other on paper. */
    private static final int MOST_COLUMNS = 8;

    private final PreparedTemplate prepared;
    private final State state;
    private final Sentences sentences;
    private final List<FormPart> parts = new ArrayList<>();

    FormParts(PreparedTemplate prepared, State state) {
        this.prepared = prepared;
        this.state = state;
        this.sentences = new Sentences(prepared);
    }

    List<FormPart> write() {
        List<Page> pages = prepared.template().pages();
        boolean hasTitles =
                pages.stream().filter(page -> !page.title().isEmpty()).count() > 1;
        for (Page page : pages) {
            if (isNever(page)) {
                continue;
            }
            String onlyWhen = onlyWhen(page.shown());
            if ((hasTitles && !page.title().isEmpty()) || !onlyWhen.isEmpty()) {
                parts.add(new FormPart.Heading(page.key(), "", "", 1, page.title(), "", onlyWhen));
            }
            page.sections().forEach(section -> section(section, "", hasTitles ? 2 : 1));
        }
        return parts;
    }

    private void section(Section section, String row, int level) {
        if (section.items().isEmpty() || isNever(section)) {
            return;
        }
        NodeState.SectionState stands = (NodeState.SectionState) state.of(address(section, row));
        String onlyWhen = onlyWhen(section.shown());
        if (!section.title().isEmpty() || !section.help().isEmpty() || !onlyWhen.isEmpty()) {
            parts.add(new FormPart.Heading(
                    section.key(), "", stands.number(), level, section.title(), section.help(), onlyWhen));
        }
        List<String> rows = stands.rows();
        if (rows == null) {
            items(section, row, level);
        } else if (isTable(section)) {
            List<Field> fields = section.items().stream()
                    .filter(item -> !isNever(item))
                    .map(Field.class::cast)
                    .toList();
            parts.add(new FormPart.Table(
                    section.key(),
                    section.title(),
                    fields,
                    fields.stream().map(field -> onlyWhen(field.shown())).toList(),
                    rows,
                    section.rows() == null ? rows.size() : section.rows().most()));
        } else {
            for (int i = 0; i < rows.size(); i++) {
                String title = section.title() + (section.title().isEmpty() ? "" : " ") + (i + 1);
                String name = rows.get(i);
                parts.add(new FormPart.Heading(section.key(), name, "", level + 1, title, "", ""));
                items(section, name, level + 1);
            }
        }
    }

    private static boolean isTable(Section section) {
        return section.items().size() <= MOST_COLUMNS
                && section.items().stream().allMatch(item -> item instanceof Field field && isCell(field.kind()));
    }

    private static boolean isCell(FieldKind kind) {
        return switch (kind.answer()) {
            case TEXT, NUMBER, YES_NO, CHOICE, DAY, TIME, PAYMENT -> true;
            case CHOICES, SIGNATURE, FILES -> false;
        };
    }

    private void items(Section section, String row, int level) {
        for (Item item : section.items()) {
            if (isNever(item)) {
                continue;
            }
            switch (item) {
                case Section inner -> section(inner, row, level + 1);
                case Field field ->
                    parts.add(new FormPart.Question(field, address(field, row), onlyWhen(field.shown())));
                case Notice notice -> {
                    String number =
                            state.of(address(notice, row)) instanceof NodeState.NoticeState it ? it.number() : "";
                    parts.add(new FormPart.Told(notice, number, row, onlyWhen(notice.shown())));
                }
                case Indicator indicator -> parts.add(new FormPart.Indicated(indicator, row));
                case Picture picture -> parts.add(new FormPart.Illustrated(picture));
                case Divider divider -> parts.add(new FormPart.Ruled(divider.key()));
                // It is drawn on its page.
                case Overlay ignored -> {}
            }
        }
    }

    private static boolean isNever(Node node) {
        return node.shown() instanceof Condition.Never;
    }

    private static String address(Item item, String row) {
        return row.isEmpty() ? item.key() : RowNames.address(item.key(), row);
    }

    private String onlyWhen(@Nullable Condition shown) {
        return switch (shown) {
            case null -> "";
            case Condition.Always() -> "";
            default -> {
                StringBuilder words = new StringBuilder("Only when ");
                sentences.of(shown).forEach((Part part) -> words.append(part.text()));
                yield words.toString();
            }
        };
    }
}
