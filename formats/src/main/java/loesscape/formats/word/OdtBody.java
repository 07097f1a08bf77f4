package loesscape.formats.word;

import static loesscape.formats.word.Elements.attribute;
import static loesscape.formats.word.Elements.number;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import loesscape.formats.word.WordBlock.Cell;
import loesscape.formats.word.WordBlock.Cover;
import loesscape.formats.word.WordBlock.Grid;
import loesscape.formats.word.WordBlock.Listing;
import loesscape.formats.word.WordBlock.Paragraph;
import loesscape.formats.word.WordPiece.Asked;
import loesscape.formats.word.WordPiece.Asking;
import loesscape.formats.word.WordPiece.Control;
import loesscape.formats.word.WordPiece.Room;
import loesscape.formats.word.WordPiece.Square;
import loesscape.formats.word.WordPiece.Words;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.Text;

/** The body of a text in OpenDocument (ISO/IEC 26300-1): the same blocks, from other elements. */
final class OdtBody {

    private static final int MOST_REPEATED = 60;
    private static final int DEEPEST_LIST = 10;

    private final Map<String, Element> controls = new HashMap<>();
    private final Map<String, Element> styles = new HashMap<>();

    private OdtBody(Document content) {
        Elements.all(content, "style").forEach(style -> styles.put(attribute(style, "name"), style));
        Elements.all(content, "list-style").forEach(style -> styles.put(attribute(style, "name"), style));
        for (Element form : Elements.all(content, "form")) {
            Elements.in(form).forEach(control -> controls.put(attribute(control, "id"), control));
        }
    }

    static List<WordBlock> of(DocumentParts parts) {
        Document content = parts.xml("content.xml");
        Element text = Elements.at(content, "document-content", "body", "text");
        if (text == null) {
            throw new UnreadableDocument("The document is no text: spreadsheets and drawings are not read.");
        }
        return new OdtBody(content).blocks(text, Listing.NONE, 0);
    }

    private List<WordBlock> blocks(Element holder, Listing listing, int depth) {
        List<WordBlock> blocks = new ArrayList<>();
        for (Element each : Elements.in(holder)) {
            switch (each.getLocalName()) {
                case "h" ->
                    blocks.add(paragraph(each, number(attribute(each, "outline-level"), 1) + 1, listing, depth));
                case "p" -> blocks.add(paragraph(each, isTitle(each) ? 1 : 0, listing, depth));
                case "table" -> blocks.add(new Grid(Elements.has(each, "table-header-rows"), rows(each)));
                case "list" -> {
                    int inner = listing == Listing.NONE ? 0 : Math.min(depth + 1, DEEPEST_LIST);
                    blocks.addAll(blocks(each, listing(attribute(each, "style-name"), listing), inner));
                }
                case "list-item", "list-header", "section", "text-box", "frame" ->
                    blocks.addAll(blocks(each, listing, depth));
                default -> {
                    // Indexes are made anew of the sections; forms are read where they stand.
                }
            }
        }
        return blocks;
    }

    private static boolean isTitle(Element paragraph) {
        return attribute(paragraph, "style-name").equals("Title");
    }

    private Listing listing(String style, Listing around) {
        Element list = styles.get(style);
        if (list == null) {
            return around == Listing.NONE ? Listing.POINT : around;
        }
        return Elements.has(list, "list-level-style-number") ? Listing.NUMBER : Listing.POINT;
    }

    private List<List<Cell>> rows(Element table) {
        List<List<Cell>> rows = new ArrayList<>();
        for (Element each : Elements.in(table)) {
            switch (each.getLocalName()) {
                case "table-row" -> {
                    int times = Math.clamp(number(attribute(each, "number-rows-repeated"), 1), 1, MOST_REPEATED);
                    for (int i = 0; i < times; i++) {
                        rows.add(cells(each));
                    }
                }
                case "table-header-rows", "table-rows", "table-row-group" -> rows.addAll(rows(each));
                default -> {
                    // Columns say only how wide they are.
                }
            }
        }
        return rows;
    }

    private List<Cell> cells(Element row) {
        List<Cell> cells = new ArrayList<>();
        // So many more places are covered by the cell before them (OpenDocument 1.3, 9.1.5); others by one above.
        int wide = 0;
        for (Element each : Elements.in(row)) {
            int times = Math.clamp(number(attribute(each, "number-columns-repeated"), 1), 1, MOST_REPEATED);
            for (int i = 0; i < times; i++) {
                switch (each.getLocalName()) {
                    case "table-cell" -> {
                        cells.add(new Cell(blocks(each, Listing.NONE, 0)));
                        wide = number(attribute(each, "number-columns-spanned"), 1) - 1;
                    }
                    case "covered-table-cell" -> {
                        cells.add(Cell.covered(wide > 0 ? Cover.BEFORE : Cover.ABOVE));
                        wide--;
                    }
                    default -> {
                        // Nothing else is a place in a table.
                    }
                }
            }
        }
        return cells;
    }

    private Paragraph paragraph(Element paragraph, int heading, Listing listing, int depth) {
        List<WordPiece> pieces = new ArrayList<>();
        Element style = styles.get(attribute(paragraph, "style-name"));
        Element letters = Elements.first(style, "text-properties");
        boolean isBold = attribute(letters, "font-weight").equals("bold");
        read(paragraph, isBold, attribute(letters, "font-style").equals("italic"), false, pieces);
        Element properties = Elements.first(style, "paragraph-properties");
        String border = attribute(properties, "border-bottom");
        boolean isRuled = !border.isEmpty() && !border.equals("none");
        boolean hasLeaders = properties != null
                && Elements.all(properties, "tab-stop").stream()
                        .anyMatch(tab -> !attribute(tab, "leader-style").isEmpty()
                                && !attribute(tab, "leader-style").equals("none"));
        List<WordPiece> joined = WordText.joined(pieces);
        return new Paragraph(hasLeaders ? withRoom(joined) : joined, heading, listing, depth, isRuled);
    }

    /** Tabulators that are drawn as dots or lines are room to write. */
    private static List<WordPiece> withRoom(List<WordPiece> pieces) {
        List<WordPiece> with = new ArrayList<>();
        for (WordPiece piece : pieces) {
            if (piece instanceof Words words && words.text().contains("\t")) {
                String[] parts = words.text().split("\t", -1);
                for (int i = 0; i < parts.length; i++) {
                    if (i > 0) {
                        with.add(new Room());
                    }
                    if (!parts[i].isEmpty()) {
                        with.add(new Words(parts[i], words.isBold(), words.isItalic()));
                    }
                }
            } else {
                with.add(piece);
            }
        }
        return with;
    }

    private void read(Element holder, boolean isBold, boolean isItalic, boolean isUnderlined, List<WordPiece> pieces) {
        for (Node next = holder.getFirstChild(); next != null; next = next.getNextSibling()) {
            if (next instanceof Text text) {
                add(text.getData().replaceAll("[\\n\\t ]+", " "), isBold, isItalic, isUnderlined, pieces);
            } else if (next instanceof Element element) {
                inline(element, isBold, isItalic, isUnderlined, pieces);
            }
        }
    }

    private static void add(
            String text, boolean isBold, boolean isItalic, boolean isUnderlined, List<WordPiece> pieces) {
        if (isUnderlined && text.length() > 3 && text.isBlank()) {
            pieces.add(new Room());
        } else if (!text.isEmpty()) {
            pieces.add(new Words(text.replace('\u00a0', ' '), isBold, isItalic));
        }
    }

    private void inline(
            Element element, boolean isBold, boolean isItalic, boolean isUnderlined, List<WordPiece> pieces) {
        switch (element.getLocalName()) {
            case "s" -> {
                int blanks = Math.clamp(number(attribute(element, "c"), 1), 1, 200);
                add(" ".repeat(blanks), isBold, isItalic, isUnderlined, pieces);
            }
            case "tab" -> pieces.add(isUnderlined ? new Room() : new Words("\t", isBold, isItalic));
            case "line-break" -> pieces.add(new Words("\n", isBold, isItalic));
            case "span", "a", "meta", "meta-field", "ruby", "ruby-base" -> {
                Element style = Elements.first(styles.get(attribute(element, "style-name")), "text-properties");
                boolean bold = isBold || attribute(style, "font-weight").equals("bold");
                boolean italic = isItalic || attribute(style, "font-style").equals("italic");
                String line = attribute(style, "text-underline-style");
                read(element, bold, italic, isUnderlined || (!line.isEmpty() && !line.equals("none")), pieces);
            }
            case "placeholder" -> {
                String name = element.getTextContent().replaceAll("^<|>$", "").strip();
                pieces.add(new Asked(Control.text(name, name)));
            }
            case "text-input" -> {
                String told = attribute(element, "description");
                pieces.add(new Asked(
                        Control.text(told.isBlank() ? element.getTextContent().strip() : told, "")));
            }
            case "drop-down" -> {
                List<String> choices = Elements.in(element).stream()
                        .map(each -> attribute(each, "value"))
                        .filter(each -> !each.isBlank())
                        .toList();
                pieces.add(new Asked(new Control(Asking.ONE_CHOICE, attribute(element, "name"), "", choices)));
            }
            case "database-display" -> {
                String name = attribute(element, "column-name");
                pieces.add(new Asked(Control.text(name.replace('_', ' '), name)));
            }
            case "control" -> control(controls.get(attribute(element, "control")), pieces);
            case "frame" -> {
                for (Element box : Elements.in(element)) {
                    Elements.in(box).forEach(each -> {
                        if ("p".equals(each.getLocalName())) {
                            read(each, isBold, isItalic, isUnderlined, pieces);
                        }
                    });
                }
            }
            case "rect", "custom-shape", "ellipse", "circle" -> {
                if (element.getTextContent().isBlank()) {
                    pieces.add(new Square());
                } else {
                    read(element, isBold, isItalic, isUnderlined, pieces);
                }
            }
            default -> {
                // Notes, marks of places and changes say nothing here.
            }
        }
    }

    /** A control of a form (ISO/IEC 26300-1, 13.5). */
    private static void control(@Nullable Element control, List<WordPiece> pieces) {
        if (control == null) {
            return;
        }
        String title = attribute(control, "title");
        String label = title.isBlank() ? attribute(control, "name") : title;
        switch (control.getLocalName()) {
            case "checkbox", "radio" -> {
                pieces.add(new Square());
                add(" " + attribute(control, "label"), false, false, false, pieces);
            }
            case "listbox", "combobox" -> {
                List<String> choices = Elements.in(control).stream()
                        .map(each -> attribute(each, "label"))
                        .filter(each -> !each.isBlank())
                        .toList();
                boolean isOpen = "combobox".equals(control.getLocalName());
                pieces.add(new Asked(
                        new Control(isOpen ? Asking.CHOICE_OR_OTHER : Asking.ONE_CHOICE, label, "", choices)));
            }
            case "date" -> pieces.add(new Asked(new Control(Asking.DATE, label, "", List.of())));
            case "textarea" -> pieces.add(new Asked(new Control(Asking.LONG_TEXT, label, "", List.of())));
            case "text", "formatted-text", "number" -> pieces.add(new Asked(Control.text(label, "")));
            default -> {
                // Buttons ask nothing.
            }
        }
    }
}
