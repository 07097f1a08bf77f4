package loesscape.server.outside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpHandler;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import loesscape.formats.evidence.Trail;
import loesscape.server.platform.doors.Facing;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class OutgoingRequestsTest {

    private static final Duration DEADLINE = Duration.ofSeconds(3);

    private final OutgoingRequests requests = new OutgoingRequests(Facing.DEMO);
    private HttpServer receiver = start();

    private static HttpServer start() {
        try {
            HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
            server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
            return server;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @BeforeEach
    void begin() {
        receiver.start();
    }

    @AfterEach
    void end() {
        receiver.stop(0);
    }

    private URI at(String path, HttpHandler answer) {
        receiver.createContext(path, answer);
        return URI.create(
                "http://localhost:%d%s".formatted(receiver.getAddress().getPort(), path));
    }

    @Test
    void littleIsTakenOfAnAnswer() throws IOException {
        URI endless = at("/endless", exchange -> {
            exchange.sendResponseHeaders(200, 0);
            try (OutputStream out = exchange.getResponseBody()) {
                for (int i = 0; i < 1_000_000; i++) {
                    out.write("answer!!".repeat(128).getBytes(StandardCharsets.US_ASCII));
                }
            }
        });
        OutgoingRequests.Came came = requests.post(endless, Map.of(), "{}", DEADLINE);
        assertThat(came.status()).isEqualTo(200);
        assertThat(came.digest())
                .isEqualTo(Trail.digest("answer!!".repeat(2_048).getBytes(StandardCharsets.US_ASCII)));
    }

    @Test
    void whoeverAnswersByteAfterByteIsGivenUp() {
        URI slow = at("/slow", exchange -> {
            try {
                for (int i = 0; i < 60; i++) {
                    Thread.sleep(500);
                    exchange.getResponseHeaders().add("X-" + i, "slow");
                }
                exchange.sendResponseHeaders(204, -1);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        long begun = System.nanoTime();
        assertThatThrownBy(() -> requests.post(slow, Map.of(), "{}", Duration.ofSeconds(1)))
                .isInstanceOf(IOException.class);
        assertThat(Duration.ofNanos(System.nanoTime() - begun)).isLessThan(Duration.ofSeconds(8));
    }

    @Test
    void nothingIsFollowed() throws IOException {
        AtomicInteger followed = new AtomicInteger();
        at("/there", exchange -> {
            followed.incrementAndGet();
            exchange.sendResponseHeaders(204, -1);
            exchange.close();
        });
        URI elsewhere = at("/elsewhere", exchange -> {
            exchange.getResponseHeaders().add("Location", "/there");
            exchange.sendResponseHeaders(307, -1);
            exchange.close();
        });
        assertThat(requests.post(elsewhere, Map.of(), "{}", DEADLINE).status()).isEqualTo(307);
        assertThat(followed).hasValue(0);
    }

    /** The name is one that could be anybody's; what it stands for is looked at when it is connected to. */
    @Test
    void aNameThatLeadsInsideIsNotConnectedTo() {
        AtomicInteger asked = new AtomicInteger();
        URI inside = at("/inside", exchange -> {
            asked.incrementAndGet();
            exchange.sendResponseHeaders(204, -1);
            exchange.close();
        });
        OutgoingRequests strict = new OutgoingRequests(Facing.START);
        assertThatThrownBy(() -> strict.post(inside, Map.of(), "{}", DEADLINE))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("not public");
        assertThat(asked).hasValue(0);
    }
}
