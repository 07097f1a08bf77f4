package loesscape.server.platform.database;

import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Forces what was written to the disk, so that it is there after the power was cut, too. Those who ask for it at the same
 * time share one forcing (docs/decisions/0016-forced-to-the-disk.md).
 */
@Component
public class Forcing {

    private final DataSource database;
    private final Object turn = new Object();
    private long asked;
    private long forced;

    Forcing(DataSource database) {
        this.database = database;
    }

    /** Has the running transaction forced to the disk once it is committed, before anybody is told that it is. */
    public void whenCommitted() {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                force();
            }
        });
    }

    /** Forces all that is committed so far. */
    public void force() {
        long mine;
        synchronized (this) {
            mine = ++asked;
        }
        synchronized (turn) {
            if (forced >= mine) {
                return; // Another has done it since.
            }
            long until;
            synchronized (this) {
                until = asked;
            }
            try (Connection connection = database.getConnection()) {
                file(connection).sync();
                forced = until;
            } catch (SQLException e) {
                throw new IllegalStateException("What was kept could not be forced to the disk", e);
            }
        }
    }

    /** The file of a database. */
    static MVStore file(Connection connection) throws SQLException {
        return ((SessionLocal) connection.unwrap(JdbcConnection.class).getSession())
                .getDatabase()
                .getStore()
                .getMvStore();
    }
}
