package loesscape.server.health;

import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Whether the database can be read, and how much there is in it of what is watched. */
@Repository
class HealthStore {

    /** Counts of what is done of itself, and was not done yet, by what it is. */
    static final Map<String, String> WAITING = Map.of(
            "mail", "SELECT count(*) FROM outside_mail WHERE next_try IS NOT NULL",
            "webhooks", "SELECT count(*) FROM webhook_delivery WHERE next_try IS NOT NULL",
            "seals", "SELECT count(*) FROM dispatch WHERE seal_next IS NOT NULL",
            "stamps", "SELECT count(*) FROM turn_snapshot WHERE stamp_next IS NOT NULL");

    static final String UNDER_WAY = "SELECT count(*) FROM dispatch WHERE status = 'UNDER_WAY'";

    private final JdbcClient database;

    HealthStore(JdbcClient database) {
        this.database = database;
    }

    /** What one of the counts above gives. */
    double count(String sql) {
        return database.sql(sql).query(Long.class).single();
    }

    boolean canRead() {
        try {
            return database.sql("SELECT 1").query(Integer.class).single() == 1;
        } catch (RuntimeException e) {
            return false;
        }
    }
}
