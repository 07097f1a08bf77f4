package loesscape.formats.paper;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import org.apache.fontbox.ttf.TrueTypeFont;

/**
 * The fonts of one document while it is written. Reading one takes longer than writing with it, so each is lent to one
 * document after the other, and never to two at once: what reads in a font says not that it may be shared.
 *
 * <pre>{@code
 * try (LentFonts fonts = new LentFonts();
 *         PDDocument document = new PDDocument()) {
 *     …
 *     document.save(out);
 * }
 * }</pre>
 */
public final class LentFonts implements AutoCloseable {

    /** So many documents as are written at once at the most find a font that was read before. */
    private static final int MOST = Math.clamp(Runtime.getRuntime().availableProcessors(), 1, 4);

    private static final Map<ShippedFont, BlockingQueue<TrueTypeFont>> FREE = new EnumMap<>(ShippedFont.class);

    static {
        for (ShippedFont font : ShippedFont.values()) {
            FREE.put(font, new ArrayBlockingQueue<>(MOST));
        }
    }

    private final Map<ShippedFont, TrueTypeFont> lent = new EnumMap<>(ShippedFont.class);

    private static BlockingQueue<TrueTypeFont> free(ShippedFont font) {
        BlockingQueue<TrueTypeFont> free = FREE.get(font);
        if (free == null) {
            throw new IllegalStateException(font.name());
        }
        return free;
    }

    /** A font for this document, the same each time. */
    TrueTypeFont of(ShippedFont font) throws IOException {
        TrueTypeFont known = lent.get(font);
        if (known == null) {
            TrueTypeFont read = free(font).poll();
            known = read == null ? font.read() : read;
            lent.put(font, known);
        }
        return known;
    }

    /** Gives the fonts to the next; the document has to be written, and closed. */
    @Override
    public void close() {
        lent.forEach((font, read) -> {
            if (!free(font).offer(read)) {
                try {
                    read.close();
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            }
        });
        lent.clear();
    }
}
