package loesscape.formats.paper;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * The files whose pages one document is written on. The next document is often written on the same, many times over where a
 * table is made into documents, so what was read is lent to one after the other, and never to two at once.
 */
public final class LentSheets implements AutoCloseable {

    /** So many files as are written on at once at the most are kept; the last ones that were used. */
    private static final int MOST = Math.clamp(Runtime.getRuntime().availableProcessors(), 1, 4);

    /** Larger files are read anew each time: they would fill the memory. */
    private static final int LARGEST = 4_000_000;

    private static final BlockingQueue<Read> FREE = new ArrayBlockingQueue<>(MOST);

    private final List<Read> lent = new ArrayList<>();

    private record Read(byte[] content, PDDocument document) {

        boolean isOf(byte[] file) {
            return Arrays.equals(content, file);
        }
    }

    /** A file, taken apart; the same each time. It is not to be changed. */
    public PDDocument of(byte[] file) throws IOException {
        for (Read known : lent) {
            if (known.isOf(file)) {
                return known.document();
            }
        }
        Read read = free(file);
        lent.add(read);
        return read.document();
    }

    private static Read free(byte[] file) throws IOException {
        Iterator<Read> free = FREE.iterator();
        while (free.hasNext()) {
            Read next = free.next();
            // Somebody else may have taken it meanwhile.
            if (next.isOf(file) && FREE.remove(next)) {
                return next;
            }
        }
        return new Read(file, Loader.loadPDF(file));
    }

    /** Gives the files to the next, once the document has their pages. */
    @Override
    public void close() throws IOException {
        for (Read read : lent) {
            if (read.content().length > LARGEST) {
                read.document().close();
            } else {
                keep(read);
            }
        }
        lent.clear();
    }

    private static void keep(Read read) throws IOException {
        while (!FREE.offer(read)) {
            Read oldest = FREE.poll();
            if (oldest != null) {
                oldest.document().close();
            }
        }
    }
}
