package loesscape.server.signing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import loesscape.server.signing.Webhooks.Delivery;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Where the ends of dispatches are told, and what was told, or is to be. */
@Repository
class WebhookStore {

    private final JdbcClient database;
    private final Clock clock;

    WebhookStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * Where ends are told.
     *
     * @param earlier the secret of before, as long as it signs too; null where there is none
     */
    record Webhook(String address, String secret, @Nullable String earlier) {}

    /** Something that is to be told now. */
    record WaitingDelivery(long id, UUID template, UUID delivery, String body, int tries) {}

    Optional<Webhook> find(UUID template) {
        return database.sql("""
                        SELECT address, secret, CASE WHEN earlier_until > ? THEN earlier_secret END AS earlier
                        FROM webhook WHERE template_id = ?
                        """)
                .params(OffsetDateTime.now(clock), template)
                .query((row, n) ->
                        new Webhook(row.getString("address"), row.getString("secret"), row.getString("earlier")))
                .optional();
    }

    void add(UUID template, String address, String secret) {
        database.sql("INSERT INTO webhook (template_id, address, secret) VALUES (?, ?, ?)")
                .params(template, address, secret)
                .update();
    }

    void remove(UUID template) {
        database.sql("DELETE FROM webhook WHERE template_id = ?")
                .param(template)
                .update();
    }

    /** Puts a new secret in place of the one so far, which signs too for a while; false where nothing is told. */
    boolean renew(UUID template, String secret, Duration overlap) {
        return database.sql(
                                "UPDATE webhook SET earlier_secret = secret, earlier_until = ?, secret = ? WHERE template_id = ?")
                        .params(OffsetDateTime.now(clock).plus(overlap), secret, template)
                        .update()
                > 0;
    }

    /** Keeps something to be told. */
    void addDelivery(UUID template, UUID dispatch, String event, String body, UUID delivery) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        database.sql("""
                        INSERT INTO webhook_delivery
                          (template_id, dispatch_id, event, body, made, tries, next_try, answer, delivery)
                        VALUES (?, ?, ?, ?, ?, 0, ?, '', ?)
                        """)
                .params(template, dispatch, event, body, now, now, delivery)
                .update();
    }

    /** What was told of a template, or is to be, the newest first. */
    List<Delivery> deliveries(UUID template) {
        return database.sql("SELECT * FROM webhook_delivery WHERE template_id = ? ORDER BY id DESC LIMIT 200")
                .param(template)
                .query((row, n) -> new Delivery(
                        row.getObject("delivery", UUID.class).toString(),
                        row.getString("event"),
                        row.getObject("dispatch_id", UUID.class).toString(),
                        row.getObject("made", OffsetDateTime.class).toInstant(),
                        row.getInt("tries"),
                        instant(row, "delivered"),
                        instant(row, "next_try"),
                        row.getObject("status", Integer.class),
                        Objects.requireNonNullElse(row.getString("digest"), ""),
                        // What was kept before November 2026 began with an answer of the other side.
                        row.getObject("status", Integer.class) == null && row.getString("digest") == null
                                ? row.getString("answer")
                                : ""))
                .list();
    }

    private static @Nullable Instant instant(ResultSet row, String column) throws SQLException {
        OffsetDateTime time = row.getObject(column, OffsetDateTime.class);
        return time == null ? null : time.toInstant();
    }

    /** The templates of which something is to be told now. */
    List<UUID> receivers() {
        return database.sql("SELECT DISTINCT template_id FROM webhook_delivery WHERE next_try <= ?")
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> row.getObject("template_id", UUID.class))
                .list();
    }

    /** What is to be told of a template now, the oldest first. */
    List<WaitingDelivery> waiting(UUID template) {
        return database.sql("""
                        SELECT id, template_id, delivery, body, tries FROM webhook_delivery
                        WHERE template_id = ? AND next_try <= ? ORDER BY id LIMIT 20
                        """)
                .params(template, OffsetDateTime.now(clock))
                .query((row, n) -> new WaitingDelivery(
                        row.getLong("id"),
                        row.getObject("template_id", UUID.class),
                        row.getObject("delivery", UUID.class),
                        row.getString("body"),
                        row.getInt("tries")))
                .list();
    }

    void delivered(long id, int status, String digest) {
        database.sql("""
                        UPDATE webhook_delivery SET delivered = ?, next_try = NULL, tries = tries + 1, status = ?,
                          digest = ?, answer = '' WHERE id = ?
                        """).params(OffsetDateTime.now(clock), status, digest, id).update();
    }

    /** @param next when it is tried again; null for never */
    void failed(long id, @Nullable Integer status, @Nullable String digest, String why, @Nullable Instant next) {
        database.sql(
                        "UPDATE webhook_delivery SET next_try = ?, tries = tries + 1, status = ?, digest = ?, answer = ? WHERE id = ?")
                .param(next == null ? null : next.atOffset(ZoneOffset.UTC))
                .param(status)
                .param(digest)
                .param(why)
                .param(id)
                .update();
    }
}
