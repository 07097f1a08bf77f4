package loesscape.server.dispatch;

import java.io.IOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
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
import java.util.UUID;
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
import loesscape.server.outside.OutsideLog;
import loesscape.server.outside.OutsideService;
import loesscape.server.security.Secrets;
import loesscape.server.store.Backoff;
import loesscape.server.store.DispatchStore.Kept;
import loesscape.server.store.RecordStore;
import loesscape.server.store.TemplateStore;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Ends of dispatches told to an address of the author: POSTs of JSON, signed with a shared secret (HMAC-SHA256, RFC 2104),
 * tried again for about a day until they are taken.
 */
@Component
class Webhooks {

    private static final int MOST_TRIES = 24;
    private static final Duration PATIENCE = Duration.ofSeconds(10);
    private static final int LONGEST_ANSWER = 1_000;
    private static final int LONGEST_ADDRESS = 1_000;

    private final JdbcClient database;
    private final TemplateStore templates;
    private final ReleasedTemplates releases;
    private final RecordStore records;
    private final OutsideLog log;
    private final Clock clock;
    private final HttpClient client = HttpClient.newBuilder()
            .connectTimeout(PATIENCE)
            .followRedirects(HttpClient.Redirect.NEVER)
            .build();

    Webhooks(
            JdbcClient database,
            TemplateStore templates,
            ReleasedTemplates releases,
            RecordStore records,
            OutsideLog log,
            Clock clock) {
        this.database = database;
        this.templates = templates;
        this.releases = releases;
        this.records = records;
        this.log = log;
        this.clock = clock;
    }

    /** Where the ends of a template's dispatches are told; both empty where nowhere. */
    public record Target(String address, String secret) {}

    /**
     * Something that was told, or is to be.
     *
     * @param answer what the other side said last, or why it could not be reached
     * @param next when it is tried again; null where it is not
     */
    public record Delivery(
            String event,
            String dispatch,
            Instant made,
            int tries,
            @Nullable Instant delivered,
            @Nullable Instant next,
            String answer) {}

    Target target(UUID template) {
        return database.sql("SELECT address, secret FROM webhook WHERE template_id = ?")
                .param(template)
                .query(Target.class)
                .optional()
                .orElse(new Target("", ""));
    }

    /** Sets where ends are told; nowhere where the address is empty. The secret is made here and told to the author. */
    @Transactional
    public Target set(UUID template, String address) {
        database.sql("DELETE FROM webhook WHERE template_id = ?")
                .param(template)
                .update();
        if (address.isBlank()) {
            return new Target("", "");
        }
        if (templates.version(template).isEmpty()) {
            throw new Problems.Missing("There is no such template.");
        }
        checked(address.strip());
        Target target = new Target(address.strip(), Secrets.make());
        database.sql("INSERT INTO webhook (template_id, address, secret) VALUES (?, ?, ?)")
                .params(template, target.address(), target.secret())
                .update();
        return target;
    }

    private static void checked(String address) {
        if (address.length() > LONGEST_ADDRESS) {
            throw new Refusal("The address has more than %d characters.".formatted(LONGEST_ADDRESS));
        }
        try {
            URI uri = new URI(address);
            boolean isWeb = "https".equals(uri.getScheme()) || "http".equals(uri.getScheme());
            if (isWeb && uri.getHost() != null && uri.getUserInfo() == null) {
                return;
            }
        } catch (URISyntaxException e) {
            // said below
        }
        throw new Refusal("“%s” is not a web address like https://example.org/hook.".formatted(address));
    }

    /** Keeps something to be told, in the transaction in which it happened. */
    void tell(Kept kept, String event, @Nullable Integer record) {
        if (target(kept.template()).address().isEmpty()) {
            return;
        }
        OffsetDateTime now = OffsetDateTime.now(clock);
        database.sql("""
                        INSERT INTO webhook_delivery (template_id, dispatch_id, event, body, made, tries, next_try, answer)
                        VALUES (?, ?, ?, ?, ?, 0, ?, '')
                        """)
                .params(kept.template(), kept.id(), event, body(kept, event, record), now, now)
                .update();
    }

    private String body(Kept kept, String event, @Nullable Integer record) {
        ObjectNode body = JsonNodeFactory.instance.objectNode();
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
                        row.getString("event"),
                        row.getObject("dispatch_id", UUID.class).toString(),
                        row.getObject("made", OffsetDateTime.class).toInstant(),
                        row.getInt("tries"),
                        instant(row, "delivered"),
                        instant(row, "next_try"),
                        row.getString("answer")))
                .list();
    }

    private static @Nullable Instant instant(ResultSet row, String column) throws SQLException {
        OffsetDateTime time = row.getObject(column, OffsetDateTime.class);
        return time == null ? null : time.toInstant();
    }

    private record Waiting(long id, UUID template, String body, int tries) {}

    /** Tells what waits. */
    void deliver() {
        List<Waiting> waiting = database.sql(
                        "SELECT id, template_id, body, tries FROM webhook_delivery WHERE next_try <= ? ORDER BY id LIMIT 20")
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> new Waiting(
                        row.getLong("id"),
                        row.getObject("template_id", UUID.class),
                        row.getString("body"),
                        row.getInt("tries")))
                .list();
        waiting.forEach(this::deliver);
    }

    private void deliver(Waiting it) {
        Target target = target(it.template());
        if (target.address().isEmpty()) {
            given(it, "The address was taken away.");
            return;
        }
        try {
            log.ask(OutsideService.WEBHOOKS, target.address());
            HttpResponse<String> answer = client.send(request(target, it.body()), HttpResponse.BodyHandlers.ofString());
            String said = "%d %s".formatted(answer.statusCode(), answer.body());
            if (answer.statusCode() / 100 == 2) {
                OffsetDateTime now = OffsetDateTime.now(clock);
                database.sql(
                                "UPDATE webhook_delivery SET delivered = ?, next_try = NULL, tries = tries + 1, answer = ? WHERE id = ?")
                        .params(now, shortened(said), it.id())
                        .update();
                log.passed(OutsideService.WEBHOOKS, target.address() + ": " + said, false);
            } else {
                later(it, target, said);
            }
        } catch (IOException | RuntimeException e) {
            later(it, target, e.getClass().getSimpleName() + ": " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private HttpRequest request(Target target, String body) {
        long at = clock.instant().getEpochSecond();
        return HttpRequest.newBuilder(URI.create(target.address()))
                .timeout(PATIENCE)
                .header("Content-Type", "application/json")
                .header("Loesscape-Signature", "t=%d,v1=%s".formatted(at, signature(target.secret(), at + "." + body)))
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    /** HMAC-SHA256 in hexadecimal. */
    static String signature(String secret, String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
            return HexFormat.of().formatHex(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java runtime has HmacSHA256", e);
        }
    }

    private void later(Waiting it, Target target, String said) {
        log.passed(OutsideService.WEBHOOKS, target.address() + ": " + said, true);
        if (it.tries() + 1 >= MOST_TRIES) {
            given(it, said);
            return;
        }
        database.sql("UPDATE webhook_delivery SET next_try = ?, tries = tries + 1, answer = ? WHERE id = ?")
                .params(OffsetDateTime.now(clock).plus(Backoff.after(it.tries())), shortened(said), it.id())
                .update();
    }

    /** Gives up. */
    private void given(Waiting it, String said) {
        database.sql("UPDATE webhook_delivery SET next_try = NULL, tries = tries + 1, answer = ? WHERE id = ?")
                .params(shortened(said), it.id())
                .update();
    }

    private static String shortened(String text) {
        return text.length() > LONGEST_ANSWER ? text.substring(0, LONGEST_ANSWER) : text;
    }
}
