package loesscape.server.launch;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import loesscape.server.platform.doors.Facing;

/**
 * How the server is started.
 *
 * @param demo whether to offer the demo author and put in the demo data
 * @param reset whether to throw away earlier demo data
 * @param port the port to listen on; 0 for any free one
 * @param address the address to listen on; the machine itself only, unless asked otherwise
 * @param data the folder of the database
 * @param facing how it faces others
 */
public record Options(boolean demo, boolean reset, int port, String address, Path data, Facing facing) {

    private static final int HIGHEST_PORT = 65_535;

    private static final Set<String> WITH_VALUE = new TreeSet<>(List.of(
            "--port", "--data", "--address", "--public-url", "--behind", "--metrics-port", "--smtp", "--mail-from"));
    private static final Set<String> ALONE =
            new TreeSet<>(List.of("--reset", "--webhooks-anywhere", "--simulated-payments"));

    /** For this machine alone. */
    public Options(boolean demo, boolean reset, int port, String address, Path data) {
        this(demo, reset, port, address, data, demo ? Facing.DEMO : Facing.START);
    }

    /** Reads the options of {@code demo} and {@code start}. */
    public static Options parse(boolean demo, List<String> arguments) {
        Map<String, String> given = new HashMap<>();
        Iterator<String> rest = arguments.iterator();
        while (rest.hasNext()) {
            String option = rest.next();
            if (WITH_VALUE.contains(option)) {
                given.put(option, value(option, rest));
            } else if (ALONE.contains(option)) {
                given.put(option, "");
            } else {
                throw new LaunchProblem(
                        2,
                        "“%s” is not an option; known are %s, %s."
                                .formatted(option, String.join(" …, ", WITH_VALUE), String.join(", ", ALONE)));
            }
        }
        if (given.containsKey("--reset") && !demo) {
            throw new LaunchProblem(2, "--reset is for demo only; start never throws data away.");
        }
        String address = given.getOrDefault("--address", "127.0.0.1");
        Path data = Path.of(given.getOrDefault(
                "--data", Path.of("data", demo ? "demo" : "own").toString()));
        return new Options(
                demo,
                given.containsKey("--reset"),
                port(given.getOrDefault("--port", "8080")),
                address,
                data.toAbsolutePath().normalize(),
                FacingOptions.read(demo ? Facing.DEMO : Facing.START, given, address));
    }

    private static String value(String option, Iterator<String> rest) {
        if (!rest.hasNext()) {
            throw new LaunchProblem(2, "%s needs a value after it.".formatted(option));
        }
        return rest.next();
    }

    static int port(String text) {
        try {
            int port = Integer.parseInt(text);
            if (port >= 0 && port <= HIGHEST_PORT) {
                return port;
            }
        } catch (NumberFormatException e) {
            // Said below, like a number that is no port.
        }
        throw new LaunchProblem(2, "“%s” is not a port; a port is a number up to %d.".formatted(text, HIGHEST_PORT));
    }

    /** The database file without its ending. */
    Path database() {
        return data.resolve("loesscape");
    }

    /**
     * WRITE_DELAY=0: what is acknowledged is written (docs/decisions/0003-kept-means-on-disk.md). RETENTION_TIME: the room of
     * what is no longer wanted is used again after three seconds, as the file is forced to the disk every second
     * (docs/decisions/0016-forced-to-the-disk.md).
     */
    public String databaseUrl() {
        return "jdbc:h2:file:" + database() + ";WRITE_DELAY=0;RETENTION_TIME=3000;DB_CLOSE_ON_EXIT=FALSE";
    }
}
