package loesscape.server.platform.database;

import java.util.Arrays;
import java.util.function.Consumer;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationState;

/**
 * Brings the tables of a database to the form this program needs. It happens on connections of its own, before the pool
 * opens any: what H2 makes in a session keeps that session, and stops working when the session is closed while the
 * database stays open (docs/decisions/0011-tables-outlive-connections.md).
 */
public final class Migrations {

    private Migrations() {}

    /** The database was made by a newer version of this program. */
    public static final class Newer extends RuntimeException {

        private static final long serialVersionUID = 1;

        Newer(String version) {
            super("The database has the form %s, which is newer than this program knows.".formatted(version));
        }
    }

    /**
     * Opens a database, makes and alters its tables where needed, and closes it.
     *
     * @param before what is done before tables that are there already are altered: takes the form they have
     * @throws Newer where a newer version of this program has altered them
     */
    public static void run(String databaseUrl, String password, Consumer<String> before) {
        Flyway flyway = Flyway.configure()
                .dataSource(databaseUrl, "", password)
                .ignoreMigrationPatterns("*:future")
                .load();
        MigrationInfo[] all = flyway.info().all();
        Arrays.stream(all)
                .filter(each -> each.getState() == MigrationState.FUTURE_SUCCESS
                        || each.getState() == MigrationState.FUTURE_FAILED)
                .findFirst()
                .ifPresent(newer -> {
                    throw new Newer(String.valueOf(newer.getVersion()));
                });
        MigrationInfo current = flyway.info().current();
        if (current != null && flyway.info().pending().length > 0) {
            before.accept(String.valueOf(current.getVersion()));
        }
        flyway.migrate();
    }
}
