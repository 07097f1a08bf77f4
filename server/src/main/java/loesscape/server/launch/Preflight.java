package loesscape.server.launch;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.stream.Stream;
import org.h2.api.ErrorCode;

/** What can be wrong before the server starts, each told in one sentence instead of a stack trace. */
public final class Preflight {

    private Preflight() {}

    /** Checks port, folder and database, and throws earlier demo data away where that was asked for. */
    public static void check(Options options) {
        port(options);
        folder(options.data());
        database(options);
        if (options.reset()) {
            reset(options);
        }
    }

    private static void port(Options options) {
        try (ServerSocket socket = new ServerSocket(options.port(), 1, InetAddress.getByName(options.address()))) {
            socket.getLocalPort();
        } catch (IOException e) {
            throw new LaunchProblem(
                    1,
                    "Port %d on %s cannot be used (%s); stop what uses it or choose another with --port N."
                            .formatted(options.port(), options.address(), e.getMessage()));
        }
    }

    private static void folder(Path data) {
        try {
            Files.createDirectories(data);
            Files.delete(Files.createTempFile(data, "writable", ".tmp"));
        } catch (IOException e) {
            throw new LaunchProblem(
                    1, "The folder %s cannot be written to; choose another with --data DIR.".formatted(data));
        }
    }

    private static void database(Options options) {
        try (Connection connection = DriverManager.getConnection(options.databaseUrl())) {
            connection.isValid(1);
        } catch (SQLException e) {
            boolean inUse = e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1;
            if (options.reset() && !inUse) {
                return; // What cannot be opened is thrown away.
            }
            throw new LaunchProblem(
                    1,
                    inUse
                            ? "The data in %s is in use by another Loesscape; stop it or choose another folder with --data DIR."
                                    .formatted(options.data())
                            : "The data in %s cannot be opened: %s".formatted(options.data(), e.getMessage()));
        }
    }

    private static void reset(Options options) {
        String prefix = options.database().getFileName().toString() + ".";
        try (Stream<Path> files = Files.list(options.data())) {
            files.filter(file -> file.getFileName().toString().startsWith(prefix))
                    .forEach(Preflight::delete);
        } catch (IOException | UncheckedIOException e) {
            throw new LaunchProblem(1, "The demo data in %s cannot be thrown away.".formatted(options.data()));
        }
    }

    private static void delete(Path file) {
        try {
            Files.delete(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
