package loesscape.server.signing;

import java.io.IOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
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
import loesscape.server.outside.OutgoingRequests;
import loesscape.server.outside.OutsideLog;
import loesscape.server.outside.OutsideService;
import loesscape.server.platform.database.Backoff;
import loesscape.server.platform.database.DatabaseFull;
import loesscape.server.platform.doors.Secrets;
import loesscape.server.platform.web.Problems;
import loesscape.server.records.RecordStore;
import loesscape.server.records.Records;
import loesscape.server.signing.WebhookStore.WaitingDelivery;
import loesscape.server.signing.WebhookStore.Webhook;
import loesscape.server.templates.ReleasedTemplates;
import loesscape.server.templates.TemplateStore;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
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

    private final WebhookStore webhooks;
    private final TemplateStore templates;
    private final ReleasedTemplates releases;
    private final RecordStore records;
    private final OutgoingRequests requests;
    private final OutsideLog log;
    private final Clock clock;
    private final Set<UUID> busy = ConcurrentHashMap.newKeySet();
    private final Semaphore room = new Semaphore(MOST_AT_ONCE);

    Webhooks(
            WebhookStore webhooks,
            TemplateStore templates,
            ReleasedTemplates releases,
            RecordStore records,
            OutgoingRequests requests,
            OutsideLog log,
            Clock clock) {
        this.webhooks = webhooks;
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
    public record WebhookTarget(String address, String secret) {}

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

    WebhookTarget target(UUID template) {
        return new WebhookTarget(webhooks.find(template).map(Webhook::address).orElse(""), "");
    }

    /** Sets where ends are told; nowhere where the address is empty. The secret is made here and told to the author once. */
    @Transactional
    public WebhookTarget set(UUID template, String wanted) {
        String address = wanted.strip();
        if (templates.version(template).isEmpty()) {
            throw TemplateStore.missing();
        }
        if (!address.isEmpty()) {
            checked(address);
        }
        webhooks.remove(template);
        if (address.isEmpty()) {
            return new WebhookTarget("", "");
        }
        WebhookTarget target = new WebhookTarget(address, Secrets.make());
        webhooks.add(template, target.address(), target.secret());
        return target;
    }

    /** Makes a new secret and tells it once; for a day what is told is signed with the one before, too. */
    @Transactional
    public WebhookTarget renew(UUID template) {
        String secret = Secrets.make();
        if (!webhooks.renew(template, secret, OVERLAP)) {
            throw new Problems.Missing("Ends are told nowhere, so there is no secret.");
        }
        return new WebhookTarget(target(template).address(), secret);
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
    void tell(DispatchStore.StoredDispatch kept, String event, @Nullable Integer record) {
        if (webhooks.find(kept.template()).isEmpty()) {
            return;
        }
        UUID delivery = UUID.randomUUID();
        webhooks.addDelivery(kept.template(), kept.id(), event, body(kept, delivery, event, record), delivery);
    }

    private String body(DispatchStore.StoredDispatch kept, UUID delivery, String event, @Nullable Integer record) {
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
            RecordStore.StoredRecord answers =
                    records.find(kept.template(), record).orElseThrow();
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
        return webhooks.deliveries(template);
    }

    /** Tells what waits: to each receiver one after the other, to different ones at the same time. */
    void deliver() {
        List<UUID> receivers = webhooks.receivers();
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
        webhooks.waiting(receiver).forEach(this::deliver);
    }

    private void deliver(WaitingDelivery it) {
        Optional<Webhook> target = webhooks.find(it.template());
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
                webhooks.delivered(it.id(), came.status(), came.digest());
                log.passed(OutsideService.WEBHOOKS, address + ": " + came.status(), false);
            } else {
                later(it, address, came, "");
            }
        } catch (IOException | RuntimeException e) {
            later(it, address, null, "It could not be reached: " + e.getMessage());
        }
    }

    private String signatures(Webhook target, String body) {
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

    private void later(WaitingDelivery it, String address, OutgoingRequests.@Nullable Came came, String why) {
        log.passed(OutsideService.WEBHOOKS, address + ": " + (came == null ? why : came.status()), true);
        if (it.tries() + 1 >= MOST_TRIES) {
            given(it, came, why);
            return;
        }
        kept(it, came, why, clock.instant().plus(Backoff.after(it.tries())));
    }

    /** Gives up. */
    private void given(WaitingDelivery it, OutgoingRequests.@Nullable Came came, String why) {
        kept(it, came, why, null);
    }

    private void kept(WaitingDelivery it, OutgoingRequests.@Nullable Came came, String why, @Nullable Instant next) {
        webhooks.failed(
                it.id(),
                came == null ? null : came.status(),
                came == null ? null : came.digest(),
                why.length() > LONGEST_ANSWER ? why.substring(0, LONGEST_ANSWER) : why,
                next);
    }
}
