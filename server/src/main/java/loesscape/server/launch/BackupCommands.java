package loesscape.server.launch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import org.h2.api.ErrorCode;

/** {@code backup} and {@code restore} on the command line. */
public final class BackupCommands {

    private BackupCommands() {}

    private static Path data(List<String> arguments, String command) {
        if (arguments.size() == 1) {
            return Path.of("data", "own").toAbsolutePath().normalize();
        }
        if (arguments.size() == 3 && arguments.get(1).equals("--data")) {
            return Path.of(arguments.get(2)).toAbsolutePath().normalize();
        }
        throw new LaunchProblem(2, "Say which file, and which data: %s FILE.zip [--data DIR]".formatted(command));
    }

    /** Makes a backup of data, whether a server is at work on them or not, and tells that it did. */
    public static String backup(List<String> arguments) {
        Path data = data(arguments, "backup");
        Path file = Path.of(arguments.getFirst()).toAbsolutePath().normalize();
        Options options = new Options(false, false, 0, "127.0.0.1", data);
        if (!Files.exists(data.resolve("loesscape.mv.db"))) {
            throw new LaunchProblem(1, "There are no data in %s; name their folder with --data DIR.".formatted(data));
        }
        String password = InstallationSecret.of(data).of(Preflight.DATABASE);
        try (Connection connection =
                DriverManager.getConnection(options.databaseUrl() + ";IFEXISTS=TRUE", "", password)) {
            Backup.write(connection, data, file);
        } catch (SQLException e) {
            if (e.getErrorCode() != ErrorCode.DATABASE_ALREADY_OPEN_1) {
                throw new LaunchProblem(1, "The data in %s cannot be opened: %s".formatted(data, e.getMessage()));
            }
            BackupRequests.ask(data, file);
        } catch (IOException e) {
            throw new LaunchProblem(1, "The backup %s cannot be written: %s.".formatted(file, FileTrouble.words(e)));
        }
        return "The backup %s is made. Whoever has it can read all of the data; keep it safe.%n".formatted(file);
    }

    /** Puts a backup into an empty folder, opens it, and tells what is in it. */
    public static String restore(List<String> arguments) {
        Path data = data(arguments, "restore");
        Path file = Path.of(arguments.getFirst()).toAbsolutePath().normalize();
        return "Restored into %s: %s.%n".formatted(data, Backup.restore(file, data));
    }
}
