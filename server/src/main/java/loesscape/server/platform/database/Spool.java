package loesscape.server.platform.database;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Files on their way in and out stand on disk, beside the database, and not in memory. What was left there when a server
 * stopped is thrown away when it starts.
 */
@Component
public class Spool {

    private static final int BEGINNING = 16;

    private final Path folder;

    Spool(@Value("${loesscape.data}") Path data) {
        this.folder = data.resolve("passing");
        try {
            Files.createDirectories(folder);
            try (Stream<Path> left = Files.list(folder)) {
                for (Path file : left.toList()) {
                    Files.delete(file);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * A file that is passing through.
     *
     * @param beginning its first bytes, by which its kind is told
     * @param digest SHA-256 of its bytes, in hexadecimal
     */
    public record Passing(Path at, long bytes, byte[] beginning, String digest) implements AutoCloseable {

        @Override
        public void close() {
            try {
                Files.deleteIfExists(at);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Takes a stream to its end; its caller closes what comes of it. */
    public Passing take(InputStream from) throws IOException {
        Path file = fresh();
        try {
            DigestInputStream digested = new DigestInputStream(from, MessageDigest.getInstance("SHA-256"));
            long bytes = Files.copy(digested, file, StandardCopyOption.REPLACE_EXISTING);
            byte[] beginning;
            try (InputStream again = Files.newInputStream(file)) {
                beginning = again.readNBytes(BEGINNING);
            }
            return new Passing(
                    file,
                    bytes,
                    Arrays.copyOf(beginning, beginning.length),
                    HexFormat.of().formatHex(digested.getMessageDigest().digest()));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java runtime has SHA-256", e);
        } catch (IOException | RuntimeException e) {
            Files.deleteIfExists(file);
            throw e;
        }
    }

    /** A copy of a stream; its caller sees to it that it is deleted. */
    public Path copy(InputStream from) {
        Path file = fresh();
        try (OutputStream out = Files.newOutputStream(file)) {
            from.transferTo(out);
            return file;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A file as something writes it; its caller sees to it that it is deleted. */
    public Path make(Consumer<OutputStream> writing) {
        Path file = fresh();
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
            writing.accept(out);
            return file;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (RuntimeException e) {
            deleted(file);
            throw e;
        }
    }

    private static void deleted(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Path fresh() {
        try {
            return Files.createTempFile(folder, "file", "");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
