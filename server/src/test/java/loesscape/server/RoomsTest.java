package loesscape.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * The rooms of the server know those before them only, and SQL is in stores only. It is read from the sources: of a constant
 * of another room nothing is left in the compiled class.
 */
class RoomsTest {

    private static final Path SERVER = Path.of("src/main/java/loesscape/server");

    /** Each room knows those before it. */
    private static final List<String> ROOMS = List.of(
            "platform",
            "accounts",
            "outside",
            "files",
            "templates",
            "records",
            "filling",
            "forms",
            "merging",
            "draft",
            "lookups",
            "signing",
            "retention",
            "health",
            "demo",
            "launch");

    private static final Pattern OTHER = Pattern.compile("loesscape\\.server\\.([a-z]+)\\.");
    private static final Pattern SQL = Pattern.compile("JdbcClient|JdbcTemplate|createStatement|prepareStatement");

    private static List<Path> sources() {
        try (Stream<Path> files = Files.walk(SERVER)) {
            return files.filter(file -> file.toString().endsWith(".java"))
                    .map(SERVER::relativize)
                    .filter(file -> file.getNameCount() > 1)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String text(Path source) {
        try {
            return Files.readString(SERVER.resolve(source));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void aRoomKnowsThoseBeforeItOnly() {
        List<String> wrong = new ArrayList<>();
        for (Path source : sources()) {
            String room = source.getName(0).toString();
            assertThat(ROOMS).as("the room of %s", source).contains(room);
            OTHER.matcher(text(source))
                    .results()
                    .map(it -> it.group(1))
                    .filter(other -> ROOMS.indexOf(other) > ROOMS.indexOf(room))
                    .forEach(other -> wrong.add(source + " knows " + other));
        }
        assertThat(wrong).isEmpty();
        assertThat(sources().stream().map(it -> it.getName(0).toString())).containsAll(ROOMS);
    }

    @Test
    void sqlIsInStoresOnly() {
        List<Path> elsewhere = sources().stream()
                .filter(source -> SQL.matcher(text(source)).find())
                .filter(source -> !source.getFileName().toString().endsWith("Store.java"))
                .filter(source -> !source.startsWith("platform/database"))
                .filter(source -> !source.startsWith("launch")) // Backups and upgrades, before there is a server.
                .toList();
        assertThat(elsewhere).isEmpty();
        assertThat(sources().stream().filter(it -> SQL.matcher(text(it)).find()))
                .hasSizeGreaterThan(20);
    }
}
