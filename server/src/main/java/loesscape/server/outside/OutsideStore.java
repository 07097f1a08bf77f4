package loesscape.server.outside;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What passed between this server and the services outside, and whether they are made to fail. */
@Repository
public class OutsideStore {

    private static final int LONGEST = 1_000;

    private final JdbcClient database;
    private final Clock clock;

    OutsideStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * How a service is set.
     *
     * @param failing whether it refuses everything
     * @param delay after how many milliseconds it answers
     */
    public record Setting(OutsideService service, boolean failing, int delay) {}

    /** Something that passed. */
    public record Passed(OutsideService service, Instant at, String what, boolean failed) {}

    /** How a service is set; usually it works at once. */
    @Transactional(readOnly = true)
    public Setting setting(OutsideService service) {
        return database.sql("SELECT failing, delay FROM outside_service WHERE name = ?")
                .param(service.name())
                .query((row, n) -> new Setting(service, row.getBoolean("failing"), row.getInt("delay")))
                .optional()
                .orElse(new Setting(service, false, 0));
    }

    /** Sets a service. */
    @Transactional
    public void set(Setting setting) {
        database.sql("MERGE INTO outside_service (name, failing, delay) KEY (name) VALUES (?, ?, ?)")
                .params(setting.service().name(), setting.failing(), setting.delay())
                .update();
    }

    /** Keeps that something passed, in the transaction that runs, if one does. */
    @Transactional
    public void passed(OutsideService service, String what, boolean failed) {
        database.sql("INSERT INTO outside_log (service, at, what, failed) VALUES (?, ?, ?, ?)")
                .params(
                        service.name(),
                        OffsetDateTime.now(clock),
                        what.length() > LONGEST ? what.substring(0, LONGEST) : what,
                        failed)
                .update();
    }

    /** What passed last, the newest first. */
    @Transactional(readOnly = true)
    public List<Passed> last(int most) {
        return database.sql("SELECT service, at, what, failed FROM outside_log ORDER BY id DESC LIMIT ?")
                .param(most)
                .query((row, n) -> new Passed(
                        OutsideService.valueOf(row.getString("service")),
                        row.getObject("at", OffsetDateTime.class).toInstant(),
                        row.getString("what"),
                        row.getBoolean("failed")))
                .list();
    }
}
