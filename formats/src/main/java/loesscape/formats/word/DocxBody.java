package loesscape.formats.word;

import static loesscape.formats.word.Elements.attribute;
import static loesscape.formats.word.Elements.first;
import static loesscape.formats.word.Elements.has;
import static loesscape.formats.word.Elements.number;
import static loesscape.formats.word.Elements.value;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.formats.word.WordBlock.Cell;
import loesscape.formats.word.WordBlock.Cover;
import loesscape.formats.word.WordBlock.Grid;
import loesscape.formats.word.WordBlock.Listing;
import loesscape.formats.word.WordBlock.Paragraph;
import loesscape.formats.word.WordBlock.Repeated;
import loesscape.formats.word.WordPiece.Asked;
import loesscape.formats.word.WordPiece.Asking;
import loesscape.formats.word.WordPiece.Control;
import loesscape.formats.word.WordPiece.Room;
import loesscape.formats.word.WordPiece.Square;
import loesscape.formats.word.WordPiece.Words;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** The body of a document in Office Open XML (ISO/IEC 29500-1, 17): paragraphs, tables, content controls, fields. */
final class DocxBody {

    /** So many columns has the widest table that word processors make (common practice, no published source). */
    private static final int MOST_COLUMNS = 63;

    private static final Pattern FROM_A_TABLE =
            Pattern.compile("\\s*MERGEFIELD\\s+(\"[^\"]+\"|\\S+).*", Pattern.CASE_INSENSITIVE | Pattern.DOTALL);
    private static final Pattern HEADING = Pattern.compile("heading (\\d)", Pattern.CASE_INSENSITIVE);
    private static final Set<String> LEADERS = Set.of("dot", "underscore", "hyphen", "middleDot", "heavy");

    /** Letters of fonts of symbols that are squares (from memory). */
    private static final Set<String> SQUARES = Set.of("F06F", "F0A8", "006F", "00A8", "F071", "F072", "F0A3");

    private static final int DRAWING_UNITS_OF_A_POINT = 12_700;

    /** How deep each style is a heading: 1 for the title. */
    private final Map<String, Integer> headings = new HashMap<>();

    /** Which lists are numbered, by their number and depth. */
    private final Map<String, Listing> lists = new HashMap<>();

    private DocxBody(Document styles, Document numbering) {
        readStyles(styles);
        readLists(numbering);
    }

    static List<WordBlock> of(DocumentParts parts) {
        Element body = Elements.at(parts.xml("word/document.xml"), "document", "body");
        if (body == null) {
            throw new UnreadableDocument("The document has no body.");
        }
        return new DocxBody(parts.xml("word/styles.xml"), parts.xml("word/numbering.xml")).blocks(body);
    }

    private void readStyles(Document styles) {
        for (Element style : Elements.all(styles, "style")) {
            String outline = value(first(style, "pPr"), "outlineLvl");
            String name = value(style, "name");
            Matcher heading = HEADING.matcher(name);
            String id = attribute(style, "styleId");
            if (name.equalsIgnoreCase("title")) {
                headings.put(id, 1);
            } else if (heading.matches()) {
                headings.put(id, Integer.parseInt(heading.group(1)) + 1);
            } else if (!outline.isEmpty() && number(outline, 9) < 9) {
                headings.put(id, number(outline, 0) + 2);
            }
        }
    }

    private void readLists(Document numbering) {
        Map<String, Map<Integer, Listing>> abstracts = new HashMap<>();
        for (Element list : Elements.all(numbering, "abstractNum")) {
            Map<Integer, Listing> levels = new HashMap<>();
            for (Element level : Elements.in(list)) {
                if ("lvl".equals(level.getLocalName())) {
                    String format = value(level, "numFmt");
                    Listing listing = format.equals("bullet")
                            ? Listing.POINT
                            : format.equals("none") ? Listing.NONE : Listing.NUMBER;
                    levels.put(number(attribute(level, "ilvl"), 0), listing);
                }
            }
            abstracts.put(attribute(list, "abstractNumId"), levels);
        }
        for (Element list : Elements.all(numbering, "num")) {
            abstracts
                    .getOrDefault(value(list, "abstractNumId"), Map.of())
                    .forEach((level, listing) -> lists.put(attribute(list, "numId") + "/" + level, listing));
        }
    }

    private List<WordBlock> blocks(Element holder) {
        List<WordBlock> blocks = new ArrayList<>();
        for (Element each : Elements.in(holder)) {
            switch (each.getLocalName()) {
                case "p" -> blocks.add(paragraph(each));
                case "tbl" -> blocks.add(table(each));
                case "sdt" -> blocks.addAll(control(each));
                case "ins", "smartTag", "customXml", "moveTo" -> blocks.addAll(blocks(each));
                default -> {
                    // What was struck out, and what says nothing.
                }
            }
        }
        return blocks;
    }

    /** A content control around blocks: rows, a field, or only a wrapper. */
    private List<WordBlock> control(Element control) {
        Element properties = first(control, "sdtPr");
        Element content = first(control, "sdtContent");
        if (content == null || has(properties, "docPartObj")) {
            return List.of(); // a table of contents is made anew of the sections
        }
        if (has(properties, "repeatingSection")) {
            return List.of(repeated(control, List.of()));
        }
        boolean isLine = Elements.in(content).size() <= 2 && has(content, "p");
        if (isField(properties) && isLine) {
            return List.of(new Paragraph(List.of(new Asked(field(control))), 0, Listing.NONE, 0, false));
        }
        return blocks(content);
    }

    private static boolean isField(@Nullable Element properties) {
        if (properties == null || has(properties, "group") || has(properties, "docPartList")) {
            return false;
        }
        return List.of(
                        "text",
                        "dropDownList",
                        "comboBox",
                        "date",
                        "picture",
                        "checkbox",
                        "alias",
                        "tag",
                        "showingPlcHdr")
                .stream()
                .anyMatch(name -> has(properties, name));
    }

    /** A content control as what it asks (ISO/IEC 29500-1, 17.5.2; its squares are of a later edition). */
    private static Control field(Element control) {
        Element properties = first(control, "sdtPr");
        String label = value(properties, "alias").strip();
        String name = value(properties, "tag").strip();
        if (label.isEmpty() && has(properties, "showingPlcHdr")) {
            label = words(first(control, "sdtContent")).strip();
        }
        Element list =
                has(properties, "dropDownList") ? first(properties, "dropDownList") : first(properties, "comboBox");
        if (list != null) {
            List<String> choices = new ArrayList<>();
            for (Element item : Elements.in(list)) {
                String stored = attribute(item, "value");
                String told = attribute(item, "displayText");
                if (!stored.isBlank()) {
                    choices.add(told.isBlank() ? stored : told);
                }
            }
            boolean isOpen = "comboBox".equals(list.getLocalName());
            return new Control(isOpen ? Asking.CHOICE_OR_OTHER : Asking.ONE_CHOICE, label, name, choices);
        }
        if (has(properties, "checkbox")) {
            return new Control(Asking.MARK, value(properties, "alias").strip(), name, List.of());
        }
        if (has(properties, "date")) {
            return new Control(Asking.DATE, label, name, List.of());
        }
        if (has(properties, "picture")) {
            return new Control(Asking.PICTURE, label, name, List.of());
        }
        Element text = first(properties, "text");
        boolean isLong = text == null
                ? Elements.in(first(control, "sdtContent")).stream()
                                .filter(each -> "p".equals(each.getLocalName()))
                                .count()
                        > 1
                : isOn(attribute(text, "multiLine"));
        return new Control(isLong ? Asking.LONG_TEXT : Asking.TEXT, label, name, List.of());
    }

    private static boolean isOn(String flag) {
        return flag.equals("1") || flag.equals("true") || flag.equals("on");
    }

    private static Repeated repeated(Element control, List<String> heads) {
        Element content = first(control, "sdtContent");
        Element item = first(content, "sdt");
        List<Control> columns = new ArrayList<>();
        for (Element inner : item == null ? List.<Element>of() : Elements.all(item, "sdt")) {
            Control field = field(inner);
            String head = columns.size() < heads.size() ? heads.get(columns.size()) : "";
            columns.add(new Control(
                    field.kind(), field.label().isEmpty() ? head : field.label(), field.name(), field.choices()));
        }
        return new Repeated(value(first(control, "sdtPr"), "alias"), columns);
    }

    private WordBlock table(Element table) {
        List<List<Cell>> rows = new ArrayList<>();
        boolean hasHeads = false;
        for (Element each : Elements.in(table)) {
            Element properties = first(each, "sdtPr");
            if ("sdt".equals(each.getLocalName()) && has(properties, "repeatingSection")) {
                List<String> heads = rows.isEmpty()
                        ? List.of()
                        : rows.getFirst().stream().map(WordText::of).toList();
                return repeated(each, heads);
            }
            List<Element> lines =
                    "sdt".equals(each.getLocalName()) ? Elements.in(first(each, "sdtContent")) : List.of(each);
            for (Element line : lines) {
                if ("tr".equals(line.getLocalName())) {
                    hasHeads |= rows.isEmpty() && has(first(line, "trPr"), "tblHeader");
                    rows.add(cells(line));
                }
            }
        }
        return new Grid(hasHeads, rows);
    }

    private List<Cell> cells(Element row) {
        List<Cell> cells = new ArrayList<>();
        for (Element each : Elements.in(row)) {
            if ("tc".equals(each.getLocalName())) {
                cell(each, blocks(each), cells);
            } else if ("sdt".equals(each.getLocalName())) {
                for (Element inner : Elements.in(first(each, "sdtContent"))) {
                    if ("tc".equals(inner.getLocalName())) {
                        cell(
                                inner,
                                isField(first(each, "sdtPr"))
                                        ? List.of(new Paragraph(
                                                List.of(new Asked(field(each))), 0, Listing.NONE, 0, false))
                                        : blocks(inner),
                                cells);
                    }
                }
            }
        }
        return cells;
    }

    /** A cell may be several columns wide (ISO/IEC 29500-1, 17.4.17) or several rows high (17.4.84). */
    private static void cell(Element cell, List<WordBlock> blocks, List<Cell> cells) {
        Element properties = first(cell, "tcPr");
        Element merged = first(properties, "vMerge");
        boolean goesOn = merged != null && !"restart".equals(attribute(merged, "val"));
        cells.add(goesOn ? Cell.covered(Cover.ABOVE) : new Cell(blocks));
        int columns = Math.clamp(Elements.number(value(properties, "gridSpan"), 1), 1, MOST_COLUMNS);
        for (int i = 1; i < columns; i++) {
            cells.add(Cell.covered(Cover.BEFORE));
        }
    }

    private Paragraph paragraph(Element paragraph) {
        Element properties = first(paragraph, "pPr");
        int heading = headings.getOrDefault(value(properties, "pStyle"), 0);
        int outline = number(value(properties, "outlineLvl"), 9);
        boolean isRuled = Elements.at(properties, "pBdr", "bottom") != null;
        Element list = first(properties, "numPr");
        int depth = number(value(list, "ilvl"), 0);
        Listing listing =
                list == null ? Listing.NONE : lists.getOrDefault(value(list, "numId") + "/" + depth, Listing.NONE);
        boolean hasLeaders = Elements.in(first(properties, "tabs")).stream()
                .anyMatch(tab -> LEADERS.contains(attribute(tab, "leader")));
        Line line = new Line(hasLeaders);
        line.read(paragraph);
        return new Paragraph(
                WordText.joined(line.pieces), outline < 9 ? outline + 2 : heading, listing, depth, isRuled);
    }

    private static String words(@Nullable Element holder) {
        StringBuilder words = new StringBuilder();
        if (holder != null) {
            Elements.all(holder, "t").forEach(each -> words.append(each.getTextContent()));
        }
        return words.toString();
    }

    /** A line while it is read: complex fields begin in one run and end in another. */
    private static final class Line {

        private final boolean hasLeaders;
        private final List<WordPiece> pieces = new ArrayList<>();
        private final Deque<Open> open = new ArrayDeque<>();

        /** A field that has begun (ISO/IEC 29500-1, 17.16.18). */
        private static final class Open {
            private final StringBuilder code = new StringBuilder();
            private final StringBuilder result = new StringBuilder();
            private final @Nullable Element data;
            private boolean isSeparated;

            Open(@Nullable Element data) {
                this.data = data;
            }
        }

        Line(boolean hasLeaders) {
            this.hasLeaders = hasLeaders;
        }

        void read(Element holder) {
            for (Element each : Elements.in(holder)) {
                switch (each.getLocalName()) {
                    case "r" -> run(each);
                    case "sdt" -> {
                        if (isField(first(each, "sdtPr"))) {
                            pieces.add(new Asked(field(each)));
                        } else {
                            read(Objects.requireNonNullElse(first(each, "sdtContent"), each));
                        }
                    }
                    case "fldSimple" -> merged(attribute(each, "instr"), words(each));
                    case "hyperlink", "ins", "smartTag", "customXml", "moveTo" -> read(each);
                    default -> {
                        // What was struck out, and marks of places.
                    }
                }
            }
        }

        private void run(Element run) {
            Element style = first(run, "rPr");
            boolean isUnderlined = has(style, "u") && !value(style, "u").equals("none");
            for (Element each : Elements.in(run)) {
                switch (each.getLocalName()) {
                    case "fldChar" -> complex(each);
                    case "instrText" -> {
                        if (!open.isEmpty()) {
                            open.peek().code.append(each.getTextContent());
                        }
                    }
                    case "t" -> text(each.getTextContent(), style, isUnderlined);
                    case "tab" -> {
                        if (hasLeaders || isUnderlined) {
                            add(new Room());
                        } else {
                            text("\t", style, false);
                        }
                    }
                    case "br", "cr" -> text("\n", style, false);
                    case "sym" -> {
                        if (SQUARES.contains(attribute(each, "char").toUpperCase(Locale.ROOT))) {
                            add(new Square());
                        }
                    }
                    case "drawing", "pict", "object" -> {
                        if (isSquare(each)) {
                            add(new Square());
                        }
                    }
                    default -> {
                        // Footnotes, marks and the like.
                    }
                }
            }
        }

        private void add(WordPiece piece) {
            if (open.isEmpty()) {
                pieces.add(piece);
            }
        }

        private void text(String text, @Nullable Element style, boolean isUnderlined) {
            if (!open.isEmpty()) {
                if (open.peek().isSeparated) {
                    open.peek().result.append(text);
                }
            } else if (isUnderlined
                    && text.length() > 3
                    && text.replace('\u00a0', ' ').isBlank()) {
                pieces.add(new Room());
            } else {
                pieces.add(new Words(text.replace('\u00a0', ' '), isStyled(style, "b"), isStyled(style, "i")));
            }
        }

        private static boolean isStyled(@Nullable Element style, String name) {
            Element found = first(style, name);
            String flag = attribute(found, "val");
            return found != null && (flag.isEmpty() || isOn(flag));
        }

        private void complex(Element mark) {
            switch (attribute(mark, "fldCharType")) {
                case "begin" -> open.push(new Open(first(mark, "ffData")));
                case "separate" -> {
                    if (!open.isEmpty()) {
                        open.peek().isSeparated = true;
                    }
                }
                case "end" -> {
                    if (!open.isEmpty()) {
                        Open field = open.pop();
                        if (field.data != null) {
                            add(new Asked(legacy(field.data)));
                        } else {
                            merged(field.code.toString(), field.result.toString());
                        }
                    }
                }
                default -> {
                    // No other kind is known.
                }
            }
        }

        /** What would be filled from a table asks (ISO/IEC 29500-1, 17.16.5.35); any other field is what it came to. */
        private void merged(String code, String result) {
            Matcher field = FROM_A_TABLE.matcher(code);
            if (field.matches()) {
                String name = field.group(1).replace("\"", "");
                add(new Asked(Control.text(name.replace('_', ' '), name)));
            } else if (!result.isEmpty()) {
                add(new Words(result, false, false));
            }
        }

        /** A form field of older documents (ISO/IEC 29500-1, 17.16.17). */
        private static Control legacy(Element data) {
            String name = value(data, "name");
            String status = value(data, "statusText");
            String label = status.isBlank() ? value(data, "helpText") : status;
            Element list = first(data, "ddList");
            if (list != null) {
                List<String> choices = new ArrayList<>();
                for (Element each : Elements.in(list)) {
                    if ("listEntry".equals(each.getLocalName())) {
                        choices.add(attribute(each, "val"));
                    }
                }
                return new Control(Asking.ONE_CHOICE, label, name, choices);
            }
            if (has(data, "checkBox")) {
                return new Control(Asking.MARK, label, name, List.of());
            }
            boolean isDate = value(first(data, "textInput"), "type").equals("date");
            return new Control(isDate ? Asking.DATE : Asking.TEXT, label, name, List.of());
        }

        /** A small square or circle that was drawn. */
        private static boolean isSquare(Element drawing) {
            return Elements.all(drawing, "extent").stream()
                    .findFirst()
                    .filter(extent -> {
                        double width = number(attribute(extent, "cx"), 0) / (double) DRAWING_UNITS_OF_A_POINT;
                        double height = number(attribute(extent, "cy"), 0) / (double) DRAWING_UNITS_OF_A_POINT;
                        return width >= 5
                                && width <= 18
                                && Math.abs(width - height) < 4
                                && words(drawing).isBlank();
                    })
                    .isPresent();
        }
    }
}
