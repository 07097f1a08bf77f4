package loesscape.server.dispatch;

import java.io.IOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.formats.export.RecordRow;
import loesscape.formats.export.RecordsJson;
import loesscape.formats.json.Json;
import loesscape.server.api.Problems;
import loesscape.server.api.Records;
import loesscape.server.api.ReleasedTemplates;
import loesscape.server.outside.OutgoingRequests;
import loesscape.server.outside.OutsideLog;
import loesscape.server.outside.OutsideService;
import loesscape.server.security.Secrets;
import loesscape.server.store.Backoff;
import loesscape.server.store.DatabaseFull;
import loesscape.server.store.DispatchStore;
import loesscape.server.store.RecordStore;
import loesscape.server.store.TemplateStore;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Ends of dispatches told to an address of the author: POSTs of JSON, each with an identity and a time inside of what is
 * signed with a shared secret (HMAC-SHA256, RFC 2104), tried again for about a day until they are taken. One slow receiver
 * keeps nobody else waiting.
 */
@Component
class Webhooks {

    private static final int MOST_TRIES = 24;
    private static final int MOST_AT_ONCE = 20;
    private static final Duration DEADLINE = Duration.ofSeconds(15);
    private static final Duration OVERLAP = Duration.ofHours(24);
    private static final int LONGEST_ANSWER = 1_000;
    private static final int LONGEST_ADDRESS = 1_000;

    private static final Logger LOG = LoggerFactory.getLogger(Webhooks.class);

    private final JdbcClient database;
    private final TemplateStore templates;
    private final ReleasedTemplates releases;
    private final RecordStore records;
    private final OutgoingRequests requests;
    private final OutsideLog log;
    private final Clock clock;
    private final Set<UUID> busy = ConcurrentHashMap.newKeySet();
    private final Semaphore room = new Semaphore(MOST_AT_ONCE);

    Webhooks(
            JdbcClient database,
            TemplateStore templates,
            ReleasedTemplates releases,
            RecordStore records,
            OutgoingRequests requests,
            OutsideLog log,
            Clock clock) {
        this.database = database;
        this.templates = templates;
        this.releases = releases;
        this.records = records;
        this.requests = requests;
        this.log = log;
        this.clock = clock;
    }

    /**
     * Where the ends of a template's dispatches are told.
     *
     * @param address empty for nowhere
     * @param secret that signs; told once, when it is made, and empty from then on
     */
    public record Target(String address, String secret) {}

    /**
     * Something that was told, or is to be.
     *
     * @param delivery its identity, by which the other side knows it again
     * @param status what the other side answered last; null where it could not be reached
     * @param digest SHA-256 of that answer, in hexadecimal; empty where there was none
     * @param next when it is tried again; null where it is not
     * @param answer why it could not be reached; empty where it was
     */
    public record Delivery(
            String delivery,
            String event,
            String dispatch,
            Instant made,
            int tries,
            @Nullable Instant delivered,
            @Nullable Instant next,
            @Nullable Integer status,
            String digest,
            String answer) {}

    private record Kept(
            String address, String secret, @Nullable String earlier) {}

    private Optional<Kept> kept(UUID template) {
        return database.sql("""
                        SELECT address, secret, CASE WHEN earlier_until > ? THEN earlier_secret END AS earlier
                        FROM webhook WHERE template_id = ?
                        """)
                .params(OffsetDateTime.now(clock), template)
                .query((row, n) ->
                        new Kept(row.getString("address"), row.getString("secret"), row.getString("earlier")))
                .optional();
    }

    Target target(UUID template) {
        return new Target(kept(template).map(Kept::address).orElse(""), "");
    }

    /** Sets where ends are told; nowhere where the address is empty. The secret is made here and told to the author once. */
    @Transactional
    public Target set(UUID template, String wanted) {
        String address = wanted.strip();
        if (templates.version(template).isEmpty()) {
            throw new Problems.Missing("There is no such template.");
        }
        if (!address.isEmpty()) {
            checked(address);
        }
        database.sql("DELETE FROM webhook WHERE template_id = ?")
                .param(template)
                .update();
        if (address.isEmpty()) {
            return new Target("", "");
        }
        Target target = new Target(address, Secrets.make());
        database.sql("INSERT INTO webhook (template_id, address, secret) VALUES (?, ?, ?)")
                .params(template, target.address(), target.secret())
                .update();
        return target;
    }

    /** Makes a new secret and tells it once; for a day what is told is signed with the one before, too. */
    @Transactional
    public Target renew(UUID template) {
        String secret = Secrets.make();
        int changed = database.sql(
                        "UPDATE webhook SET earlier_secret = secret, earlier_until = ?, secret = ? WHERE template_id = ?")
                .params(OffsetDateTime.now(clock).plus(OVERLAP), secret, template)
                .update();
        if (changed == 0) {
            throw new Problems.Missing("Ends are told nowhere, so there is no secret.");
        }
        return new Target(target(template).address(), secret);
    }

    private void checked(String address) {
        if (address.length() > LONGEST_ADDRESS) {
            throw new Refusal("The address has more than %d characters.".formatted(LONGEST_ADDRESS));
        }
        URI uri;
        try {
            uri = new URI(address);
        } catch (URISyntaxException e) {
            throw noAddress(address);
        }
        boolean isWeb = "https".equals(uri.getScheme()) || "http".equals(uri.getScheme());
        if (!isWeb || uri.getHost() == null || uri.getUserInfo() != null) {
            throw noAddress(address);
        }
        if (!requests.isAllowed(uri)) {
            throw new Refusal(
                    "Ends are told to secure addresses of others only: one that begins with https:// and leads to no machine inside. Whoever runs this server can allow more.");
        }
    }

    private static Refusal noAddress(String address) {
        return new Refusal("“%s” is not a web address like https://example.org/hook.".formatted(address));
    }

    /** Keeps something to be told, in the transaction in which it happened. */
    void tell(DispatchStore.Kept kept, String event, @Nullable Integer record) {
        if (kept(kept.template()).isEmpty()) {
            return;
        }
        OffsetDateTime now = OffsetDateTime.now(clock);
        UUID delivery = UUID.randomUUID();
        database.sql("""
                        INSERT INTO webhook_delivery
                          (template_id, dispatch_id, event, body, made, tries, next_try, answer, delivery)
                        VALUES (?, ?, ?, ?, ?, 0, ?, '', ?)
                        """)
                .params(kept.template(), kept.id(), event, body(kept, delivery, event, record), now, now, delivery)
                .update();
    }

    private String body(DispatchStore.Kept kept, UUID delivery, String event, @Nullable Integer record) {
        ObjectNode body = JsonNodeFactory.instance.objectNode();
        body.put("delivery", delivery.toString());
        body.put("event", event);
        body.put("dispatch", kept.id().toString());
        body.put("document", kept.title());
        body.put("release", kept.release());
        body.put("at", clock.instant().toString());
        if (!kept.dispatch().because().isEmpty()) {
            body.put("because", kept.dispatch().because());
        }
        if (record != null) {
            body.put("record", record);
            RecordStore.Kept answers = records.find(kept.template(), record).orElseThrow();
            CompiledTemplate release = releases.get(kept.template(), kept.release());
            RecordRow row = Records.row(release, answers, clock);
            body.set(
                    "answers",
                    Json.parse(RecordsJson.write(List.of(row))).get(0).get("answers"));
        }
        return Json.compact(body);
    }

    /** What was told of a template, the newest first. */
    List<Delivery> log(UUID template) {
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

    private record Waiting(long id, UUID template, UUID delivery, String body, int tries) {}

    /** Tells what waits: to each receiver one after the other, to different ones at the same time. */
    void deliver() {
        List<UUID> receivers = database.sql("SELECT DISTINCT template_id FROM webhook_delivery WHERE next_try <= ?")
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> row.getObject("template_id", UUID.class))
                .list();
        for (UUID receiver : receivers) {
            if (busy.add(receiver)) {
                if (!room.tryAcquire()) {
                    busy.remove(receiver);
                    return;
                }
                Thread.ofVirtual().name("webhook " + receiver).start(() -> {
                    try {
                        deliver(receiver);
                    } catch (RuntimeException e) {
                        if (!DatabaseFull.isBehind(e)) {
                            LOG.warn("Ends were not told; it is tried again", e);
                        }
                    } finally {
                        room.release();
                        busy.remove(receiver);
                    }
                });
            }
        }
    }

    private void deliver(UUID receiver) {
        List<Waiting> waiting = database.sql("""
                        SELECT id, template_id, delivery, body, tries FROM webhook_delivery
                        WHERE template_id = ? AND next_try <= ? ORDER BY id LIMIT 20
                        """)
                .params(receiver, OffsetDateTime.now(clock))
                .query((row, n) -> new Waiting(
                        row.getLong("id"),
                        row.getObject("template_id", UUID.class),
                        row.getObject("delivery", UUID.class),
                        row.getString("body"),
                        row.getInt("tries")))
                .list();
        waiting.forEach(this::deliver);
    }

    private void deliver(Waiting it) {
        Optional<Kept> target = kept(it.template());
        if (target.isEmpty()) {
            given(it, null, "The address was taken away.");
            return;
        }
        String address = target.get().address();
        try {
            log.ask(OutsideService.WEBHOOKS, address);
            URI uri = URI.create(address);
            if (!requests.isAllowed(uri)) {
                throw new IOException("this address is not allowed here any more");
            }
            OutgoingRequests.Came came = requests.post(
                    uri,
                    Map.of(
                            "Loesscape-Delivery", it.delivery().toString(),
                            "Loesscape-Signature", signatures(target.get(), it.body())),
                    it.body(),
                    DEADLINE);
            if (came.status() / 100 == 2) {
                database.sql("""
                                UPDATE webhook_delivery SET delivered = ?, next_try = NULL, tries = tries + 1, status = ?,
                                  digest = ?, answer = '' WHERE id = ?
                                """)
                        .params(OffsetDateTime.now(clock), came.status(), came.digest(), it.id())
                        .update();
                log.passed(OutsideService.WEBHOOKS, address + ": " + came.status(), false);
            } else {
                later(it, address, came, "");
            }
        } catch (IOException | RuntimeException e) {
            later(it, address, null, "It could not be reached: " + e.getMessage());
        }
    }

    private String signatures(Kept target, String body) {
        long at = clock.instant().getEpochSecond();
        String signed = at + "." + body;
        String newest = "t=%d,v1=%s".formatted(at, signature(target.secret(), signed));
        return target.earlier() == null ? newest : newest + ",v1=" + signature(target.earlier(), signed);
    }

    /** HMAC-SHA256 in hexadecimal, of texts in UTF-8. */
    static String signature(String secret, String text) {
        return signature(secret.getBytes(StandardCharsets.UTF_8), text.getBytes(StandardCharsets.UTF_8));
    }

    /** HMAC-SHA256 in hexadecimal. */
    static String signature(byte[] key, byte[] data) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(key, "HmacSHA256"));
            return HexFormat.of().formatHex(mac.doFinal(data));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java runtime has HmacSHA256", e);
        }
    }

    private void later(Waiting it, String address, OutgoingRequests.@Nullable Came came, String why) {
        log.passed(OutsideService.WEBHOOKS, address + ": " + (came == null ? why : came.status()), true);
        if (it.tries() + 1 >= MOST_TRIES) {
            given(it, came, why);
            return;
        }
        kept(it, came, why, OffsetDateTime.now(clock).plus(Backoff.after(it.tries())));
    }

    /** Gives up. */
    private void given(Waiting it, OutgoingRequests.@Nullable Came came, String why) {
        kept(it, came, why, null);
    }

    private void kept(Waiting it, OutgoingRequests.@Nullable Came came, String why, @Nullable OffsetDateTime next) {
        database.sql(
                        "UPDATE webhook_delivery SET next_try = ?, tries = tries + 1, status = ?, digest = ?, answer = ? WHERE id = ?")
                .param(next)
                .param(came == null ? null : came.status())
                .param(came == null ? null : came.digest())
                .param(why.length() > LONGEST_ANSWER ? why.substring(0, LONGEST_ANSWER) : why)
                .param(it.id())
                .update();
    }
}
