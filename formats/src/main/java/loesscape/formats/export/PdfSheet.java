package loesscape.formats.export;

import java.awt.Color;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import loesscape.formats.export.PdfFonts.Run;
import loesscape.formats.export.RecordPdf.Inks;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.util.Matrix;
import org.jspecify.annotations.Nullable;

/**
 * Sets text on pages, line by line from the top, with a new page where one is full; in the direction in which the document
 * is written. Lengths are in points.
 */
final class PdfSheet implements AutoCloseable {

    static final float MARGIN = 62;

    /** How much text leans that is slanted: by the tangent of 12 degrees. */
    private static final float SLANT = 0.21f;

    private static final float BOTTOM = 74;
    private static final float LEADING = 1.38f;

    private final PDDocument document;
    private final PdfFonts fonts;
    private @Nullable PDPageContentStream stream;
    private float y;

    private final PDRectangle paper;
    private final boolean isRightToLeft;

    PdfSheet(PDDocument document, PdfFonts fonts, PageSettings settings) {
        this.document = document;
        this.fonts = fonts;
        this.paper = switch (settings.paper()) {
            case A4 -> PDRectangle.A4;
            case LETTER -> PDRectangle.LETTER;
        };
        this.isRightToLeft = settings.isRightToLeft();
    }

    /** How wide lines are. */
    float width() {
        return paper.getWidth() - 2 * MARGIN;
    }

    /** How text is set. */
    record Style(float size, boolean bold, Color color, boolean italic) {

        Style(float size, boolean bold, Color color) {
            this(size, bold, color, false);
        }

        float lineHeight() {
            return size * LEADING;
        }
    }

    /** Leaves some room, unless a page has just begun. */
    void space(float height) {
        if (stream != null) {
            y -= height;
        }
    }

    /** Begins a new page unless this much room is left. */
    void keepTogether(float height) throws IOException {
        if (stream == null || y - height < BOTTOM) {
            newPage();
        }
    }

    /** The lines of a text at a width; a word wider than that is broken. Every character is looked at once or twice. */
    List<String> lines(String text, Style style, float width) throws IOException {
        List<String> lines = new ArrayList<>();
        for (String paragraph : text.replace("\t", "    ").split("\\R", -1)) {
            StringBuilder line = new StringBuilder();
            float used = 0;
            for (String word : paragraph.split(" ", -1)) {
                float blank = line.isEmpty() ? 0 : fonts.width(' ', style.bold()) * style.size();
                if (fitting(word, 0, style, width - used - blank) == word.length()) {
                    line.append(line.isEmpty() ? "" : " ").append(word);
                    used += blank + width(word, style);
                    continue;
                }
                if (!line.isEmpty()) {
                    lines.add(line.toString());
                    line.setLength(0);
                }
                int from = 0;
                for (int to = fitting(word, from, style, width);
                        to < word.length();
                        to = fitting(word, from, style, width)) {
                    int end = Math.max(to, word.offsetByCodePoints(from, 1));
                    lines.add(word.substring(from, end));
                    from = end;
                }
                line.append(word, from, word.length());
                used = width(line.toString(), style);
            }
            lines.add(line.toString());
        }
        return lines;
    }

    /** The end of what of a text fits into a width. */
    private int fitting(String text, int from, Style style, float width) throws IOException {
        float used = 0;
        int end = from;
        while (end < text.length()) {
            int character = text.codePointAt(end);
            used += fonts.width(character, style.bold()) * style.size();
            if (used > width) {
                break;
            }
            end += Character.charCount(character);
        }
        return end;
    }

    private float width(String text, Style style) throws IOException {
        float width = 0;
        for (int character : text.codePoints().toArray()) {
            width += fonts.width(character, style.bold()) * style.size();
        }
        return width;
    }

    /** Sets a text, as many lines as it takes, on as many pages. */
    void text(String text, Style style, float indent, float width) throws IOException {
        for (String line : lines(text, style, width)) {
            keepTogether(style.lineHeight());
            y -= style.lineHeight();
            draw(line, style, indent, y + style.size() * (LEADING - 1));
        }
    }

    /** Sets a text with a mark before it, on a filled ground with an edge where its colours have one. */
    void looked(String text, Style style, @Nullable Inks inks, Look.Mark mark) throws IOException {
        float padding = inks == null ? 0 : 5;
        float room = mark == Look.Mark.NONE ? 0 : style.size() + 4;
        List<String> lines = lines(text, style, width() - 2 * padding - room);
        float height = lines.size() * style.lineHeight() + 2 * padding - 3;
        keepTogether(height);
        PDPageContentStream page = page();
        // What is longer than a page has no ground: it would be left behind on the first one.
        boolean fits = y - height >= BOTTOM;
        if (inks != null && fits) {
            float widest = 0;
            for (String line : lines) {
                widest = Math.max(widest, width(line, style));
            }
            float wide = widest + room + 2 * padding;
            page.setNonStrokingColor(inks.fill());
            page.setStrokingColor(inks.edge());
            page.setLineWidth(0.8f);
            page.addRect(across(0, wide), y - height, wide, height);
            page.fillAndStroke();
        }
        float before = y;
        y -= inks == null ? 0 : padding - 2;
        if (mark != Look.Mark.NONE) {
            page.setStrokingColor(style.color());
            MarkDrawing.draw(
                    page, mark, across(padding, style.size()), y - style.size() * (LEADING - 1) / 2, style.size());
        }
        text(text, style, padding + room, width() - 2 * padding - room);
        if (fits) {
            y = Math.min(y, before - height);
        }
    }

    /** Where something begins that is so wide, at an indent from where lines begin. */
    private float across(float indent, float wide) {
        return isRightToLeft ? paper.getWidth() - MARGIN - indent - wide : MARGIN + indent;
    }

    /** Draws a signature above a ruled line; a name is written there. */
    void signature(String signed, Style style, Color rule) throws IOException {
        float height = SignatureDrawing.HEIGHT + 4;
        keepTogether(height);
        y -= height;
        PDPageContentStream page = page();
        if (SignatureDrawing.isDrawn(signed)) {
            SignatureDrawing.draw(document, page, signed, across(0, SignatureDrawing.WIDTH), y, style.color());
        } else {
            draw(signed, style, 6, y + 10);
        }
        page.setStrokingColor(rule);
        page.setLineWidth(0.8f);
        float from = across(0, SignatureDrawing.WIDTH);
        page.moveTo(from, y + 4);
        page.lineTo(from + SignatureDrawing.WIDTH, y + 4);
        page.stroke();
    }

    /** Draws a thin line across. */
    void rule(Color color) throws IOException {
        keepTogether(1);
        PDPageContentStream page = page();
        page.setStrokingColor(color);
        page.setLineWidth(0.6f);
        page.moveTo(MARGIN, y);
        page.lineTo(MARGIN + width(), y);
        page.stroke();
    }

    private void draw(String text, Style style, float indent, float baseline) throws IOException {
        PDPageContentStream page = page();
        page.beginText();
        page.setNonStrokingColor(style.color());
        float x = across(indent, width(text, style));
        page.setTextMatrix(new Matrix(1, 0, style.italic() ? SLANT : 0, 1, x, baseline));
        for (Run run : fonts.runs(VisualOrder.of(text, isRightToLeft), style.bold())) {
            page.setFont(run.font(), style.size());
            page.showText(run.text());
        }
        page.endText();
    }

    private PDPageContentStream page() throws IOException {
        if (stream == null) {
            newPage();
        }
        return java.util.Objects.requireNonNull(stream);
    }

    /** Begins a new page. */
    void newPage() throws IOException {
        close();
        PDPage page = new PDPage(paper);
        document.addPage(page);
        stream = new PDPageContentStream(document, page);
        y = paper.getHeight() - MARGIN;
    }

    /** Writes the same small line at the foot of every page, with the page's number. */
    void footers(String text, Style style) throws IOException {
        close();
        int pages = document.getNumberOfPages();
        for (int i = 0; i < pages; i++) {
            try (PDPageContentStream foot = new PDPageContentStream(
                    document, document.getPage(i), PDPageContentStream.AppendMode.APPEND, true, true)) {
                stream = foot;
                draw(text, style, 0, BOTTOM / 2);
                String number = "Page %d of %d".formatted(i + 1, pages);
                draw(number, style, width() - width(number, style), BOTTOM / 2);
            } finally {
                stream = null;
            }
        }
    }

    @Override
    public void close() throws IOException {
        if (stream != null) {
            stream.close();
            stream = null;
        }
    }
}
