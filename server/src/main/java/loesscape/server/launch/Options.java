package loesscape.server.launch;

import java.nio.file.Path;
import java.util.Iterator;
import java.util.List;

/**
 * How the server is started.
 *
 * @param demo whether to offer the demo author and put in the demo data
 * @param reset whether to throw away earlier demo data
 * @param port the port to listen on; 0 for any free one
 * @param address the address to listen on; the machine itself only, unless asked otherwise
 * @param data the folder of the database
 */
public record Options(boolean demo, boolean reset, int port, String address, Path data) {

    private static final int HIGHEST_PORT = 65_535;

    /** Reads the options of {@code demo} and {@code start}. */
    public static Options parse(boolean demo, List<String> arguments) {
        boolean reset = false;
        int port = 8080;
        String address = "127.0.0.1";
        Path data = Path.of("data", demo ? "demo" : "own");
        Iterator<String> rest = arguments.iterator();
        while (rest.hasNext()) {
            String option = rest.next();
            switch (option) {
                case "--reset" -> reset = true;
                case "--port" -> port = port(value(option, rest));
                case "--address" -> address = value(option, rest);
                case "--data" -> data = Path.of(value(option, rest));
                default ->
                    throw new LaunchProblem(
                            2,
                            "“%s” is not an option; known are --port N, --data DIR, --address HOST and, for demo, --reset."
                                    .formatted(option));
            }
        }
        if (reset && !demo) {
            throw new LaunchProblem(2, "--reset is for demo only; start never throws data away.");
        }
        return new Options(demo, reset, port, address, data.toAbsolutePath().normalize());
    }

    private static String value(String option, Iterator<String> rest) {
        if (!rest.hasNext()) {
            throw new LaunchProblem(2, "%s needs a value after it.".formatted(option));
        }
        return rest.next();
    }

    private static int port(String text) {
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

    /** WRITE_DELAY=0: what is acknowledged is on disk (docs/decisions/0003-kept-means-on-disk.md). */
    public String databaseUrl() {
        return "jdbc:h2:file:" + database() + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE";
    }
}
