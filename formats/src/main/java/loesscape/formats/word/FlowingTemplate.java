package loesscape.formats.word;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Keys;
import loesscape.core.model.Medium;
import loesscape.core.model.Notice;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.prose.Prose;
import loesscape.formats.word.WordBlock.Cell;
import loesscape.formats.word.WordBlock.Grid;
import loesscape.formats.word.WordBlock.Listing;
import loesscape.formats.word.WordBlock.Paragraph;
import loesscape.formats.word.WordBlock.Repeated;
import loesscape.formats.word.WordPiece.Asked;
import loesscape.formats.word.WordPiece.Asking;
import loesscape.formats.word.WordPiece.Control;
import loesscape.formats.word.WordPiece.Words;

/**
 * Makes a template of the blocks of a document: headings make sections, lines make texts, and what is to be filled in makes
 * questions. What stands in a sentence is asked while filling, and merged into the sentence in the document.
 */
final class FlowingTemplate {

    private static final int LONGEST_PROMPT = 90;
    private static final int MOST_ROWS = 20;

    /** The heading of a column of numbers that count the rows. */
    private static final Pattern ROW_NUMBER = Pattern.compile("(?i)no\\.?|nr\\.?|#|№|n°|lfd\\. ?nr\\.?|α/α");

    private final Outline outline;

    /** The same name is the same answer: its key by what the file calls it. */
    private final Map<String, String> named = new HashMap<>();

    /** The keys of amounts of money, which say their currency themselves where the words do not. */
    private final Set<String> amounts = new HashSet<>();

    /** Where no line is a heading by its style, bold ones are. */
    private final boolean boldIsHeading;

    /** Squares that stood alone on their lines, until it is known whether others follow. */
    private final List<String> marks = new ArrayList<>();

    /** Whether the line before was nothing but room to write: what it is for may stand beneath it. */
    private boolean hasRoomAlone;

    /** How wide the questions of the line are that is read: those beside each other stand beside each other. */
    private Field.Width width = Field.Width.FULL;

    private FlowingTemplate(String title, boolean boldIsHeading) {
        outline = new Outline(title);
        this.boldIsHeading = boldIsHeading;
    }

    /**
     * What was made.
     *
     * @param questions how many there are
     */
    record MadeFlow(Template template, int questions) {}

    static MadeFlow of(List<WordBlock> blocks, String title) {
        boolean hasHeadings = blocks.stream().anyMatch(block -> block instanceof Paragraph it && it.heading() > 1);
        FlowingTemplate made = new FlowingTemplate(title, !hasHeadings);
        blocks.forEach(block -> made.add(block, ""));
        made.add(new Paragraph(List.of(), 0, Listing.NONE, 0, false), "");
        return new MadeFlow(made.outline.template(), made.outline.questions());
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
            ask(label, AskedKind.onLine(label));
            if (isCaption) {
                return;
            }
        }
        if (isContents(pieces)) {
            return; // sections make the contents anew
        }
        boolean isRoomAlone = words.isEmpty()
                && pieces.stream().filter(WordPiece.Room.class::isInstance).count() == 1;
        if (isRoomAlone && cellLabel.isEmpty() && outline.prompt() == null) {
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
            prompts(pieces, cellLabel);
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
            if (paragraph.isRuled() && outline.prompt() != null) {
                outline.replaceText(new FieldKind.LongText("", 0));
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
        if (paragraph.heading() == 1 && outline.title(words)) {
            return;
        }
        if (paragraph.heading() > 0 || isBold) {
            outline.heading(words, Math.max(2, paragraph.heading()) - 1);
        } else {
            outline.put(notice(paragraph, written(pieces, List.of()), Medium.BOTH));
        }
    }

    /** A text of a line; points of one list go on in one text. */
    private Notice notice(Paragraph paragraph, String text, Medium medium) {
        if (paragraph.listing() == Listing.POINT) {
            Notice list = outline.takeList();
            boolean goesOn = list != null
                    && list.medium() == medium
                    && list.text().length() + text.length() + 3 <= Template.LONGEST_PARAGRAPH;
            if (list != null && goesOn) {
                return list.withText(list.text() + "\n- " + text);
            }
            if (list != null) {
                outline.put(list);
            }
            return Notice.of(outline.key(text, "text"), "- " + text).withMedium(medium);
        }
        Notice notice = Notice.of(outline.key(text, "text"), text).withMedium(medium);
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
        if (labels.size() > 1 && outline.shortText() != null) {
            outline.replaceText(AskedKind.several(labels));
            labels.forEach(outline::sayWhole);
        } else {
            labels.forEach(label -> ask(label, new FieldKind.YesNo()));
        }
    }

    /** A line with squares: its first words ask, the words behind each square are a choice; what else is asked stands for itself. */
    private void marked(List<WordPiece> pieces, String cellLabel) {
        String question = "";
        List<String> labels = new ArrayList<>();
        List<WordPiece> rest = new ArrayList<>();
        StringBuilder words = new StringBuilder();
        WordPiece mark = null;
        for (WordPiece piece : pieces) {
            if (piece instanceof Words it) {
                words.append(it.text());
            } else if (isMark(piece)) {
                if (mark == null) {
                    question = WordText.label(words.toString());
                } else {
                    labels.add(labelOf(mark, words.toString()));
                }
                words.setLength(0);
                mark = piece;
            } else {
                rest.add(new Words(words.toString(), false, false));
                rest.add(piece);
            }
        }
        if (mark != null) {
            labels.add(labelOf(mark, words.toString()));
        }
        String asked = question.isEmpty() ? cellLabel : question;
        String before = question.isEmpty() ? "" : question + ": ";
        if (asked.isEmpty() && outline.prompt() != null && labels.size() > 1) {
            outline.replaceText(AskedKind.ofMarks(labels));
            labels.forEach(outline::sayWhole);
        } else if (labels.size() > 1 && !asked.isEmpty()) {
            ask(asked, AskedKind.ofMarks(labels));
            labels.forEach(outline::sayWhole);
        } else {
            labels.forEach(label -> ask(label.isEmpty() ? asked : before + label, new FieldKind.YesNo()));
        }
        if (!rest.isEmpty()) {
            prompts(rest, cellLabel);
        }
    }

    /** What stands behind a mark; what the file calls it where nothing does. */
    private static String labelOf(WordPiece mark, String behind) {
        String label = WordText.label(behind);
        return label.isEmpty() && mark instanceof Asked asked ? asked.control().label() : label;
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
        outline.put(notice(paragraph, written(pieces, merged(pieces, cellLabel)), Medium.DOCUMENT));
        outline.settle();
    }

    /** Asks what is to be filled in among words; gives what stands in braces in their places. */
    private List<String> merged(List<WordPiece> pieces, String cellLabel) {
        List<String> merged = new ArrayList<>();
        StringBuilder before = new StringBuilder();
        for (int i = 0; i < pieces.size(); i++) {
            if (pieces.get(i) instanceof Words words) {
                before.append(words.text());
            } else {
                String key = ask(pieces.get(i), lastWords(before.toString()), cellLabel, Medium.FILLING, "");
                String after = i + 1 < pieces.size() && pieces.get(i + 1) instanceof Words it ? it.text() : "";
                boolean isCurrencySaid =
                        AskedKind.endsWithCurrency(before.toString()) || AskedKind.beginsWithCurrency(after);
                merged.add(amounts.contains(key) && isCurrencySaid ? key + ":figure" : key);
                before.setLength(0);
            }
        }
        return merged;
    }

    /** The words of a sentence right before what it asks. */
    private static String lastWords(String before) {
        String[] parts = WordText.plain(before).split("(?<=[.;:])\\s", -1);
        String label = WordText.label(parts[parts.length - 1]);
        String[] words = label.split("\\s+");
        return words.length <= 8 ? label : String.join(" ", List.of(words).subList(words.length - 8, words.length));
    }

    private void prompts(List<WordPiece> pieces, String cellLabel) {
        long asked = pieces.stream().filter(piece -> !(piece instanceof Words)).count();
        width = asked == 2 ? Field.Width.HALF : asked == 3 ? Field.Width.THIRD : Field.Width.FULL;
        StringBuilder before = new StringBuilder();
        for (int i = 0; i < pieces.size(); i++) {
            if (pieces.get(i) instanceof Words words) {
                before.append(words.text());
            } else {
                String label = WordText.label(before.toString());
                boolean isUnnamed = label.isEmpty() && cellLabel.isEmpty() && pieces.get(i) instanceof WordPiece.Room;
                if (isUnnamed && outline.prompt() != null) {
                    label = outline.takeText();
                }
                boolean isLast = i + 2 == pieces.size() && pieces.getLast() instanceof Words;
                ask(
                        pieces.get(i),
                        label,
                        cellLabel,
                        Medium.BOTH,
                        isLast ? WordText.of(pieces.subList(i + 1, i + 2)) : "");
                before.setLength(0);
            }
        }
        width = Field.Width.FULL;
    }

    /**
     * Asks what a piece asks, once for each name; gives the key of the answer.
     *
     * @param behind the last words of the line, which say more of the answer; otherwise empty
     */
    private String ask(WordPiece piece, String words, String cellLabel, Medium medium, String behind) {
        Control control = piece instanceof Asked asked ? asked.control() : Control.text("", "");
        String name = control.name().strip().toLowerCase(Locale.ROOT);
        String known = name.isEmpty() ? null : named.get(name);
        if (known != null) {
            return known;
        }
        String label = control.label().isBlank() ? words.isEmpty() ? cellLabel : words : control.label();
        String told = label.isBlank() ? Keys.words(control.name().isBlank() ? "Answer" : control.name()) : label;
        FieldKind kind = AskedKind.withUnit(AskedKind.of(control, told, medium), behind);
        boolean isSaid = behind.isEmpty() || (kind instanceof FieldKind.Number && AskedKind.isUnit(behind));
        String key = outline.key(told, "question");
        if (!name.isEmpty()) {
            named.put(name, key);
        }
        if (kind instanceof FieldKind.Money) {
            amounts.add(key);
        }
        String whole = isSaid ? told : told + " … " + behind;
        outline.sayWhole(whole);
        outline.put(Field.of(key, Outline.label(whole), kind).withMedium(medium).withWidth(width));
        control.choices().forEach(outline::sayWhole);
        return key;
    }

    private void repeated(String label, List<Control> columns) {
        String before = label.isBlank() && outline.prompt() != null ? outline.takeText() : label;
        String asked = before.isBlank() ? "Rows" : before;
        List<Item> items = new ArrayList<>();
        outline.sayWhole(asked);
        for (Control column : columns) {
            String told = column.label().isBlank()
                    ? Keys.words(column.name().isBlank() ? "Answer" : column.name())
                    : column.label();
            outline.sayWhole(told);
            items.add(Field.of(
                    outline.key(told, "column"), Outline.label(told), AskedKind.of(column, told, Medium.FILLING)));
        }
        if (!items.isEmpty()) {
            outline.put(Section.of(outline.key(asked, "rows"), Outline.label(asked), items)
                    .withRows(new Section.Rows(1, MOST_ROWS)));
        }
    }

    private void grid(Grid grid) {
        AskingTable cells = new AskingTable(grid.rows());
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
        if (cells.isWritten() && cells.width() <= Prose.MOST_COLUMNS) {
            written(cells, grid.hasHeads() || cells.hasHeads());
            return;
        }
        boolean asks = cells.asks();
        for (int row = 0; row < grid.rows().size(); row++) {
            for (int column = 0; column < grid.rows().get(row).size(); column++) {
                if (asks) {
                    cell(cells, row, column);
                } else {
                    content(cells, row, column);
                }
            }
        }
    }

    /** A table of the text, with the answers in it that are asked before. */
    private void written(AskingTable cells, boolean hasHeads) {
        List<List<String>> rows = new ArrayList<>();
        int before = outline.questions();
        for (int row = 0; row < cells.rows().size(); row++) {
            List<String> texts = new ArrayList<>();
            for (int column = 0; column < cells.width(); column++) {
                texts.add(
                        column < cells.rows().get(row).size() ? inCell(cells, row, column, hasHeads && row == 0) : "");
            }
            rows.add(texts);
        }
        boolean asks = outline.questions() > before;
        for (String text : new WrittenTable(hasHeads, rows).texts(Template.LONGEST_PARAGRAPH)) {
            outline.put(
                    Notice.of(outline.key("table", "table"), text).withMedium(asks ? Medium.DOCUMENT : Medium.BOTH));
        }
        outline.settle();
    }

    private String inCell(AskingTable cells, int row, int column, boolean isHead) {
        List<String> lines = new ArrayList<>();
        for (WordBlock block : cells.rows().get(row).get(column).blocks()) {
            switch (block) {
                case Paragraph it -> {
                    List<WordPiece> pieces = WordText.parted(isHead ? WordText.unstyled(it.pieces()) : it.pieces());
                    String text = written(pieces, merged(pieces, cells.labelOfMark(row, column)));
                    lines.add(it.listing() == Listing.NONE || text.isEmpty() ? text : "• " + text);
                }
                case Grid it ->
                    it.rows()
                            .forEach(inner -> lines.add(Prose.literal(
                                    inner.stream().map(WordText::of).collect(Collectors.joining(" — ")))));
                case Repeated ignored -> {
                    // It asks, and is no part of a text.
                }
            }
        }
        return String.join("\n", lines).strip();
    }

    private void ask(String label, FieldKind kind) {
        outline.sayWhole(label);
        outline.put(Field.of(outline.key(label, "question"), label.isEmpty() ? "Answer" : Outline.label(label), kind));
    }

    private void cell(AskingTable cells, int row, int column) {
        Cell cell = cells.rows().get(row).get(column);
        String words = WordText.label(WordText.of(cell));
        switch (cells.role(row, column)) {
            case ROOM -> {
                String label = cells.label(row, column);
                ask(label, AskedKind.onLine(label));
            }
            case PROMPT_WITH_ROOM ->
                ask(words, cell.blocks().size() > 3 ? new FieldKind.LongText("", 0) : AskedKind.onLine(words));
            case YES -> ask(cells.wordsAt(row, 0), new FieldKind.YesNo());
            case MARK -> ask(cells.labelOfMark(row, column), new FieldKind.YesNo());
            case LABEL -> {
                // It is told with what it is the label of.
            }
            case CONTENT -> content(cells, row, column);
        }
    }

    private void content(AskingTable cells, int row, int column) {
        cells.rows().get(row).get(column).blocks().forEach(block -> add(block, cells.labelBeside(row, column)));
        endMarks();
    }
}
