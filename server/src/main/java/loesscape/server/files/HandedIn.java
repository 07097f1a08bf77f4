package loesscape.server.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.Arrays;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import loesscape.core.model.Refused;
import loesscape.server.platform.database.Spool;
import loesscape.server.platform.web.BodyLimit;
import loesscape.server.platform.web.Problems;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;

/** Files as they come in and go out: bounded, named harmlessly, and never taken for what they only call themselves. */
@Component
public class HandedIn {

    /** The most bytes of one file, and a little more for what goes around it. */
    public static final int LARGEST = BodyLimit.LARGEST_FILE;

    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};
    private static final byte[] JPEG = {(byte) 0xff, (byte) 0xd8, (byte) 0xff};

    /** How many can come in at once; more would only make each slower. */
    private static final int MOST_AT_ONCE = 16;

    private static final Duration PATIENCE = Duration.ofSeconds(5);

    private final Spool spool;
    private final Semaphore room = new Semaphore(MOST_AT_ONCE);

    HandedIn(Spool spool) {
        this.spool = spool;
    }

    /** The identity of a file that was kept. */
    public record Identity(String id) {}

    /**
     * Takes a file that comes in, and keeps it somehow; a picture only where its first bytes are those of one (ISO/IEC 15948;
     * ISO/IEC 10918-1).
     *
     * @throws Problems.Busy where too many come in at once
     */
    public Identity take(String name, InputStream content, Function<FileStore.Incoming, String> keep)
            throws IOException {
        String shortened = FileNames.plain(name);
        if (shortened.isEmpty()) {
            throw new Refused(Refused.Cause.NOT_VALID, "The file has no name; give it one.");
        }
        if (!entered()) {
            throw new Problems.Busy("Many files are coming in at once; try again in a moment.", PATIENCE);
        }
        try (Spool.Passing passing = spool.take(content)) {
            if (passing.bytes() == 0) {
                throw new Refused(Refused.Cause.NOT_VALID, "The file is empty; choose another.");
            }
            String media = media(shortened.toLowerCase(Locale.ROOT), passing.beginning());
            return new Identity(keep.apply(new FileStore.Incoming(shortened, media, passing)));
        } finally {
            room.release();
        }
    }

    private boolean entered() {
        try {
            return room.tryAcquire(PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
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
        return content.length >= with.length && Arrays.equals(content, 0, with.length, with, 0, with.length);
    }

    /** A file that goes out: a picture to be looked at, all else to be saved. */
    public static ResponseEntity<Resource> answer(FileStore.Outgoing file) {
        boolean picture = file.media().startsWith("image/");
        ContentDisposition how = (picture ? ContentDisposition.inline() : ContentDisposition.attachment())
                .filename(file.name(), StandardCharsets.UTF_8)
                .build();
        InputStream content;
        try {
            content = Files.newInputStream(file.at(), StandardOpenOption.DELETE_ON_CLOSE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, how.toString())
                .header(HttpHeaders.CACHE_CONTROL, "private, no-store")
                .header("X-Content-Type-Options", "nosniff")
                .contentType(MediaType.parseMediaType(file.media()))
                .contentLength(file.bytes())
                .body(new InputStreamResource(content));
    }
}
