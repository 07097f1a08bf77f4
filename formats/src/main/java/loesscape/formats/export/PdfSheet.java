package loesscape.formats.export;

import java.awt.Color;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import loesscape.formats.export.PdfFonts.Run;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.jspecify.annotations.Nullable;

/** Sets text on A4 pages, line by line from the top, with a new page where one is full. Lengths are in points. */
final class PdfSheet implements AutoCloseable {

    static final float MARGIN = 62;
    static final float WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;

    private static final float BOTTOM = 74;
    private static final float LEADING = 1.38f;

    private final PDDocument document;
    private final PdfFonts fonts;
    private @Nullable PDPageContentStream stream;
    private float y;

    PdfSheet(PDDocument document, PdfFonts fonts) {
        this.document = document;
        this.fonts = fonts;
    }

    /** How text is set. */
    record Style(float size, boolean bold, Color color) {

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
            draw(line, style, MARGIN + indent, y + style.size() * (LEADING - 1));
        }
    }

    /** Sets a short text on a filled ground with an edge, where the look of an answer asks for it. */
    void chip(String text, Style style, Color fill, Color edge) throws IOException {
        float padding = 5;
        List<String> lines = lines(text, style, WIDTH - 2 * padding);
        float height = lines.size() * style.lineHeight() + 2 * padding - 3;
        keepTogether(height);
        float widest = 0;
        for (String line : lines) {
            widest = Math.max(widest, width(line, style));
        }
        PDPageContentStream page = page();
        page.setNonStrokingColor(fill);
        page.setStrokingColor(edge);
        page.setLineWidth(0.8f);
        page.addRect(MARGIN, y - height, widest + 2 * padding, height);
        page.fillAndStroke();
        float before = y;
        y -= padding - 2;
        text(text, style, padding, WIDTH - 2 * padding);
        y = before - height;
    }

    /** Draws a signature above a ruled line; a name is written there. */
    void signature(String signed, Style style, Color rule) throws IOException {
        float height = SignatureDrawing.HEIGHT + 4;
        keepTogether(height);
        y -= height;
        PDPageContentStream page = page();
        if (SignatureDrawing.isDrawn(signed)) {
            SignatureDrawing.draw(document, page, signed, MARGIN, y, style.color());
        } else {
            draw(signed, style, MARGIN + 6, y + 10);
        }
        page.setStrokingColor(rule);
        page.setLineWidth(0.8f);
        page.moveTo(MARGIN, y + 4);
        page.lineTo(MARGIN + SignatureDrawing.WIDTH, y + 4);
        page.stroke();
    }

    /** Draws a thin line across. */
    void rule(Color color) throws IOException {
        keepTogether(1);
        PDPageContentStream page = page();
        page.setStrokingColor(color);
        page.setLineWidth(0.6f);
        page.moveTo(MARGIN, y);
        page.lineTo(MARGIN + WIDTH, y);
        page.stroke();
    }

    private void draw(String text, Style style, float x, float baseline) throws IOException {
        PDPageContentStream page = page();
        page.beginText();
        page.setNonStrokingColor(style.color());
        page.newLineAtOffset(x, baseline);
        for (Run run : fonts.runs(text, style.bold())) {
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
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        stream = new PDPageContentStream(document, page);
        y = PDRectangle.A4.getHeight() - MARGIN;
    }

    /** Writes the same small line at the foot of every page, with the page's number. */
    void footers(String text, Style style) throws IOException {
        close();
        int pages = document.getNumberOfPages();
        for (int i = 0; i < pages; i++) {
            try (PDPageContentStream foot = new PDPageContentStream(
                    document, document.getPage(i), PDPageContentStream.AppendMode.APPEND, true, true)) {
                stream = foot;
                draw(text, style, MARGIN, BOTTOM / 2);
                String number = "Page %d of %d".formatted(i + 1, pages);
                draw(number, style, MARGIN + WIDTH - width(number, style), BOTTOM / 2);
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
