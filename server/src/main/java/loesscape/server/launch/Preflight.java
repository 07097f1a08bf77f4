package loesscape.server.launch;

import ch.qos.logback.classic.Level;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.stream.Stream;
import loesscape.server.platform.database.Migrations;
import org.h2.api.ErrorCode;
import org.slf4j.LoggerFactory;

/** What can be wrong before the server starts, each told in one sentence instead of a stack trace. */
public final class Preflight {

    private Preflight() {}

    /** What the secret is used for to open the database. */
    public static final String DATABASE = "database";

    /**
     * Checks port, folder and database, and throws earlier demo data away where that was asked for.
     *
     * @return the secret of the installation
     */
    public static InstallationSecret check(Options options) {
        port(options);
        folder(options.data());
        if (options.reset()) {
            isADemo(options);
        }
        mark(options);
        isNotEmpty(options);
        InstallationSecret secret = InstallationSecret.of(options.data());
        database(options, secret.of(DATABASE));
        forItsOwnerAlone(options);
        if (options.reset()) {
            reset(options);
        }
        return secret;
    }

    /**
     * Brings the tables to the form that this program needs, with a backup of what was there before.
     *
     * @throws LaunchProblem where they are of a newer version
     */
    public static void upgrade(Options options, String password) {
        // Nobody has said yet how much is to be logged; what goes well is not, nor that it knows H2 up to 2.3 only.
        if (LoggerFactory.getLogger("org.flywaydb") instanceof ch.qos.logback.classic.Logger migrations) {
            migrations.setLevel(Level.ERROR);
        }
        try {
            Migrations.run(
                    options.databaseUrl(), password, version -> Backup.beforeUpgrade(options, password, version));
        } catch (Migrations.Newer newer) {
            throw new LaunchProblem(
                    1,
                    "The data in %s were used by a newer Loesscape (%s) Start that one, or restore a backup from before its upgrade."
                            .formatted(options.data(), newer.getMessage()));
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
            if (InstallationSecret.isPosix()) {
                Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
            }
            Files.delete(Files.createTempFile(data, "writable", ".tmp"));
        } catch (IOException e) {
            throw new LaunchProblem(
                    1, "The folder %s cannot be written to; choose another with --data DIR.".formatted(data));
        }
    }

    private static void database(Options options, String password) {
        try (Connection connection = opened(options, password)) {
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

    /** Databases of before November 2026 had no password; they get one. */
    private static Connection opened(Options options, String password) throws SQLException {
        try {
            return DriverManager.getConnection(options.databaseUrl(), "", password);
        } catch (SQLException e) {
            if (e.getErrorCode() != ErrorCode.WRONG_USER_OR_PASSWORD) {
                throw e;
            }
            Connection open = DriverManager.getConnection(options.databaseUrl(), "", "");
            try (Statement statement = open.createStatement()) {
                statement.execute("ALTER USER \"\" SET PASSWORD '%s'".formatted(password));
            }
            return open;
        }
    }

    /** What lies in the folder already may have been made while others could read it. */
    private static void forItsOwnerAlone(Options options) {
        if (!InstallationSecret.isPosix()) {
            return;
        }
        try (Stream<Path> files = Files.list(options.data())) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
            }
        } catch (IOException e) {
            throw new LaunchProblem(
                    1, "The files in %s belong to somebody else; see to their rights.".formatted(options.data()));
        }
    }

    /** A folder in which nothing lies yet becomes that of a demo, so that only what a demo made is ever thrown away. */
    private static void mark(Options options) {
        if (!options.demo() || isMarked(options) || hasDatabase(options)) {
            return;
        }
        try {
            Files.writeString(
                    options.data().resolve(MARK),
                    "What lies here is demo data; ./loesscape demo --reset throws it away.\n");
        } catch (IOException e) {
            throw new LaunchProblem(1, "The folder %s cannot be written to.".formatted(options.data()));
        }
    }

    private static void isADemo(Options options) {
        boolean isUsual = options.data().endsWith(Path.of("data", "demo"));
        if (hasDatabase(options) && !isMarked(options) && !isUsual) {
            throw new LaunchProblem(
                    1,
                    "The data in %s was not made by a demo, so --reset does not throw it away; choose another folder with --data DIR."
                            .formatted(options.data()));
        }
    }

    /** A database of no bytes is what is left of one; it is not taken for a first start. */
    private static void isNotEmpty(Options options) {
        Path file = file(options);
        try {
            if (Files.exists(file) && Files.size(file) == 0 && !options.reset()) {
                throw new LaunchProblem(
                        1,
                        "The database %s is empty, which no Loesscape leaves behind; put a backup in its place (docs/operating.md), or remove it to begin anew."
                                .formatted(file));
            }
        } catch (IOException e) {
            throw new LaunchProblem(1, "The database %s cannot be read.".formatted(file));
        }
    }

    private static Path file(Options options) {
        return options.data().resolve(options.database().getFileName() + ".mv.db");
    }

    private static boolean isMarked(Options options) {
        return Files.exists(options.data().resolve(MARK));
    }

    private static boolean hasDatabase(Options options) {
        return Files.exists(file(options));
    }

    /** The file that says that a folder is of a demo. */
    private static final String MARK = "demo.txt";

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
