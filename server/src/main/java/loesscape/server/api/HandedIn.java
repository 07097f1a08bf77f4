package loesscape.server.api;

import java.util.Locale;
import loesscape.core.model.Refused;
import loesscape.server.store.FileStore.Kept;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Files as they come in and go out: bounded, named harmlessly, and never taken for what they only call themselves. */
public final class HandedIn {

    /** The most bytes of one file, and a little more for what goes around it. */
    public static final int LARGEST = loesscape.core.model.FieldKind.Attachment.LARGEST * 1_000_000;

    private static final int LONGEST_NAME = 200;
    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};
    private static final byte[] JPEG = {(byte) 0xff, (byte) 0xd8, (byte) 0xff};

    private HandedIn() {}

    /** The identity of a file that was kept. */
    public record Identity(String id) {}

    /** A file that came in; a picture only where its first bytes are those of one (ISO/IEC 15948; ISO/IEC 10918-1). */
    public static Kept file(String name, byte @Nullable [] content) {
        if (content == null || content.length == 0) {
            throw new Refused(Refused.Cause.NOT_VALID, "The file is empty; choose another.");
        }
        String plain = name.replaceAll("[\\p{Cntrl}/\\\\]+", " ").strip();
        String shortened = plain.length() > LONGEST_NAME ? plain.substring(plain.length() - LONGEST_NAME) : plain;
        if (shortened.isEmpty()) {
            throw new Refused(Refused.Cause.NOT_VALID, "The file has no name; give it one.");
        }
        return new Kept(shortened, media(shortened.toLowerCase(Locale.ROOT), content), content);
    }

    private static String media(String name, byte[] content) {
        if (begins(content, PNG)) {
            return MediaType.IMAGE_PNG_VALUE;
        }
        if (begins(content, JPEG)) {
            return MediaType.IMAGE_JPEG_VALUE;
        }
        if (name.endsWith(".png") || name.endsWith(".jpg") || name.endsWith(".jpeg")) {
            throw new Refused(
                    Refused.Cause.NOT_VALID, "“%s” is not a PNG or JPEG picture; choose another.".formatted(name));
        }
        return MediaType.APPLICATION_OCTET_STREAM_VALUE;
    }

    private static boolean begins(byte[] content, byte[] with) {
        return content.length >= with.length && java.util.Arrays.equals(content, 0, with.length, with, 0, with.length);
    }

    /** A file that goes out: a picture to be looked at, all else to be saved. */
    public static ResponseEntity<byte[]> answer(Kept file) {
        boolean picture = file.media().startsWith("image/");
        ContentDisposition how = (picture ? ContentDisposition.inline() : ContentDisposition.attachment())
                .filename(file.name(), java.nio.charset.StandardCharsets.UTF_8)
                .build();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, how.toString())
                .header(HttpHeaders.CACHE_CONTROL, "private, no-store")
                .header("X-Content-Type-Options", "nosniff")
                .contentType(MediaType.parseMediaType(file.media()))
                .body(file.content());
    }
}
