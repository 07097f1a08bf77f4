package loesscape.formats.paper;

import java.io.IOException;
import java.text.Bidi;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jspecify.annotations.Nullable;

/** Letters on sheets: lines of both directions, each sign in the first of our fonts that has it. */
final class SheetLetters {

    private static final int UNKNOWN = 0xFFFD;

    /** Characters below this one are met most; the widths of others are asked for each time. */
    private static final int MOST_MET = 0x2100;

    private final PDDocument document;
    private final LentFonts lent;
    private final Map<ShippedFont, PDType0Font> fonts = new EnumMap<>(ShippedFont.class);

    /** Of single letters, plain and bold; 0 where it is not known yet. */
    private final double[][] widths = new double[2][MOST_MET];

    SheetLetters(PDDocument document, LentFonts lent) {
        this.document = document;
        this.lent = lent;
    }

    /** Signs of one font, in the order in which they stand on paper. */
    private record Piece(ShippedFont font, String text) {}

    /** A line as it stands on paper. */
    record SetLine(List<Piece> pieces, double width, boolean isRightToLeft) {}

    /**
     * A line of text.
     *
     * @return its width is that of letters of one point
     */
    SetLine line(String text, boolean isBold) throws IOException {
        if (text.isEmpty()) {
            return new SetLine(List.of(), 0, false);
        }
        if (!Bidi.requiresBidi(text.toCharArray(), 0, text.length())) {
            List<Piece> pieces = new ArrayList<>();
            pieces(text, isBold, pieces);
            return new SetLine(pieces, width(text, isBold), false);
        }
        Bidi bidi = new Bidi(text, Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT);
        int count = bidi.getRunCount();
        byte[] levels = new byte[count];
        String[] runs = new String[count];
        TextDirection direction = new TextDirection();
        for (int i = 0; i < count; i++) {
            levels[i] = (byte) bidi.getRunLevel(i);
            String run = text.substring(bidi.getRunStart(i), bidi.getRunLimit(i));
            runs[i] = levels[i] % 2 == 0 ? run : direction.reorderRTLTextToLTR(direction.shapeText(run));
        }
        Bidi.reorderVisually(levels, 0, runs, 0, count);
        List<Piece> pieces = new ArrayList<>();
        for (String run : runs) {
            pieces(run, isBold, pieces);
        }
        double width = 0;
        for (Piece piece : pieces) {
            width += font(piece.font()).getStringWidth(piece.text()) / 1000;
        }
        return new SetLine(pieces, width, !bidi.baseIsLeftToRight());
    }

    /** How wide a text is in letters of one point, its letters one by one: nothing stands closer for what is beside it. */
    double width(String text, boolean isBold) throws IOException {
        double width = 0;
        for (int i = 0; i < text.length(); ) {
            int character = text.codePointAt(i);
            i += Character.charCount(character);
            if (isShown(character)) {
                width += letter(character, isBold);
            }
        }
        return width;
    }

    private double letter(int character, boolean isBold) throws IOException {
        double[] known = widths[isBold ? 1 : 0];
        if (character < known.length && known[character] > 0) {
            return known[character];
        }
        ShippedFont found = ShippedFont.of(character);
        double letter =
                font(weighing(found, isBold)).getStringWidth(Character.toString(found == null ? UNKNOWN : character))
                        / 1000.0;
        if (character < known.length) {
            known[character] = letter;
        }
        return letter;
    }

    private static boolean isShown(int character) {
        return character >= ' ' && Character.getType(character) != Character.FORMAT;
    }

    private static ShippedFont weighing(@Nullable ShippedFont found, boolean isBold) {
        ShippedFont font = found == null ? ShippedFont.LETTERS : found;
        return isBold ? font.bold() : font;
    }

    private static void pieces(String run, boolean isBold, List<Piece> pieces) {
        StringBuilder open = new StringBuilder();
        ShippedFont font = null;
        for (int character : run.codePoints().toArray()) {
            if (!isShown(character)) {
                continue;
            }
            ShippedFont found = ShippedFont.of(character);
            ShippedFont next = weighing(found, isBold);
            if (next != font && !open.isEmpty() && font != null) {
                pieces.add(new Piece(font, open.toString()));
                open.setLength(0);
            }
            font = next;
            open.appendCodePoint(found == null ? UNKNOWN : character);
        }
        if (font != null && !open.isEmpty()) {
            pieces.add(new Piece(font, open.toString()));
        }
    }

    private PDType0Font font(ShippedFont font) throws IOException {
        PDType0Font known = fonts.get(font);
        if (known == null) {
            known = PDType0Font.load(document, lent.of(font), true);
            fonts.put(font, known);
        }
        return known;
    }

    /** Writes a line from a point of its baseline, in points. */
    void write(PDPageContentStream drawing, SetLine line, double size, double x, double y) throws IOException {
        drawing.beginText();
        drawing.newLineAtOffset((float) x, (float) y);
        for (Piece piece : line.pieces()) {
            drawing.setFont(font(piece.font()), (float) size);
            drawing.showText(piece.text());
        }
        drawing.endText();
    }
}
