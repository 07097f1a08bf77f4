package loesscape.formats.export;

import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * The embedded fonts of one PDF. Text is set in Instrument Sans; characters it lacks come from parts of Noto, loaded only
 * when needed; for what none of them has, U+FFFD is drawn, so that a reader sees that something stands there.
 */
final class PdfFonts {

    private final PDDocument document;
    private final Map<ShippedFont, PDFont> loaded = new EnumMap<>(ShippedFont.class);
    private final Map<Integer, Float> widths = new HashMap<>();
    private final Map<Integer, Float> boldWidths = new HashMap<>();

    PdfFonts(PDDocument document) {
        this.document = document;
    }

    private PDFont load(ShippedFont font) throws IOException {
        PDFont known = loaded.get(font);
        if (known == null) {
            TrueTypeFont read = font.read();
            document.registerTrueTypeFontForClosing(read);
            known = PDType0Font.load(document, read, true);
            loaded.put(font, known);
        }
        return known;
    }

    /** A piece of text that one font can draw. */
    record Run(PDFont font, String text) {}

    /** How wide a character is at a size of 1. */
    float width(int character, boolean isBold) throws IOException {
        Map<Integer, Float> known = isBold ? boldWidths : widths;
        Float width = known.get(character);
        if (width == null) {
            float found = 0;
            for (Run run : runs(Character.toString(character), isBold)) {
                found += run.font().getStringWidth(run.text()) / 1000;
            }
            known.put(character, found);
            return found;
        }
        return width;
    }

    /** Text as runs, each drawable with its font. */
    List<Run> runs(String text, boolean isBold) throws IOException {
        List<Run> runs = new ArrayList<>();
        StringBuilder piece = new StringBuilder();
        ShippedFont first = isBold ? ShippedFont.BOLD : ShippedFont.REGULAR;
        ShippedFont current = first;
        for (int character : text.codePoints().toArray()) {
            ShippedFont font = ShippedFont.of(character, first);
            int drawn = font == null ? ShippedFont.REPLACEMENT : character;
            ShippedFont with = font == null ? ShippedFont.LETTERS : font;
            if (with != current && !piece.isEmpty()) {
                runs.add(new Run(load(current), piece.toString()));
                piece.setLength(0);
            }
            current = with;
            piece.appendCodePoint(drawn);
        }
        if (!piece.isEmpty()) {
            runs.add(new Run(load(current), piece.toString()));
        }
        return runs;
    }
}
