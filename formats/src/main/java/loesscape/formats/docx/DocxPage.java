package loesscape.formats.docx;

import java.util.Locale;
import java.util.function.Consumer;
import loesscape.core.model.Field;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import loesscape.formats.paper.PaintedPicture;
import org.jspecify.annotations.Nullable;

/** What lies on pages: paragraphs, runs of words in one style, pictures, tables. Measures are in twentieths of a point. */
final class DocxPage {

    /** The room at both sides: 20 mm. */
    static final int MARGIN = 1134;

    private static final int CELL_MARGIN = 108;
    private static final int UNITS_OF_A_MILLIMETRE = 36_000;

    private final DocxFile file;
    private final PageSettings settings;
    private int drawings;

    DocxPage(DocxFile file, PageSettings settings) {
        this.file = file;
        this.settings = settings;
    }

    /** How words look. */
    record Ink(boolean bold, boolean italic, Look.@Nullable Colours colours, String style) {

        static final Ink PLAIN = new Ink(false, false, null, "");

        static final Ink PALE = new Ink(false, false, null, "PlaceholderText");

        static Ink of(Look look) {
            return new Ink(
                    look.bold(),
                    look.italic(),
                    look.colours() != null ? look.colours() : look.shade().colours(),
                    "");
        }
    }

    boolean isRightToLeft() {
        return settings.isRightToLeft();
    }

    /** From margin to margin. */
    int width() {
        return paperWidth() - 2 * MARGIN;
    }

    int paperWidth() {
        return switch (settings.paper()) {
            case A4 -> 11_906;
            case LETTER -> 12_240;
        };
    }

    int paperHeight() {
        return switch (settings.paper()) {
            case A4 -> 16_838;
            case LETTER -> 15_840;
        };
    }

    /** A paragraph of a style. */
    DocxElement paragraph(DocxElement in, String style) {
        return paragraph(in, style, false);
    }

    /** @param isTrailing whether it stands at the far end of the line */
    DocxElement paragraph(DocxElement in, String style, boolean isTrailing) {
        DocxElement paragraph = in.in("w:p");
        DocxElement properties = paragraph.in("w:pPr");
        properties.in("w:pStyle", style);
        if (isRightToLeft()) {
            properties.in("w:bidi");
        }
        if (isTrailing) {
            // In text from right to left it is the left side that is called right (ISO/IEC 29500-4, 9.10.4.1).
            properties.in("w:jc", "right");
        }
        return paragraph;
    }

    /** The line of a signature, no longer than what is written on it. */
    DocxElement signatureLine(DocxElement in, Field.Width width) {
        return paragraph(in, width == Field.Width.FULL ? "ShortSignatureLine" : "SignatureLine");
    }

    /** Words in a paragraph or a content control; each of their lines on one of its own. */
    void run(DocxElement in, String text, Ink ink) {
        if (text.isEmpty()) {
            return;
        }
        DocxElement run = in.in("w:r");
        style(run.in("w:rPr"), ink);
        String[] lines = text.replace("\r\n", "\n").replace('\r', '\n').split("\n", -1);
        for (int i = 0; i < lines.length; i++) {
            if (i > 0) {
                run.in("w:br");
            }
            String[] stops = lines[i].split("\t", -1);
            for (int j = 0; j < stops.length; j++) {
                if (j > 0) {
                    run.in("w:tab");
                }
                if (!stops[j].isEmpty()) {
                    run.in("w:t").with("xml:space", "preserve").say(stops[j]);
                }
            }
        }
    }

    /** Words in English, whatever the language of the document. */
    void english(DocxElement in, String text) {
        DocxElement run = in.in("w:r");
        run.in("w:rPr").in("w:lang", "en-GB");
        run.in("w:t").with("xml:space", "preserve").say(text);
    }

    private void style(DocxElement properties, Ink ink) {
        if (!ink.style().isEmpty()) {
            properties.in("w:rStyle", ink.style());
        }
        if (ink.bold()) {
            properties.in("w:b");
            properties.in("w:bCs");
        }
        if (ink.italic()) {
            properties.in("w:i");
            properties.in("w:iCs");
        }
        if (ink.colours() != null) {
            properties.in("w:color", colour(ink.colours().text()));
            properties
                    .in("w:shd", "clear")
                    .with("w:color", "auto")
                    .with("w:fill", colour(ink.colours().fill()));
        }
        if (isRightToLeft()) {
            properties.in("w:rtl");
        }
    }

    /** {@code #rrggbb} as this format writes it. */
    static String colour(String colour) {
        return colour.replace("#", "").toUpperCase(Locale.ROOT);
    }

    /** A field that the word processor works out, such as the number of the page. */
    void workedOut(DocxElement in, String code) {
        in.in("w:fldSimple")
                .with("w:instr", " " + code + " ")
                .in("w:r")
                .in("w:t")
                .say("1");
    }

    /**
     * A picture in a line, at its own proportions within some millimetres.
     *
     * @param part in which part of the file it stands
     * @param words what it shows
     */
    void picture(DocxElement paragraph, PaintedPicture picture, int widest, int highest, String words, String part) {
        String id = file.picture(picture, part);
        double scale = Math.min(widest / (double) picture.width(), highest / (double) picture.height());
        long across = Math.round(picture.width() * scale * UNITS_OF_A_MILLIMETRE);
        long down = Math.round(picture.height() * scale * UNITS_OF_A_MILLIMETRE);
        int number = ++drawings;
        DocxElement inline = paragraph
                .in("w:r")
                .in("w:drawing")
                .in("wp:inline")
                .with("distT", 0)
                .with("distB", 0)
                .with("distL", 0)
                .with("distR", 0);
        inline.in("wp:extent").with("cx", across).with("cy", down);
        inline.in("wp:docPr")
                .with("id", number)
                .with("name", "Picture " + number)
                .with("descr", words);
        DocxElement drawn = inline.in("a:graphic")
                .in("a:graphicData")
                .with("uri", "http://schemas.openxmlformats.org/drawingml/2006/picture")
                .in("pic:pic");
        DocxElement about = drawn.in("pic:nvPicPr");
        about.in("pic:cNvPr").with("id", number).with("name", "Picture " + number);
        about.in("pic:cNvPicPr");
        DocxElement fill = drawn.in("pic:blipFill");
        fill.in("a:blip").with("r:embed", id);
        fill.in("a:stretch").in("a:fillRect");
        DocxElement shape = drawn.in("pic:spPr");
        DocxElement place = shape.in("a:xfrm");
        place.in("a:off").with("x", 0).with("y", 0);
        place.in("a:ext").with("cx", across).with("cy", down);
        shape.in("a:prstGeom").with("prst", "rect").in("a:avLst");
    }

    /** A table of columns as wide as each other, from margin to margin. */
    DocxElement table(DocxElement in, int columns, boolean isRuled) {
        DocxElement table = in.in("w:tbl");
        DocxElement properties = table.in("w:tblPr");
        if (isRuled) {
            properties.in("w:tblStyle", "Rows");
        }
        if (isRightToLeft()) {
            properties.in("w:bidiVisual");
        }
        properties.in("w:tblW").with("w:w", width()).with("w:type", "dxa");
        if (!isRuled) {
            // Words in cells begin where those outside begin.
            properties.in("w:tblInd").with("w:w", -CELL_MARGIN).with("w:type", "dxa");
        }
        properties.in("w:tblLayout").with("w:type", "fixed");
        DocxElement grid = table.in("w:tblGrid");
        for (int i = 0; i < columns; i++) {
            grid.in("w:gridCol").with("w:w", width() / columns);
        }
        return table;
    }

    /** A row that stays on one page; as a heading it is repeated on each. */
    DocxElement row(DocxElement table, boolean isHeading) {
        DocxElement row = table.in("w:tr");
        DocxElement properties = row.in("w:trPr");
        properties.in("w:cantSplit");
        if (isHeading) {
            properties.in("w:tblHeader");
        }
        return row;
    }

    /** A cell, which must not end without a paragraph. */
    void cell(DocxElement row, int width, int span, String fill, Consumer<DocxElement> content) {
        DocxElement cell = row.in("w:tc");
        DocxElement properties = cell.in("w:tcPr");
        properties.in("w:tcW").with("w:w", width).with("w:type", "dxa");
        if (span > 1) {
            properties.in("w:gridSpan", Integer.toString(span));
        }
        if (!fill.isEmpty()) {
            properties.in("w:shd", "clear").with("w:color", "auto").with("w:fill", fill);
        }
        content.accept(cell);
    }
}
