package loesscape.formats.fillable;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import loesscape.formats.paper.ShippedFont;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * The font that fields are written in: the letters of European languages, cut out of a larger font and embedded whole, for
 * nobody knows what will be written. Hebrew and Arabic have fonts of their own.
 */
final class FieldFont {

    private static final List<String> TABLES = List.of(
            "head", "hhea", "hmtx", "maxp", "loca", "glyf", "cmap", "OS/2", "post", "name", "cvt ", "fpgm", "prep");
    private static final int[] SIGNS = {
        0x2013, 0x2014, 0x2018, 0x2019, 0x201C, 0x201D, 0x2022, 0x2026, 0x20AC, 0xB2, 0xB3, 0xFFFD
    };

    private static final Map<ShippedFont, byte[]> CUT = new ConcurrentHashMap<>();

    private FieldFont() {}

    static PDType0Font in(PDDocument document, String language) throws IOException {
        ShippedFont font = switch (language.split("-", 2)[0]) {
            case "he", "yi" -> ShippedFont.HEBREW;
            case "ar", "fa", "ur" -> ShippedFont.ARABIC;
            default -> ShippedFont.LETTERS;
        };
        byte[] cut = CUT.get(font);
        if (cut == null) {
            cut = cut(font);
            CUT.put(font, cut);
        }
        return PDType0Font.load(document, new ByteArrayInputStream(cut), false);
    }

    private static byte[] cut(ShippedFont font) throws IOException {
        TrueTypeFont whole = font.read();
        TTFSubsetter subsetter = new TTFSubsetter(whole, TABLES);
        add(subsetter, 0x20, 0x7E);
        add(subsetter, 0xA0, 0x17F);
        switch (font) {
            case HEBREW -> add(subsetter, 0x5B0, 0x5F4);
            case ARABIC -> add(subsetter, 0x600, 0x6FF);
            default -> {
                add(subsetter, 0x384, 0x3CE);
                add(subsetter, 0x400, 0x45F);
            }
        }
        for (int sign : SIGNS) {
            subsetter.add(sign);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        subsetter.writeToStream(out);
        return out.toByteArray();
    }

    private static void add(TTFSubsetter subsetter, int from, int to) {
        for (int character = from; character <= to; character++) {
            if (Character.isDefined(character)) {
                subsetter.add(character);
            }
        }
    }
}
