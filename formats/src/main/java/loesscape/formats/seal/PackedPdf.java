package loesscape.formats.seal;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.zip.Inflater;
import java.util.zip.InflaterInputStream;

/**
 * Looks at how much a PDF file unpacks to before anything unpacks it: a few bytes of a stream (ISO 32000-2, 7.3.8) can stand
 * for gigabytes, and those of an object stream (7.5.7) for millions of objects. Whatever begins like a stream is counted,
 * whatever its dictionary says of it, and so is what is packed in it once more.
 */
public final class PackedPdf {

    /** What all streams may unpack to, in bytes: what a signed document holds of files, many times. */
    private static final long MOST = 400_000_000;

    /** What streams of objects may unpack to, in bytes. */
    private static final long MOST_OF_OBJECTS = 8_000_000;

    /** How many arrays and dictionaries there may be. */
    private static final int MOST_OBJECTS = 500_000;

    private static final int DEEPEST = 3;
    private static final int LONGEST_NAME = 40;

    /** Ways of packing that are not counted here; no document that was signed here is packed like that. */
    private static final Set<String> UNKNOWN = Set.of(
            "LZWDecode",
            "LZW",
            "ASCII85Decode",
            "A85",
            "ASCIIHexDecode",
            "AHx",
            "RunLengthDecode",
            "RL",
            "Crypt",
            "Encrypt");

    private final byte[] pdf;
    private long unpacked;
    private long ofObjects;
    private int objects;

    private final boolean alone;

    private PackedPdf(byte[] pdf, boolean alone) {
        this.pdf = pdf;
        this.alone = alone;
    }

    /**
     * Looks at a file.
     *
     * @throws TooMuch where it unpacks to more than is looked at, or is packed in a way that cannot be told
     */
    static void check(byte[] pdf) throws TooMuch {
        new PackedPdf(pdf, true).check();
    }

    /**
     * Looks at what is packed in the usual way, where all else is counted by others.
     *
     * @throws TooMuch where it unpacks to more than is looked at
     */
    public static void checkUsual(byte[] pdf) throws TooMuch {
        new PackedPdf(pdf, false).check();
    }

    /** A file is not unpacked; the message says why. */
    public static final class TooMuch extends IOException {

        private static final long serialVersionUID = 1;

        TooMuch(String message) {
            super(message);
        }
    }

    private static final String PACKED = "This file unpacks to so much that it is not looked into.";
    private static final String OTHERWISE = "This file is packed or encrypted in a way that is not looked into here.";

    private void check() throws TooMuch {
        int dictionary = 0;
        for (int at = 0; at < pdf.length; at++) {
            switch (pdf[at]) {
                case '/' -> {
                    if (alone && UNKNOWN.contains(name(at + 1))) {
                        throw new TooMuch(OTHERWISE);
                    }
                }
                case '<', '[' -> count(1);
                case 's' -> {
                    if (isStream(at)) {
                        unpack(at + STREAM.length, isOfObjects(dictionary, at));
                        dictionary = at;
                    }
                }
                default -> {}
            }
        }
    }

    private static final byte[] STREAM = "stream".getBytes(StandardCharsets.US_ASCII);

    private boolean isStream(int at) {
        return at + STREAM.length < pdf.length
                && Arrays.equals(pdf, at, at + STREAM.length, STREAM, 0, STREAM.length)
                && !(at >= 3 && pdf[at - 1] == 'd' && pdf[at - 2] == 'n' && pdf[at - 3] == 'e');
    }

    /** Whether the dictionary in front of a stream has what those of object streams have. */
    private boolean isOfObjects(int from, int to) {
        for (int at = from; at < to; at++) {
            if (pdf[at] == '/' && name(at + 1).equals("First")) {
                return true;
            }
        }
        return false;
    }

    /** A name (7.3.5), with what is written by numbers in it. */
    private String name(int from) {
        StringBuilder name = new StringBuilder();
        for (int at = from; at < pdf.length && name.length() <= LONGEST_NAME; at++) {
            int next = pdf[at] & 0xff;
            if (next <= ' ' || "()<>[]{}/%".indexOf(next) >= 0) {
                break;
            }
            if (next == '#' && at + 2 < pdf.length) {
                int high = Character.digit(pdf[at + 1], 16);
                int low = Character.digit(pdf[at + 2], 16);
                if (high >= 0 && low >= 0) {
                    next = 16 * high + low;
                    at += 2;
                }
            }
            name.append((char) next);
        }
        return name.toString();
    }

    private void count(int more) throws TooMuch {
        objects += more;
        if (objects > MOST_OBJECTS) {
            throw new TooMuch(PACKED);
        }
    }

    /** Counts what comes of a stream, as far as it can be unpacked at all, and of what is packed in that once more. */
    private void unpack(int from, boolean isOfObjects) throws TooMuch {
        int at = from;
        while (at < pdf.length && pdf[at] <= ' ') {
            at++;
        }
        for (int depth = 1; depth <= DEEPEST + 1; depth++) {
            if (!unpacksTo(new ByteArrayInputStream(pdf, at, pdf.length - at), isOfObjects, depth)) {
                return;
            }
        }
        throw new TooMuch(OTHERWISE);
    }

    /** Counts what comes of unpacking so many times; tells whether anything does. */
    private boolean unpacksTo(InputStream packed, boolean isOfObjects, int depth) throws TooMuch {
        List<Inflater> inflaters = new ArrayList<>();
        long before = unpacked;
        try {
            InputStream whole = packed;
            for (int i = 0; i < depth; i++) {
                whole.skipNBytes(2); // its head, at which nobody looks who unpacks it
                inflaters.add(new Inflater(true));
                whole = new InflaterInputStream(whole, inflaters.getLast());
            }
            byte[] some = new byte[1 << 16];
            for (int count = whole.read(some); count > 0; count = whole.read(some)) {
                took(some, count, isOfObjects);
            }
        } catch (TooMuch tooMuch) {
            throw tooMuch;
        } catch (IOException e) {
            // It is not packed, or not so often; what can be unpacked of it was counted.
        } finally {
            inflaters.forEach(Inflater::end);
        }
        return unpacked > before;
    }

    private void took(byte[] bytes, int count, boolean isOfObjects) throws TooMuch {
        unpacked += count;
        if (unpacked > MOST) {
            throw new TooMuch(PACKED);
        }
        if (isOfObjects) {
            ofObjects += count;
            if (ofObjects > MOST_OF_OBJECTS) {
                throw new TooMuch(PACKED);
            }
            for (int i = 0; i < count; i++) {
                if (bytes[i] == '<' || bytes[i] == '[') {
                    count(1);
                }
            }
        }
    }
}
