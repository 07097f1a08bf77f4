package loesscape.server.health;

import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** What is measured of this program beside what is of every program: what waits, how large the data are, what room is left. */
@Component
class Gauges {

    Gauges(MeterRegistry registry, HealthStore store, @Value("${loesscape.data}") Path data) {
        HealthStore.WAITING.forEach((what, sql) -> Gauge.builder("loesscape.waiting", () -> store.count(sql))
                .tag("what", what)
                .description("What is done of itself, and was not done yet")
                .register(registry));
        Gauge.builder("loesscape.dispatches.under.way", () -> store.count(HealthStore.UNDER_WAY))
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
}
