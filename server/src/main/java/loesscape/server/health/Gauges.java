package loesscape.server.health;

import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import java.nio.file.Path;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What is measured of this program beside what is of every program: what waits, how large the data are, what room is left. */
@Component
class Gauges {

    private static final Map<String, String> WAITING = Map.of(
            "mail", "SELECT count(*) FROM outside_mail WHERE next_try IS NOT NULL",
            "webhooks", "SELECT count(*) FROM webhook_delivery WHERE next_try IS NOT NULL",
            "seals", "SELECT count(*) FROM dispatch WHERE seal_next IS NOT NULL",
            "stamps", "SELECT count(*) FROM turn_snapshot WHERE stamp_next IS NOT NULL");

    Gauges(MeterRegistry registry, JdbcClient database, @Value("${loesscape.data}") Path data) {
        WAITING.forEach((what, sql) -> Gauge.builder("loesscape.waiting", () -> count(database, sql))
                .tag("what", what)
                .description("What is done of itself, and was not done yet")
                .register(registry));
        Gauge.builder(
                        "loesscape.dispatches.under.way",
                        () -> count(database, "SELECT count(*) FROM dispatch WHERE status = 'UNDER_WAY'"))
                .register(registry);
        Gauge.builder(
                        "loesscape.data.bytes",
                        () -> data.resolve("loesscape.mv.db").toFile().length())
                .baseUnit("bytes")
                .register(registry);
        Gauge.builder("loesscape.disk.left", () -> data.toFile().getUsableSpace())
                .baseUnit("bytes")
                .register(registry);
    }

    private static double count(JdbcClient database, String sql) {
        return database.sql(sql).query(Long.class).single();
    }
}
