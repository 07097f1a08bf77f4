package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import loesscape.core.evaluation.Content.Block;
import loesscape.core.evaluation.Content.Line;
import loesscape.core.model.AnswerType;
import loesscape.core.model.Choice;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Medium;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Sign;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.wording.AnswerWords;
import org.jspecify.annotations.Nullable;

/** Writes what is shown, page by page and section by section; what stands in rows as often as there are rows. */
final class ContentWriter {

    /** With more columns the words of a table no longer fit beside each other on paper. */
    private static final int MOST_COLUMNS = 8;

    /** Choices beyond these are told in words: a long list of empty marks tells nothing. */
    private static final int MOST_MARKS = 12;

    private final Template template;
    private final State state;
    private final Settled settled;
    private final Predicate<Medium> wanted;
    private final AnswerWords words;
    private final List<Block> blocks = new ArrayList<>();
    private Set<String> elsewhere = Set.of();

    /** @param wanted where it is to stand */
    ContentWriter(Template template, State state, Settled settled, Predicate<Medium> wanted) {
        this.wanted = wanted;
        this.template = template;
        this.state = state.numbered(template);
        this.settled = settled;
        this.words = AnswerWords.in(SymbolTable.of(template).language());
    }

    /** @param told what is told elsewhere already, but for what is to be said of it */
    List<Block> blocksWithout(Set<String> told) {
        elsewhere = told;
        boolean hasTitles = template.pages().stream()
                        .filter(page -> !page.title().isEmpty())
                        .filter(page -> page.sections().stream().anyMatch(section -> wanted.test(section.medium())))
                        .count()
                > 1;
        for (Page page : template.pages()) {
            boolean hasTitle =
                    hasTitles && !page.title().isEmpty() && state.of(page.key()).shown();
            int before = blocks.size();
            if (hasTitle) {
                blocks.add(new Block.PageTitle(page.title()));
            }
            for (Section section : page.sections()) {
                section(section, "", hasTitles ? 2 : 1);
            }
            if (hasTitle && blocks.size() == before + 1) {
                blocks.removeLast();
            }
        }
        return blocks;
    }

    private void section(Section section, String row, int level) {
        if (!wanted.test(section.medium()) || isElsewhere(section)) {
            return;
        }
        if (!(state.of(address(section, row)) instanceof NodeState.SectionState stands) || !stands.shown()) {
            return;
        }
        String number = stands.number();
        List<String> rows = stands.rows();
        if (rows == null) {
            block(section, section.title(), row, level, number);
        } else if (isTable(section, rows)) {
            blocks.add(table(section, rows, level, number));
        } else {
            int count = 1;
            for (String each : rows) {
                String title = section.title() + (section.title().isEmpty() ? "" : " ") + count;
                block(section, title, each, level, count == 1 ? number : "");
                count++;
            }
        }
    }

    /** Whether all that it could tell is told elsewhere. */
    private boolean isElsewhere(Section section) {
        return !elsewhere.isEmpty()
                && section.items().stream()
                        .allMatch(item -> item instanceof Section inner ? isElsewhere(inner) : isElsewhere(item));
    }

    private boolean isElsewhere(Item item) {
        return elsewhere.contains(item.key())
                && settled.notes().keySet().stream()
                        .noneMatch(address -> RowNames.key(address).equals(item.key()));
    }

    private void block(Section section, String title, String row, int level, String number) {
        List<Line> lines = new ArrayList<>();
        blocks.add(new Block.Lines(title, level, number, lines));
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                int before = blocks.size();
                section(inner, row, level + 1);
                // What follows the inner section belongs to this one, not to that.
                if (blocks.size() > before) {
                    lines = new ArrayList<>();
                    blocks.add(new Block.Lines("", level, "", lines));
                }
                continue;
            }
            Line line = wanted.test(Medium.of(item)) && !isElsewhere(item) ? line(item, row) : null;
            if (line != null) {
                lines.add(line);
            }
            String note = settled.notes().get(address(item, row));
            if (note != null) {
                lines.add(new Line.Noted(note));
            }
        }
        if (blocks.getLast() instanceof Block.Lines last
                && last.lines().isEmpty()
                && last.title().isEmpty()) {
            blocks.removeLast();
        }
    }

    /** Whether all there is to show of its rows are answers that fit beside each other. */
    private boolean isTable(Section section, List<String> rows) {
        return section.items().size() <= MOST_COLUMNS
                && section.items().stream().allMatch(item -> item instanceof Field field && isCell(field))
                && rows.stream()
                        .allMatch(row -> section.items().stream()
                                .noneMatch(item -> settled.notes().containsKey(address(item, row))));
    }

    private static boolean isCell(Field field) {
        return !field.kind().isSigned() && !(field.kind() instanceof FieldKind.LongText) && !isPicture(field);
    }

    private Block.Rows table(Section section, List<String> rows, int level, String number) {
        List<Field> fields = section.items().stream()
                .map(Field.class::cast)
                .filter(field -> wanted.test(field.medium()))
                .filter(field -> rows.stream()
                        .anyMatch(row -> state.of(address(field, row)).shown()))
                .toList();
        List<Content.TableColumn> columns = fields.stream()
                .map(field ->
                        new Content.TableColumn(field.label(), field.kind().answer() == AnswerType.NUMBER))
                .toList();
        List<Content.TableRow> all = new ArrayList<>();
        for (String row : rows) {
            Look look = state.of(address(section, row)) instanceof NodeState.RowState it ? it.look() : Look.PLAIN;
            all.add(new Content.TableRow(
                    look,
                    fields.stream()
                            .map(field -> cell(field, address(field, row)))
                            .toList()));
        }
        return new Block.Rows(section.title(), level, number, columns, all);
    }

    private Line.Answer cell(Field field, String address) {
        return state.of(address) instanceof NodeState.FieldState it && it.shown()
                ? Line.Answer.of(address, field.label(), words.of(field.kind(), it.value()), it.look())
                : Line.Answer.of("", field.label(), "", Look.PLAIN);
    }

    static String address(Item item, String row) {
        return row.isEmpty() ? item.key() : RowNames.address(item.key(), row);
    }

    AnswerWords words() {
        return words;
    }

    /** What is told of one item; null for nothing. */
    @Nullable
    Line line(Item item, String row) {
        String address = address(item, row);
        NodeState node = state.of(address);
        if (!node.shown()) {
            return null;
        }
        return switch (item) {
            case Field field when node instanceof NodeState.FieldState it -> line(field, it, address);
            case Field ignored -> null;
            case Notice notice ->
                node instanceof NodeState.NoticeState it && !it.text().isEmpty()
                        ? new Line.Told(it.number(), notice.clause(), it.text(), it.look())
                        : null;
            case Indicator indicator ->
                node instanceof NodeState.IndicatorState it ? indicated(indicator, it.band()) : null;
            case Picture picture -> pictured(picture, row);
            case Divider ignored -> new Line.Ruled();
            // It is drawn on its page, and says nothing elsewhere.
            case Overlay ignored -> null;
            // They are written by themselves.
            case Section ignored -> null;
        };
    }

    private Line line(Field field, NodeState.FieldState stands, String address) {
        Value value = stands.value();
        if (field.kind().isSigned()) {
            String signed = value instanceof Value.Signed(var given) ? given : "";
            String role = template.roles().stream()
                    .filter(it -> it.key().equals(field.role()))
                    .map(Role::name)
                    .findFirst()
                    .orElse("");
            return new Line.Signature(address, field.label(), signed, field.role(), role, field.width());
        }
        if (isPicture(field)) {
            Optional<Value.File> file = files(value).findFirst();
            return new Line.HandedIn(
                    address,
                    field.label(),
                    file.map(Value.File::id).orElse(""),
                    file.map(Value.File::name).orElse(""),
                    field.width());
        }
        return new Line.Answer(
                address,
                field.label(),
                words.of(field.kind(), value),
                stands.look(),
                field.width(),
                choices(field.kind(), stands));
    }

    private static boolean isPicture(Field field) {
        return field.kind() instanceof FieldKind.Picture;
    }

    private static Stream<Value.File> files(Value value) {
        return value instanceof Value.Files(var files) ? files.stream() : Stream.empty();
    }

    /** What was to be marked, of what was offered in the end; a list that opens has no marks. */
    private static Content.Choices choices(FieldKind kind, NodeState.FieldState stands) {
        if (!(kind instanceof FieldKind.Choosing choosing)
                || choosing.layout() == FieldKind.ChoiceLayout.LIST
                || choosing.choices().size() > MOST_MARKS) {
            return Content.Choices.NONE;
        }
        List<String> offered = stands.offered();
        Set<String> chosen;
        String words;
        switch (stands.value()) {
            case Value.Chosen(var choice, var own) -> {
                chosen = Set.of(choice);
                words = own;
            }
            case Value.ChosenSet(var all, var own) -> {
                chosen = Set.copyOf(all);
                words = own;
            }
            default -> {
                chosen = Set.of();
                words = "";
            }
        }
        List<Content.Marked> marked = new ArrayList<>();
        for (Choice choice : choosing.withOther()) {
            boolean isChosen = chosen.contains(choice.id());
            if (isChosen || offered == null || offered.contains(choice.id())) {
                boolean isOwn = choice.id().equals(Choice.OTHER) && isChosen && !words.isEmpty();
                marked.add(new Content.Marked(isOwn ? choice.label() + ": " + words : choice.label(), isChosen));
            }
        }
        return new Content.Choices(marked, choosing.style().columns());
    }

    private static @Nullable Line indicated(Indicator indicator, @Nullable String id) {
        Sign sign = id == null ? null : indicator.sign(id).orElse(null);
        return sign == null || sign.label().isEmpty()
                ? null
                : new Line.Indicated(indicator.label(), sign.label(), sign.look());
    }

    private @Nullable Line pictured(Picture picture, String row) {
        if (!picture.follows().isEmpty()) {
            String followed = row.isEmpty() || !state.nodes().containsKey(RowNames.address(picture.follows(), row))
                    ? picture.follows()
                    : RowNames.address(picture.follows(), row);
            Optional<Value.File> file = files(state.counting(followed)).findFirst();
            if (file.isPresent()) {
                return new Line.Pictured(picture.label(), "", file.get().id());
            }
        }
        return picture.file().isEmpty() ? null : new Line.Pictured(picture.label(), picture.file(), "");
    }
}
