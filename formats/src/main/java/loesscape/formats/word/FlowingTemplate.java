package loesscape.formats.word;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import loesscape.core.model.AnswerType;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Keys;
import loesscape.core.model.KindFacts;
import loesscape.core.model.LikelyKind;
import loesscape.core.model.Medium;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.formats.word.WordBlock.Cell;
import loesscape.formats.word.WordBlock.Grid;
import loesscape.formats.word.WordBlock.Listing;
import loesscape.formats.word.WordBlock.Paragraph;
import loesscape.formats.word.WordBlock.Repeated;
import loesscape.formats.word.WordPiece.Asked;
import loesscape.formats.word.WordPiece.Asking;
import loesscape.formats.word.WordPiece.Control;
import loesscape.formats.word.WordPiece.Words;
import org.jspecify.annotations.Nullable;

/**
 * Makes a template of the blocks of a document: headings make sections, lines make texts, and what is to be filled in makes
 * questions. What stands in a sentence is asked while filling, and merged into the sentence in the document.
 */
final class FlowingTemplate {

    private static final int LONGEST_LABEL = 200;
    private static final int LONGEST_PROMPT = 90;
    private static final int LONGEST_TEXT = 20_000;
    private static final int DEEPEST_SECTION = 3;
    private static final int MOST_ROWS = 20;
    private static final int MOST_CHOICES = 200;

    /** The heading of a column of numbers that count the rows. */
    private static final Pattern ROW_NUMBER = Pattern.compile("(?i)no\\.?|nr\\.?|#|№|n°|lfd\\. ?nr\\.?|α/α");

    private final Set<String> keys = new HashSet<>(Set.of("page_1"));

    /** The same name is the same answer: its key by what the file calls it. */
    private final Map<String, String> named = new HashMap<>();

    private final Part root = new Part("", "", 0);
    private final List<Part> open = new ArrayList<>(List.of(root));
    private String title;
    private boolean hasTitle;
    private boolean boldIsHeading;
    private int questions;

    /** The text that was just added, as long as it may turn out to be a prompt. */
    private @Nullable Notice prompt;

    /** Squares that stood alone on their lines, until it is known whether others follow. */
    private final List<String> marks = new ArrayList<>();

    /** Whether the line before was nothing but room to write: what it is for may stand beneath it. */
    private boolean hasRoomAlone;

    /** How wide the questions of the line are that is read: those beside each other stand beside each other. */
    private Field.Width width = Field.Width.FULL;

    /** A section while it is put together. */
    private record Part(String key, String title, int level, List<Object> content) {

        Part(String key, String title, int level) {
            this(key, title, level, new ArrayList<>());
        }
    }

    private FlowingTemplate(String title) {
        this.title = title;
    }

    /**
     * What was made.
     *
     * @param questions how many there are
     */
    record Made(Template template, int questions) {}

    static Made of(List<WordBlock> blocks, String title) {
        FlowingTemplate made = new FlowingTemplate(title);
        made.boldIsHeading = blocks.stream().noneMatch(block -> block instanceof Paragraph it && it.heading() > 1);
        blocks.forEach(block -> made.add(block, ""));
        made.add(new Paragraph(List.of(), 0, Listing.NONE, 0, false), "");
        return new Made(made.template(), made.questions);
    }

    private Template template() {
        List<Section> sections = new ArrayList<>();
        List<Item> first = new ArrayList<>();
        for (Object each : root.content) {
            if (each instanceof Part part) {
                sections.add(section(part));
            } else {
                first.add((Item) each);
            }
        }
        String name = shortened(title).isEmpty() ? "Document" : shortened(title);
        if (!first.isEmpty() || sections.isEmpty()) {
            sections.addFirst(Section.of(key(name, "section"), name, first));
        }
        return Template.of(name, List.of(new Page("page_1", "Page 1", null, sections)));
    }

    private static Section section(Part part) {
        return Section.of(
                part.key,
                part.title,
                part.content.stream()
                        .map(each -> each instanceof Part inner ? section(inner) : (Item) each)
                        .toList());
    }

    private String key(String label, String fallback) {
        String key = Keys.from(label, fallback, keys::contains);
        keys.add(key);
        return key;
    }

    private static String shortened(String text) {
        String line = WordText.plain(text);
        if (line.length() <= LONGEST_LABEL) {
            return line;
        }
        return line.substring(
                0, Character.isHighSurrogate(line.charAt(LONGEST_LABEL - 1)) ? LONGEST_LABEL - 1 : LONGEST_LABEL);
    }

    private void put(Item item) {
        open.getLast().content.add(item);
        prompt = item instanceof Notice notice ? notice : null;
        questions += item instanceof Field ? 1 : 0;
    }

    private void add(WordBlock block, String cellLabel) {
        switch (block) {
            case Paragraph it -> paragraph(it, cellLabel);
            case Grid it -> {
                endMarks();
                grid(it);
            }
            case Repeated it -> {
                endMarks();
                repeated(it.label(), it.columns());
            }
        }
    }

    private void paragraph(Paragraph paragraph, String cellLabel) {
        List<WordPiece> pieces = WordText.parted(paragraph.pieces());
        String words = WordText.of(pieces);
        if (pieces.size() <= 3
                && pieces.stream().filter(WordPiece.Square.class::isInstance).count() == 1
                && !words.isEmpty()
                && pieces.getFirst() instanceof WordPiece.Square) {
            marks.add(words);
            return;
        }
        endMarks();
        if (hasRoomAlone) {
            hasRoomAlone = false;
            boolean isCaption = !WordText.asks(pieces)
                    && !words.isEmpty()
                    && words.length() <= LONGEST_PROMPT
                    && paragraph.heading() == 0;
            String label = isCaption ? words : "Answer";
            ask(label, LikelyKind.onLine(label).starting());
            if (isCaption) {
                return;
            }
        }
        if (isContents(pieces)) {
            return; // sections make the contents anew
        }
        boolean isRoomAlone = words.isEmpty()
                && pieces.stream().filter(WordPiece.Room.class::isInstance).count() == 1;
        if (isRoomAlone && cellLabel.isEmpty() && (prompt == null || !asks(prompt))) {
            hasRoomAlone = true;
            return;
        }
        if (!WordText.asks(pieces)) {
            text(paragraph, pieces, words);
        } else if (pieces.stream().anyMatch(FlowingTemplate::isMark)) {
            marked(pieces, cellLabel);
        } else if (isSentence(pieces, words)) {
            sentence(paragraph, pieces, cellLabel);
        } else {
            prompts(pieces, cellLabel, Medium.BOTH);
        }
    }

    /** A line of a table of contents leads to the number of a page. */
    private static boolean isContents(List<WordPiece> pieces) {
        return pieces.size() == 3
                && pieces.get(1) instanceof WordPiece.Room
                && pieces.get(2) instanceof Words last
                && last.text().strip().matches("[0-9ivxIVX]{1,4}");
    }

    private void text(Paragraph paragraph, List<WordPiece> pieces, String words) {
        if (words.isEmpty()) {
            // A line drawn beneath nothing is room for what was asked right before it.
            if (paragraph.isRuled() && prompt != null && asks(prompt)) {
                replacePrompt(new FieldKind.LongText("", 0));
            }
            return;
        }
        boolean isBold = boldIsHeading
                && words.length() <= LONGEST_PROMPT
                && !words.endsWith(".")
                && !words.endsWith(":")
                && pieces.stream()
                        .allMatch(piece -> piece instanceof Words it
                                && (it.isBold() || it.text().isBlank()));
        if (paragraph.heading() == 1 && !hasTitle && questions == 0) {
            title = words;
            hasTitle = true;
        } else if (paragraph.heading() > 0 || isBold) {
            heading(words, Math.max(2, paragraph.heading()) - 1);
        } else {
            put(notice(paragraph, written(pieces, List.of()), Medium.BOTH));
        }
    }

    private void heading(String words, int level) {
        int depth = Math.min(level, DEEPEST_SECTION);
        while (open.size() > 1 && open.getLast().level >= depth) {
            open.removeLast();
        }
        String told = shortened(words.replaceAll("^[0-9]+(\\.[0-9]+)*[.)]?\\s+(?=\\p{L})", ""));
        Part part = new Part(key(told, "section"), told, depth);
        open.getLast().content.add(part);
        open.add(part);
        prompt = null;
    }

    /** A text of a line; points of one list go on in one text. */
    private Notice notice(Paragraph paragraph, String text, Medium medium) {
        boolean isPoint = paragraph.listing() == Listing.POINT;
        String written = text.length() > LONGEST_TEXT ? text.substring(0, LONGEST_TEXT) : text;
        if (isPoint
                && !open.getLast().content.isEmpty()
                && open.getLast().content.getLast() instanceof Notice before
                && before.text().startsWith("- ")
                && before.medium() == medium
                && before.text().length() + written.length() < LONGEST_TEXT) {
            open.getLast().content.removeLast();
            return before.withText(before.text() + "\n- " + written);
        }
        Notice notice =
                Notice.of(key(text, "text"), isPoint ? "- " + written : written).withMedium(medium);
        int clause = Math.min(paragraph.depth() + 1, Notice.DEEPEST_CLAUSE);
        return paragraph.listing() == Listing.NUMBER ? notice.withClause(clause) : notice;
    }

    /** A line as a text, with the answers that are merged into it. */
    private static String written(List<WordPiece> pieces, List<String> merged) {
        StringBuilder text = new StringBuilder();
        int next = 0;
        for (WordPiece piece : pieces) {
            if (piece instanceof Words words) {
                text.append(WordText.marked(words));
            } else {
                text.append('{').append(merged.get(next++)).append('}');
            }
        }
        return text.toString().replaceAll("[ \\t]*\\n[ \\t]*", "\n").strip();
    }

    private static boolean asks(Notice notice) {
        String text = notice.text().strip();
        return text.length() <= LONGEST_PROMPT && (text.endsWith(":") || text.endsWith("?"));
    }

    /** The text that was added last was what a question asks. */
    private void replacePrompt(FieldKind kind) {
        Notice asked = java.util.Objects.requireNonNull(prompt);
        open.getLast().content.removeLast();
        put(Field.of(asked.key(), shortened(WordText.label(asked.text().replaceAll("[*\\\\]", ""))), kind));
    }

    static boolean isMark(WordPiece piece) {
        return piece instanceof WordPiece.Square
                || (piece instanceof Asked it && it.control().kind() == Asking.MARK);
    }

    /** Squares that stood alone on lines: what is chosen where something was asked before them, else yes or no each. */
    private void endMarks() {
        if (marks.isEmpty()) {
            return;
        }
        List<String> labels = List.copyOf(marks);
        marks.clear();
        if (labels.size() > 1 && prompt != null && prompt.text().length() <= LONGEST_PROMPT && prompt.clause() == 0) {
            replacePrompt(several(labels));
        } else {
            labels.forEach(label -> put(Field.of(key(label, "question"), shortened(label), new FieldKind.YesNo())));
        }
    }

    private static FieldKind several(List<String> labels) {
        return new FieldKind.SeveralChoices(
                choices(labels), FieldKind.ChoiceLayout.LIST, FieldKind.ChoiceStyle.PLAIN, false, null, 0, 0);
    }

    private static List<Choice> choices(List<String> labels) {
        Map<String, Choice> choices = new LinkedHashMap<>();
        for (String label : labels) {
            String told = shortened(label).isEmpty() ? "Choice " + (choices.size() + 1) : shortened(label);
            String id = Keys.from(told, "choice", it -> choices.containsKey(it) || it.equals(Choice.OTHER));
            if (choices.size() < MOST_CHOICES) {
                choices.put(id, Choice.of(id, told));
            }
        }
        return List.copyOf(choices.values());
    }

    /** A line with squares: its first words ask, the words behind each square are a choice; what else is asked stands for itself. */
    private void marked(List<WordPiece> pieces, String cellLabel) {
        String question = "";
        List<String> labels = new ArrayList<>();
        List<WordPiece> rest = new ArrayList<>();
        StringBuilder words = new StringBuilder();
        boolean hasMark = false;
        for (WordPiece piece : pieces) {
            if (piece instanceof Words it) {
                words.append(it.text());
            } else if (isMark(piece)) {
                String before = WordText.label(words.toString());
                if (hasMark) {
                    labels.add(before);
                } else {
                    question = before;
                }
                words.setLength(0);
                hasMark = true;
                if (piece instanceof Asked it && !it.control().label().isBlank()) {
                    words.append(it.control().label());
                    labels.add(it.control().label());
                    words.setLength(0);
                    hasMark = false;
                }
            } else {
                rest.add(new Words(words.toString(), false, false));
                rest.add(piece);
            }
        }
        if (hasMark) {
            labels.add(WordText.label(words.toString()));
        }
        String asked = question.isEmpty() ? cellLabel : question;
        if (asked.isEmpty() && prompt != null && asks(prompt) && labels.size() > 1) {
            replacePrompt(ofMarks(labels));
        } else if (labels.size() > 1 && !asked.isEmpty()) {
            put(Field.of(key(asked, "question"), shortened(asked), ofMarks(labels)));
        } else {
            for (String label : labels) {
                String told = label.isEmpty() ? asked : label;
                put(Field.of(key(told, "question"), told.isEmpty() ? "Mark" : shortened(told), new FieldKind.YesNo()));
            }
        }
        if (!rest.isEmpty()) {
            prompts(rest, cellLabel, Medium.BOTH);
        }
    }

    private static FieldKind ofMarks(List<String> labels) {
        boolean isYesAndNo = labels.size() == 2 && WordText.isYes(labels.getFirst()) && WordText.isNo(labels.getLast());
        return isYesAndNo ? new FieldKind.YesNo() : several(labels);
    }

    /** Whether a line goes on behind what is asked in it, as a sentence does. */
    private static boolean isSentence(List<WordPiece> pieces, String words) {
        boolean goesOn =
                pieces.getLast() instanceof Words last && last.text().strip().matches(".*\\p{L}.*|[.;,]");
        boolean begins =
                pieces.getFirst() instanceof Words first && first.text().strip().split("\\s+").length > 1;
        return words.length() > LONGEST_PROMPT
                || (goesOn && (begins || pieces.size() > 3) && words.split("\\s+").length >= 5);
    }

    private void sentence(Paragraph paragraph, List<WordPiece> pieces, String cellLabel) {
        List<String> merged = new ArrayList<>();
        StringBuilder before = new StringBuilder();
        for (WordPiece piece : pieces) {
            if (piece instanceof Words words) {
                before.append(words.text());
            } else {
                merged.add(ask(piece, lastWords(before.toString()), cellLabel, Medium.FILLING));
                before.setLength(0);
            }
        }
        put(notice(paragraph, written(pieces, merged), Medium.DOCUMENT));
        prompt = null;
    }

    /** The words of a sentence right before what it asks. */
    private static String lastWords(String before) {
        String[] parts = WordText.plain(before).split("(?<=[.;:])\\s", -1);
        String label = WordText.label(parts[parts.length - 1]);
        String[] words = label.split("\\s+");
        return words.length <= 8 ? label : String.join(" ", List.of(words).subList(words.length - 8, words.length));
    }

    private void prompts(List<WordPiece> pieces, String cellLabel, Medium medium) {
        long asked = pieces.stream().filter(piece -> !(piece instanceof Words)).count();
        width = asked == 2 ? Field.Width.HALF : asked == 3 ? Field.Width.THIRD : Field.Width.FULL;
        StringBuilder before = new StringBuilder();
        for (WordPiece piece : pieces) {
            if (piece instanceof Words words) {
                before.append(words.text());
            } else {
                String label = WordText.label(before.toString());
                if (label.isEmpty()
                        && cellLabel.isEmpty()
                        && prompt != null
                        && asks(prompt)
                        && piece instanceof WordPiece.Room) {
                    replacePrompt(new FieldKind.Text("", 0));
                } else if (!(piece instanceof WordPiece.Room)
                        || !label.isEmpty()
                        || !cellLabel.isEmpty()
                        || before.isEmpty()) {
                    ask(piece, label, cellLabel, medium);
                }
                before.setLength(0);
            }
        }
        width = Field.Width.FULL;
    }

    /** Asks what a piece asks, once for each name; gives the key of the answer. */
    private String ask(WordPiece piece, String words, String cellLabel, Medium medium) {
        Control control = piece instanceof Asked asked ? asked.control() : Control.text("", "");
        String name = control.name().strip().toLowerCase(Locale.ROOT);
        String known = name.isEmpty() ? null : named.get(name);
        if (known != null) {
            return known;
        }
        String label = control.label().isBlank() ? words.isEmpty() ? cellLabel : words : control.label();
        String told =
                shortened(label.isBlank() ? Keys.words(control.name().isBlank() ? "Answer" : control.name()) : label);
        String key = key(told, "question");
        if (!name.isEmpty()) {
            named.put(name, key);
        }
        FieldKind kind = control.kind() == Asking.TEXT ? onLine(told, medium) : kind(control);
        put(Field.of(key, told, kind).withMedium(medium).withWidth(width));
        return key;
    }

    /** A sentence names who signed; nobody signs in the middle of it. */
    private static FieldKind onLine(String label, Medium medium) {
        KindFacts likely = LikelyKind.onLine(label);
        boolean isSigned = likely.answer() == AnswerType.SIGNATURE;
        return isSigned && medium == Medium.FILLING ? new FieldKind.Text("", 0) : likely.starting();
    }

    private static FieldKind kind(Control control) {
        boolean isOpen = control.kind() == Asking.CHOICE_OR_OTHER;
        return switch (control.kind()) {
            case TEXT -> new FieldKind.Text("", 0);
            case LONG_TEXT -> new FieldKind.LongText("", 0);
            case DATE -> KindFacts.DATE.starting();
            case MARK -> new FieldKind.YesNo();
            case PICTURE -> KindFacts.PICTURE.starting();
            case ONE_CHOICE, CHOICE_OR_OTHER -> {
                List<Choice> choices = choices(control.choices());
                yield choices.isEmpty()
                        ? new FieldKind.Text("", 0)
                        : new FieldKind.OneChoice(
                                choices, FieldKind.ChoiceLayout.LIST, FieldKind.ChoiceStyle.PLAIN, isOpen, null);
            }
        };
    }

    private void repeated(String label, List<Control> columns) {
        String asked =
                !label.isBlank() ? label : prompt != null && asks(prompt) ? WordText.label(prompt.text()) : "Rows";
        if (label.isBlank() && prompt != null && asks(prompt)) {
            open.getLast().content.removeLast();
        }
        List<Item> items = new ArrayList<>();
        for (Control column : columns) {
            String told = shortened(
                    column.label().isBlank()
                            ? Keys.words(column.name().isBlank() ? "Answer" : column.name())
                            : column.label());
            items.add(Field.of(key(told, "column"), told, kind(column)));
            questions++;
        }
        if (!items.isEmpty()) {
            put(Section.of(key(asked, "rows"), shortened(asked), items).withRows(new Section.Rows(1, MOST_ROWS)));
        }
    }

    private void grid(Grid grid) {
        TableCells cells = new TableCells(grid.rows());
        if (cells.isRows()) {
            repeated(
                    "",
                    cells.heads().stream()
                            .filter(head ->
                                    !head.isEmpty() && !ROW_NUMBER.matcher(head).matches())
                            .map(head -> Control.text(WordText.label(head), ""))
                            .toList());
            return;
        }
        boolean asks = cells.asks();
        for (int row = 0; row < grid.rows().size(); row++) {
            if (!asks) {
                lineOfTable(grid.rows().get(row));
            }
            for (int column = 0; asks && column < grid.rows().get(row).size(); column++) {
                cell(cells, row, column);
            }
        }
    }

    private void lineOfTable(List<Cell> row) {
        String line =
                row.stream().map(WordText::of).filter(words -> !words.isEmpty()).collect(Collectors.joining(" — "));
        List<WordPiece> words = List.of(new Words(line, false, false));
        text(new Paragraph(words, 0, Listing.NONE, 0, false), words, line);
    }

    private void ask(String label, FieldKind kind) {
        put(Field.of(key(label, "question"), label.isEmpty() ? "Answer" : shortened(label), kind));
    }

    private void cell(TableCells cells, int row, int column) {
        Cell cell = cells.rows().get(row).get(column);
        String words = WordText.label(WordText.of(cell));
        switch (cells.role(row, column)) {
            case ROOM -> {
                String label = cells.label(row, column);
                ask(label, LikelyKind.onLine(label).starting());
            }
            case PROMPT_WITH_ROOM ->
                ask(
                        words,
                        cell.blocks().size() > 3
                                ? new FieldKind.LongText("", 0)
                                : LikelyKind.onLine(words).starting());
            case YES -> ask(cells.wordsAt(row, 0), new FieldKind.YesNo());
            case MARK -> ask(cells.labelOfMark(row, column), new FieldKind.YesNo());
            case LABEL -> {
                // It is told with what it is the label of.
            }
            case CONTENT -> {
                cell.blocks().forEach(block -> add(block, cells.labelBeside(row, column)));
                endMarks();
            }
        }
    }
}
