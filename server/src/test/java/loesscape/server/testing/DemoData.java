package loesscape.server.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;
import loesscape.server.Loesscape;
import loesscape.server.launch.Options;
import loesscape.server.platform.clock.ServerClock;
import loesscape.server.platform.doors.Facing;
import org.jspecify.annotations.Nullable;

/** The demo data, made once by a server of their own: making them takes longer than most tests. */
final class DemoData {

    /** What a server puts there by itself, and would only have to be copied. */
    private static final String RESERVE = "reserve";

    private static @Nullable Path made;

    private DemoData() {}

    /** Copies the data into a folder in which no server runs yet. */
    static void into(Path folder) throws IOException {
        Path from = made();
        try (Stream<Path> files = Files.walk(from)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                if (!file.getFileName().toString().equals(RESERVE)) {
                    Path copy = folder.resolve(from.relativize(file));
                    Files.createDirectories(copy.getParent());
                    Files.copy(file, copy, java.nio.file.StandardCopyOption.COPY_ATTRIBUTES);
                }
            }
        }
    }

    private static synchronized Path made() throws IOException {
        Path known = made;
        if (known == null) {
            known = Files.createTempDirectory("loesscape-demo");
            Loesscape.serve(
                            new Options(true, false, 0, "127.0.0.1", known, Facing.DEMO),
                            new ServerClock(new SettableClock()))
                    .close();
            Path folder = known;
            Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(folder)));
            made = known;
        }
        return known;
    }

    private static void delete(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
