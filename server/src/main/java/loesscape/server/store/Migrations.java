package loesscape.server.store;

import org.flywaydb.core.Flyway;

/**
 * Brings the tables of a database to the form this program needs. It happens on connections of its own, before the pool
 * opens any: what H2 makes in a session keeps that session, and stops working when the session is closed while the
 * database stays open (docs/decisions/0011-tables-outlive-connections.md).
 */
public final class Migrations {

    private Migrations() {}

    /**
     * Opens a database, makes and alters its tables where needed, and closes it.
     *
     * @throws org.flywaydb.core.api.FlywayException where the tables are not those of this program
     */
    public static void run(String databaseUrl, String password) {
        Flyway.configure().dataSource(databaseUrl, "", password).load().migrate();
    }
}
