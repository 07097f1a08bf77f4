package loesscape.server.health;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import loesscape.server.platform.doors.Facing;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

class HealthTest {

    private static final int PORT = free();

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.facing(new Facing(null, List.of(), PORT, null, "", true, true));

    private static int free() {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void whoeverKeepsItRunningIsToldHowItIs() {
        Visitor stranger = SERVER.visitor();
        assertThat(stranger.get("/healthz").ok().text()).isEqualTo("{\"live\":true,\"ready\":true}");
        assertThat(stranger.get("/metrics").status()).isEqualTo(404);
        assertThat(stranger.get("/prometheus").status()).isEqualTo(404);
        assertThat(stranger.get("/actuator").status()).isEqualTo(404);
    }

    /** Prometheus text, version 0.0.4: a line for each measurement. */
    @Test
    void whatIsMeasuredIsToldOnAPortOfItsOwn() throws Exception {
        HttpResponse<String> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create("http://127.0.0.1:%d/metrics".formatted(PORT)))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.headers().firstValue("Content-Type").orElse("")).startsWith("text/plain");
        assertThat(answer.body())
                .contains(
                        "loesscape_waiting{what=\"mail\"}",
                        "loesscape_data_bytes ",
                        "jvm_memory_used_bytes",
                        "hikaricp_connections")
                .doesNotContain("applicant");
        assertThat(answer.body().lines().filter(line -> !line.startsWith("#")))
                .allMatch(line -> line.matches("[A-Za-z_0-9]+(\\{.*})? \\S+"));
    }
}
