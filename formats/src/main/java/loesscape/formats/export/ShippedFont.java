package loesscape.formats.export;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** The fonts that come with the application for PDF files, and which characters each of them has. */
enum ShippedFont {
    REGULAR("InstrumentSans-Regular"),
    BOLD("InstrumentSans-SemiBold"),
    /** Letters of other scripts, and the sign for what cannot be shown. */
    LETTERS("NotoSans-Regular"),
    /** Signs of mathematics and arrows: a part of Noto Sans Math. */
    MATHEMATICS("NotoSansMath-Signs"),
    /** Boxes and ticks: a part of Noto Sans Symbols 2. */
    SYMBOLS("NotoSansSymbols2-Signs");

    /** What stands for a character that none of the fonts has (Unicode Standard, 5.22). */
    static final int REPLACEMENT = 0xFFFD;

    /** Where what a font lacks is looked for, in this order. */
    static final List<ShippedFont> OTHERS = List.of(LETTERS, MATHEMATICS, SYMBOLS);

    private static final Map<ShippedFont, CmapLookup> CHARACTERS = new EnumMap<>(ShippedFont.class);

    private final String file;

    ShippedFont(String file) {
        this.file = file;
    }

    /** The font, read anew: each document keeps one of its own. */
    TrueTypeFont read() throws IOException {
        try (InputStream stream = ShippedFont.class.getResourceAsStream("fonts/" + file + ".ttf")) {
            if (stream == null) {
                throw new IOException("The font " + file + " does not come with the application");
            }
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(stream));
            // Ligatures have no letters of their own behind them: “finished” would be found and copied as “nished”.
            font.setEnableGsub(false);
            return font;
        }
    }

    /** Whether the font has a character. */
    boolean has(int character) {
        synchronized (CHARACTERS) {
            return CHARACTERS.computeIfAbsent(this, ShippedFont::characters).getGlyphId(character) != 0;
        }
    }

    private static CmapLookup characters(ShippedFont font) {
        try {
            return font.read().getUnicodeCmapLookup();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The font for a character: this one, or the first of the others that has it; null where none has. */
    static @org.jspecify.annotations.Nullable ShippedFont of(int character, ShippedFont first) {
        if (first.has(character)) {
            return first;
        }
        return OTHERS.stream().filter(font -> font.has(character)).findFirst().orElse(null);
    }
}
