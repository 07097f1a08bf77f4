package loesscape.server.launch;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/**
 * A backup of an installation: one zip file with the database as it was at one moment and, where it lies in a file, the secret
 * under which it opens. Whoever has the file has all of it; keep it as safe as the data.
 */
public final class Backup {

    private static final String DATABASE = "loesscape.mv.db";
    private static final String SECRET = "secret";

    private Backup() {}

    /** Where the running server puts what it copies of its database, before it goes into the zip file. */
    static Path copy(Path data) {
        return data.resolve("backup.zip");
    }

    /** Copies a database that is open, while others write. */
    static void write(Connection connection, Path data, Path file) throws SQLException, IOException {
        Path copied = copy(data);
        try (Statement statement = connection.createStatement()) {
            statement.execute("BACKUP TO '%s'".formatted(copied.toString().replace("'", "''")));
        }
        Path made = file.resolveSibling(file.getFileName() + ".part");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(made));
                ZipInputStream database = new ZipInputStream(Files.newInputStream(copied))) {
            database.getNextEntry();
            zip.putNextEntry(new ZipEntry(DATABASE));
            database.transferTo(zip);
            zip.closeEntry();
            if (Files.exists(data.resolve(SECRET))) {
                zip.putNextEntry(new ZipEntry(SECRET));
                Files.copy(data.resolve(SECRET), zip);
                zip.closeEntry();
            }
        } finally {
            Files.deleteIfExists(copied);
        }
        if (InstallationSecret.isPosix()) {
            Files.setPosixFilePermissions(made, PosixFilePermissions.fromString("rw-------"));
        }
        Files.move(made, file, StandardCopyOption.REPLACE_EXISTING);
    }

    /**
     * Puts a backup into an empty folder, and opens it to see whether it is whole.
     *
     * @return in words what is in it
     */
    static String restore(Path file, Path data) {
        try {
            Files.createDirectories(data);
            try (var there = Files.list(data)) {
                if (there.findAny().isPresent()) {
                    throw new LaunchProblem(
                            1, "The folder %s is not empty; a backup goes into an empty one.".formatted(data));
                }
            }
            unpack(file, data);
            return verified(data);
        } catch (IOException e) {
            throw new LaunchProblem(
                    1, "The backup %s cannot be put into %s: %s.".formatted(file, data, FileTrouble.words(e)));
        }
    }

    private static void unpack(Path file, Path data) throws IOException {
        boolean hasDatabase = false;
        try (ZipInputStream zip = new ZipInputStream(Files.newInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().equals(DATABASE) || entry.getName().equals(SECRET)) {
                    copy(zip, data.resolve(entry.getName()));
                    hasDatabase |= entry.getName().equals(DATABASE);
                }
            }
        }
        if (!hasDatabase) {
            throw new LaunchProblem(1, "The file %s is no backup of Loesscape.".formatted(file));
        }
    }

    private static void copy(InputStream from, Path to) throws IOException {
        try (OutputStream out = Files.newOutputStream(to)) {
            from.transferTo(out);
        }
        if (InstallationSecret.isPosix()) {
            Files.setPosixFilePermissions(to, PosixFilePermissions.fromString("rw-------"));
        }
    }

    private static String verified(Path data) {
        Options options = new Options(false, false, 0, "127.0.0.1", data);
        String password = InstallationSecret.of(data).of(Preflight.DATABASE);
        try (Connection connection = DriverManager.getConnection(options.databaseUrl(), "", password);
                Statement statement = connection.createStatement();
                ResultSet counts = statement.executeQuery(
                        "SELECT (SELECT count(*) FROM template), (SELECT count(*) FROM record), (SELECT count(*) FROM dispatch)")) {
            counts.next();
            return "%d templates, %d records, %d dispatches"
                    .formatted(counts.getInt(1), counts.getInt(2), counts.getInt(3));
        } catch (SQLException e) {
            throw new LaunchProblem(
                    1, "The backup does not open: %s. Is LOESSCAPE_SECRET what it was?".formatted(e.getMessage()));
        }
    }

    /** Keeps what was there before its tables are altered. */
    static void beforeUpgrade(Options options, String password, String version) {
        Path file = options.data().resolve("before-upgrade-from-%s.zip".formatted(version));
        try (Connection connection = DriverManager.getConnection(options.databaseUrl(), "", password)) {
            write(connection, options.data(), file);
        } catch (SQLException e) {
            throw new LaunchProblem(1, "No backup could be made before the upgrade: " + e.getMessage());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
