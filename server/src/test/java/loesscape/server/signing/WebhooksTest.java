package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Receivers do not wait for each other, and a new secret does not take them by surprise. */
class WebhooksTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    private static final HttpServer RECEIVER = started();

    /** What came: the path, the header with the signatures, and the body. */
    private record Came(String path, String signatures, String body) {}

    private static final List<Came> CAME = new CopyOnWriteArrayList<>();
    private static final CountDownLatch END = new CountDownLatch(1);

    private static HttpServer started() {
        try {
            HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
            server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
            server.createContext("/", exchange -> {
                String path = exchange.getRequestURI().getPath();
                String body = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
                CAME.add(new Came(path, exchange.getRequestHeaders().getFirst("Loesscape-Signature"), body));
                if (path.equals("/slow")) {
                    try {
                        END.await(30, TimeUnit.SECONDS);
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                    }
                }
                exchange.getResponseHeaders().add("Content-Type", "text/plain");
                byte[] said = "an answer that is nobody's business".getBytes(StandardCharsets.UTF_8);
                exchange.sendResponseHeaders(200, said.length);
                exchange.getResponseBody().write(said);
                exchange.close();
            });
            server.start();
            return server;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @AfterAll
    static void stop() {
        END.countDown();
        RECEIVER.stop(0);
    }

    private static String hook(Sent sent) {
        return "/api/templates/" + sent.template + "/webhook";
    }

    private static String secret(Sent sent, String path) {
        return sent.author
                .put(
                        hook(sent),
                        "{\"address\":\"http://127.0.0.1:%d%s\"}"
                                .formatted(RECEIVER.getAddress().getPort(), path))
                .ok()
                .json()
                .at("/target/secret")
                .stringValue();
    }

    private static void end(Sent sent) {
        sent.send("{}", "a", "b")
                .author
                .post("/api/dispatches/" + sent.id + "/withdraw", "{\"because\":\"Wrong\"}")
                .ok();
    }

    private static Came came(String path, int number) {
        for (int i = 0; i < 100; i++) {
            List<Came> all = CAME.stream().filter(it -> it.path().equals(path)).toList();
            if (all.size() >= number) {
                return all.get(number - 1);
            }
            Sent.pause();
        }
        throw new AssertionError("Nothing came to " + path);
    }

    @Test
    void oneSlowReceiverKeepsNoOtherWaiting() {
        Sent slow = Sent.of(SERVER, DispatchesTest.TOGETHER);
        secret(slow, "/slow");
        Sent quick = Sent.of(SERVER, DispatchesTest.TOGETHER);
        secret(quick, "/quick");
        end(slow);
        came("/slow", 1);
        end(quick);
        came("/quick", 1);
        JsonNode delivery = delivered(quick);
        assertThat(delivery.get("status").intValue()).isEqualTo(200);
        assertThat(delivery.get("digest").stringValue()).hasSize(64);
        assertThat(quick.author.get(hook(quick)).ok().text()).doesNotContain("nobody's business");
        assertThat(quick.author.get("/api/outside").ok().text()).doesNotContain("nobody's business");
        assertThat(slow.author
                        .get(hook(slow))
                        .ok()
                        .json()
                        .at("/deliveries/0/delivered")
                        .isNull())
                .isTrue();
    }

    private static JsonNode delivered(Sent sent) {
        for (int i = 0; i < 100; i++) {
            JsonNode delivery = sent.author.get(hook(sent)).ok().json().at("/deliveries/0");
            if (!delivery.get("delivered").isNull()) {
                return delivery;
            }
            Sent.pause();
        }
        throw new AssertionError("Nothing was delivered");
    }

    /** What other programs read of a dispatch is the same from one version to the next, member by member. */
    @Test
    void whatIsToldHasTheFormItAlwaysHad() {
        Sent sent = Sent.of(SERVER, DispatchesTest.TOGETHER);
        secret(sent, "/form");
        end(sent);
        assertThat(formOf(came("/form", 1).body())).isEqualTo("""
                        {"delivery":"…","event":"withdrawn","dispatch":"…","document":"Together","release":1,"at":"…",\
                        "because":"Wrong"}""");
        Sent other = Sent.in(SERVER, sent.author, sent.template);
        other.send("{}", "a", "b");
        Sent.Turn a = other.turn("a");
        Sent.Turn b = other.turn("b");
        a.answer("open", "loam").answer("tells", "no").sign("a_sign");
        b.sign("b_sign");
        a.visitor.post(a.path + "/finish", null).ok();
        b.visitor.post(b.path + "/finish", null).ok();
        assertThat(formOf(came("/form", 2).body())).isEqualTo("""
                        {"delivery":"…","event":"finished","dispatch":"…","document":"Together","release":1,"at":"…",\
                        "record":1,"answers":{"tells":false,"open":"loam","a_sign":true,"b_sign":true}}""");
    }

    /** What is another each time stands as a dot. */
    private static String formOf(String body) {
        return body.replaceAll("\"(delivery|dispatch|at)\":\"[^\"]+\"", "\"$1\":\"…\"");
    }

    @Test
    void aNewSecretSignsBesideTheOneBeforeForADay() {
        Sent sent = Sent.of(SERVER, DispatchesTest.TOGETHER);
        String before = secret(sent, "/renewed");
        String after = sent.author
                .post(hook(sent) + "/secret", null)
                .ok()
                .json()
                .at("/target/secret")
                .stringValue();
        assertThat(after).isNotEqualTo(before).isNotEmpty();
        end(sent);
        Came both = came("/renewed", 1);
        String at = both.signatures().replaceFirst("t=(\\d+),.*", "$1");
        String signed = at + "." + both.body();
        assertThat(both.signatures())
                .isEqualTo("t=%s,v1=%s,v1=%s"
                        .formatted(at, Webhooks.signature(after, signed), Webhooks.signature(before, signed)));

        SERVER.forward(Duration.ofHours(25));
        Sent later = Sent.in(SERVER, SERVER.author(), sent.template);
        end(later);
        assertThat(came("/renewed", 2).signatures()).containsOnlyOnce("v1=");
        later.author.put(hook(sent), "{\"address\":\"\"}").ok();
        later.author.post(hook(sent) + "/secret", null).problem(404);
    }
}
