package loesscape.server.launch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Makes backups while the server runs. Whoever may write into the folder of the data asks for one by a file in it that names
 * where it goes, and finds how it went in another: there is no way to it over the network.
 */
@Component
class BackupRequests {

    static final String ASKED = "backup.wanted";
    static final String DONE = "backup.done";

    private static final Logger LOG = LoggerFactory.getLogger(BackupRequests.class);

    private final DataSource database;
    private final Path data;

    BackupRequests(DataSource database, @Value("${loesscape.data}") Path data) {
        this.database = database;
        this.data = data;
    }

    @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.SECONDS)
    void look() {
        Path asked = data.resolve(ASKED);
        if (!Files.exists(asked)) {
            return;
        }
        try {
            Path file = Path.of(Files.readString(asked).strip());
            Files.delete(asked);
            String said = make(file);
            Path done = Files.writeString(data.resolve(DONE + ".part"), said);
            Files.move(done, data.resolve(DONE), StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            LOG.error("A backup that was asked for was not made", e);
        }
    }

    private String make(Path file) {
        try (Connection connection = database.getConnection()) {
            Backup.write(connection, data, file);
            return "";
        } catch (IOException e) {
            LOG.error("The backup {} was not made", file, e);
            return FileTrouble.words(e);
        } catch (SQLException e) {
            LOG.error("The backup {} was not made", file, e);
            return String.valueOf(e.getMessage());
        }
    }

    /** Asks the server whose data lies in a folder for a backup, and waits for it. */
    static void ask(Path data, Path file) {
        try {
            Files.deleteIfExists(data.resolve(DONE));
            Path asked = Files.writeString(data.resolve(ASKED + ".part"), file.toString());
            Files.move(asked, data.resolve(ASKED), StandardCopyOption.REPLACE_EXISTING);
            for (int seconds = 0; seconds < 600 && !Files.exists(data.resolve(DONE)); seconds++) {
                Thread.sleep(1_000);
            }
            String said = Files.readString(data.resolve(DONE));
            Files.delete(data.resolve(DONE));
            if (!said.isEmpty()) {
                throw new LaunchProblem(1, "The backup was not made: " + said);
            }
        } catch (IOException e) {
            throw new LaunchProblem(1, "The server did not make a backup; its log says why.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new LaunchProblem(1, "The backup was not waited for.");
        }
    }
}
