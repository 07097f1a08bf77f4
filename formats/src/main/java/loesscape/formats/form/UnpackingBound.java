package loesscape.formats.form;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import loesscape.formats.form.UnreadableForm.Reason;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.filter.FilterFactory;

/** Counts what the streams of a file unpack to (ISO 32000-2, 7.4), and refuses a file of which that is more than any form has. */
final class UnpackingBound {

    private static final long MOST = 400_000_000;
    private static final int MOST_BETWEEN = 64_000_000;
    private static final int MOST_FILTERS = 4;
    static final long MOST_PIXELS = 40_000_000;
    private static final int MOST_COLUMNS = 1_000_000;
    private static final int MOST_COLOURS = 32;
    private static final int MOST_BITS = 16;

    /** Their size is that of the picture, which stands in its dictionary. */
    private static final Set<String> PICTURES =
            Set.of("DCTDecode", "DCT", "JPXDecode", "CCITTFaxDecode", "CCF", "JBIG2Decode", "Crypt");

    private final Set<COSStream> counted = Collections.newSetFromMap(new IdentityHashMap<>());
    private long left = MOST;

    /** Counts a stream, once. */
    void count(COSStream stream) throws IOException {
        if (!counted.add(stream)) {
            return;
        }
        long pixels = (long) stream.getInt(COSName.WIDTH, 0) * stream.getInt(COSName.HEIGHT, 0);
        if (pixels > MOST_PIXELS || pixels < 0) {
            throw tooMuch();
        }
        List<COSName> filters = filters(stream);
        if (filters.size() > MOST_FILTERS) {
            throw tooMuch();
        }
        byte[] content;
        try (InputStream raw = stream.createRawInputStream()) {
            content = raw.readAllBytes();
        }
        for (int i = 0; i < filters.size(); i++) {
            COSName filter = filters.get(i);
            if (PICTURES.contains(filter.getName())) {
                return;
            }
            checkParameters(stream, i);
            boolean isLast = i == filters.size() - 1;
            Counting out = new Counting(isLast ? OutputStream.nullOutputStream() : new ByteArrayOutputStream(), isLast);
            try {
                FilterFactory.INSTANCE.getFilter(filter).decode(new ByteArrayInputStream(content), out, stream, i);
            } catch (IOException broken) {
                // What cannot be unpacked is no danger; whoever needs it says so.
            }
            if (!isLast) {
                content = ((ByteArrayOutputStream) out.to).toByteArray();
            }
        }
    }

    private static List<COSName> filters(COSStream stream) {
        COSBase filters = stream.getFilters();
        List<COSName> names = new ArrayList<>();
        if (filters instanceof COSName name) {
            names.add(name);
        } else if (filters instanceof COSArray array) {
            array.forEach(each -> {
                if (each instanceof COSName name) {
                    names.add(name);
                }
            });
        }
        return names;
    }

    /** Rows of a picture are kept in memory as long as the parameters say they are (table 8). */
    private static void checkParameters(COSStream stream, int filter) {
        COSBase parameters = stream.getDictionaryObject(COSName.DECODE_PARMS, COSName.DP);
        COSDictionary own = parameters instanceof COSArray array
                ? array.getObject(filter) instanceof COSDictionary it ? it : new COSDictionary()
                : parameters instanceof COSDictionary it ? it : new COSDictionary();
        if (own.getInt(COSName.COLUMNS, 1) > MOST_COLUMNS
                || own.getInt(COSName.COLORS, 1) > MOST_COLOURS
                || own.getInt(COSName.BITS_PER_COMPONENT, 8) > MOST_BITS) {
            throw tooMuch();
        }
    }

    private static UnreadableForm tooMuch() {
        return new UnreadableForm(Reason.TOO_MUCH, "The PDF unpacks to so much that it is not looked into.");
    }

    /** Passes bytes on as long as there are not too many. */
    private final class Counting extends OutputStream {

        private final OutputStream to;
        private final boolean isLast;
        private long passed;

        Counting(OutputStream to, boolean isLast) {
            this.to = to;
            this.isLast = isLast;
        }

        @Override
        public void write(int b) throws IOException {
            pass(1);
            to.write(b);
        }

        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
            pass(length);
            to.write(bytes, from, length);
        }

        private void pass(int more) {
            passed += more;
            left -= more;
            if (left < 0 || (!isLast && passed > MOST_BETWEEN)) {
                throw tooMuch();
            }
        }
    }
}
