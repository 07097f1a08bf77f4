package loesscape.server.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import loesscape.server.Loesscape;
import loesscape.server.launch.Options;
import loesscape.server.outside.CertificateAuthority;
import loesscape.server.platform.clock.ServerClock;
import loesscape.server.platform.doors.Facing;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * The data of the demo as they are after its first start. They are made once for all classes that run in one go, each of
 * which begins with a copy: making keys of 3,072 bits alone takes seconds.
 */
final class DemoData {

    private static @Nullable Path made;

    private DemoData() {}

    /** Copies them into an empty folder. */
    static void into(Path folder) throws IOException {
        Path from = made();
        try (Stream<Path> files = Files.walk(from)) {
            for (Path file : files.toList()) {
                if (Files.isDirectory(file)) {
                    Files.createDirectories(folder.resolve(from.relativize(file)));
                } else {
                    Files.copy(file, folder.resolve(from.relativize(file)));
                }
            }
        }
    }

    private static synchronized Path made() throws IOException {
        if (made == null) {
            Path folder = Files.createTempDirectory("loesscape-demo");
            Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(folder)));
            Options options = new Options(true, false, 0, "127.0.0.1", folder, Facing.DEMO);
            try (ConfigurableApplicationContext demo = Loesscape.serve(options, new ServerClock(new SettableClock()))) {
                demo.getBean(CertificateAuthority.class).root();
            }
            made = folder;
        }
        return made;
    }

    /** Deletes a folder with all that is in it. */
    static void delete(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            List<Path> all = files.sorted(Comparator.reverseOrder()).toList();
            for (Path file : all) {
                Files.delete(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
