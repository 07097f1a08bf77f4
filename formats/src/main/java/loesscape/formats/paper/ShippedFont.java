package loesscape.formats.paper;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.jspecify.annotations.Nullable;

/** The fonts that come with the application for paper, and which characters each of them has. */
public enum ShippedFont {
    SANS("InstrumentSans-Regular", "Sans", false),
    SANS_BOLD("InstrumentSans-SemiBold", "Sans", true),
    SERIF("NotoSerif-Regular", "Serif", false),
    SERIF_BOLD("NotoSerif-Bold", "Serif", true),
    /** Letters of other scripts, and the sign for what cannot be shown. */
    LETTERS("NotoSans-Regular", "Letters", false),
    LETTERS_BOLD("NotoSans-Bold", "Letters", true),
    HEBREW("NotoSansHebrew-Regular", "Hebrew", false),
    HEBREW_BOLD("NotoSansHebrew-Bold", "Hebrew", true),
    ARABIC("NotoNaskhArabic-Regular", "Arabic", false),
    ARABIC_BOLD("NotoNaskhArabic-Bold", "Arabic", true),
    /** Signs of mathematics and arrows: a part of Noto Sans Math. */
    MATHEMATICS("NotoSansMath-Signs", "Mathematics", false),
    /** Boxes and ticks: a part of Noto Sans Symbols 2. */
    SYMBOLS("NotoSansSymbols2-Signs", "Symbols", false);

    /** Where what a font lacks is looked for, in this order. */
    static final List<ShippedFont> OTHERS = List.of(LETTERS, HEBREW, ARABIC, MATHEMATICS, SYMBOLS);

    private static final Map<ShippedFont, byte[]> FILES = new ConcurrentHashMap<>();
    private static final Map<ShippedFont, CmapLookup> CHARACTERS = new EnumMap<>(ShippedFont.class);

    private final String file;
    private final String family;
    private final boolean isBold;

    ShippedFont(String file, String family, boolean isBold) {
        this.file = file;
        this.family = family;
        this.isBold = isBold;
    }

    /** The name by which style sheets ask for it. */
    String family() {
        return family;
    }

    boolean isBold() {
        return isBold;
    }

    /** The same letters, bold where there are such. */
    ShippedFont bold() {
        return switch (this) {
            case SANS, SANS_BOLD -> SANS_BOLD;
            case SERIF, SERIF_BOLD -> SERIF_BOLD;
            case LETTERS, LETTERS_BOLD -> LETTERS_BOLD;
            case HEBREW, HEBREW_BOLD -> HEBREW_BOLD;
            case ARABIC, ARABIC_BOLD -> ARABIC_BOLD;
            case MATHEMATICS -> MATHEMATICS;
            case SYMBOLS -> SYMBOLS;
        };
    }

    /** The font, read anew; {@link LentFonts} lends what was read before. */
    public TrueTypeFont read() throws IOException {
        TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(bytes()));
        // Ligatures have no letters of their own behind them: “finished” would be found and copied as “nished”.
        font.setEnableGsub(false);
        return font;
    }

    /** Its file, unpacked once: all of them together are 3 MB. */
    private byte[] bytes() throws IOException {
        byte[] known = FILES.get(this);
        if (known == null) {
            try (InputStream stream = ShippedFont.class.getResourceAsStream("fonts/" + file + ".ttf")) {
                if (stream == null) {
                    throw new IOException("The font " + file + " does not come with the application");
                }
                known = stream.readAllBytes();
            }
            FILES.put(this, known);
        }
        return known;
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

    /** Whether text can be set with this character: the text's own font or one of those for what it lacks has it. */
    public static boolean canShow(int character) {
        return of(character) != null;
    }

    /** Which font has each of the characters that are met most, once it was asked for. */
    private static final @Nullable ShippedFont[] KNOWN = new ShippedFont[0x2100];

    /** The first font that has a character; null where none has. */
    static @Nullable ShippedFont of(int character) {
        ShippedFont known = character < KNOWN.length ? KNOWN[character] : null;
        if (known == null) {
            known = found(character);
            if (character < KNOWN.length) {
                KNOWN[character] = known;
            }
        }
        return known;
    }

    private static @Nullable ShippedFont found(int character) {
        return SANS.has(character)
                ? SANS
                : OTHERS.stream()
                        .filter(font -> font.has(character))
                        .findFirst()
                        .orElse(null);
    }
}
