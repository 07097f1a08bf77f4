package loesscape.formats.export;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jspecify.annotations.Nullable;

/**
 * The embedded fonts of one PDF. Text is set in Instrument Sans; characters it lacks come from Noto Sans, loaded only
 * when needed; what neither has is drawn as an open box, so that a reader sees that something stands there.
 */
final class PdfFonts {

    private static final String MISSING = "\u25A1";

    private final PDDocument document;
    private final PDFont regular;
    private final PDFont bold;
    private @Nullable PDFont fallback;

    PdfFonts(PDDocument document) throws IOException {
        this.document = document;
        this.regular = load("InstrumentSans-Regular");
        this.bold = load("InstrumentSans-SemiBold");
    }

    private PDFont load(String name) throws IOException {
        try (InputStream file = PdfFonts.class.getResourceAsStream("fonts/" + name + ".ttf")) {
            if (file == null) {
                throw new IOException("The font " + name + " does not come with the application");
            }
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(file));
            // Ligatures have no letters of their own behind them: “finished” would be found and copied as “nished”.
            font.setEnableGsub(false);
            document.registerTrueTypeFontForClosing(font);
            return PDType0Font.load(document, font, true);
        }
    }

    /** A piece of text that one font can draw. */
    record Run(PDFont font, String text) {

        float width(float size) {
            try {
                return font.getStringWidth(text) / 1000 * size;
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        }
    }

    /** Text as runs, each drawable with its font. */
    List<Run> runs(String text, boolean isBold) throws IOException {
        List<Run> runs = new ArrayList<>();
        StringBuilder piece = new StringBuilder();
        PDFont current = isBold ? bold : regular;
        for (int codePoint : text.codePoints().toArray()) {
            String character = Character.toString(codePoint);
            PDFont font = fontFor(character, isBold ? bold : regular);
            if (font == null) {
                character = MISSING;
                font = fontFor(MISSING, isBold ? bold : regular);
            }
            if (font == null) {
                continue;
            }
            if (!font.equals(current) && !piece.isEmpty()) {
                runs.add(new Run(current, piece.toString()));
                piece.setLength(0);
            }
            current = font;
            piece.append(character);
        }
        if (!piece.isEmpty()) {
            runs.add(new Run(current, piece.toString()));
        }
        return runs;
    }

    private @Nullable PDFont fontFor(String character, PDFont first) throws IOException {
        if (draws(first, character)) {
            return first;
        }
        PDFont second = fallback;
        if (second == null) {
            second = load("NotoSans-Regular");
            fallback = second;
        }
        return draws(second, character) ? second : null;
    }

    private static boolean draws(PDFont font, String character) throws IOException {
        try {
            font.encode(character);
            return true;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
