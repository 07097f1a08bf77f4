package loesscape.server.platform.database;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.h2.mvstore.MVStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Keeps the file of the database from growing while the server runs (docs/decisions/0012-the-file-is-kept-small.md): what
 * little is still wanted of old parts of the file is written anew, a bit at a time, so that their room is used again.
 */
@Component
class Compaction {

    private static final Logger LOG = LoggerFactory.getLogger(Compaction.class);

    /** How much of what is old enough to be written anew is to be in use, in percent. */
    private static final int WANTED_IN_USE = 60;

    private static final int ALL = 100;

    private static final String IN_USE =
            "SELECT setting_value FROM information_schema.settings WHERE setting_name = 'info.CHUNKS_FILL_RATE_RW'";

    /** The most that is written anew at a time, in bytes; it takes some ten milliseconds. */
    private static final int AT_A_TIME = 1024 * 1024;

    private final OneWriter database;

    Compaction(DataSource database) throws SQLException {
        this.database = database.unwrap(OneWriter.class);
    }

    @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.SECONDS)
    void compact() {
        try (Connection connection = database.getConnection()) {
            MVStore file = Forcing.file(connection);
            // What is no longer wanted is written over some seconds later; by then what came after it is on the disk.
            file.sync();
            if (inUse(connection) < WANTED_IN_USE) {
                database.alone(() -> file.compact(ALL, AT_A_TIME));
            }
        } catch (SQLException e) {
            LOG.warn("The file of the database was not compacted; it is tried again", e);
        }
    }

    private static int inUse(Connection connection) throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet setting = statement.executeQuery(IN_USE)) {
            return setting.next() ? setting.getInt(1) : ALL;
        }
    }
}
