package loesscape.server.platform.doors;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.net.SocketException;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Whoever holds on to connections shuts nobody out. */
class ConnectionsTest {

    @RegisterExtension
    static final RunningServer SERVER =
            RunningServer.demo().with("loesscape.connections.of-one=40", "loesscape.connections.patience=8s");

    private static Socket connected(String said) throws IOException {
        Socket socket = new Socket(
                InetAddress.getLoopbackAddress(), URI.create(SERVER.address()).getPort());
        socket.setSoTimeout(50);
        socket.getOutputStream().write(said.getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
        return socket;
    }

    private static boolean isClosed(Socket socket) throws IOException {
        try {
            InputStream in = socket.getInputStream();
            int next = in.read();
            while (next >= 0) {
                next = in.read();
            }
            return true;
        } catch (SocketTimeoutException e) {
            return false;
        } catch (SocketException e) {
            return true;
        }
    }

    @Test
    void oneNetworkHasSomeConnectionsAndNotAll() throws Exception {
        List<Socket> all = new ArrayList<>();
        try {
            for (int i = 0; i < 60; i++) {
                try {
                    all.add(connected("GET /api/session HTTP/1.1\r\nHost: local"));
                } catch (SocketException refused) {
                    // Refused at once is refused, too.
                }
            }
            Thread.sleep(500);
            int held = 0;
            for (Socket socket : all) {
                held += isClosed(socket) ? 0 : 1;
            }
            assertThat(held).isBetween(30, 40);
        } finally {
            for (Socket socket : all) {
                socket.close();
            }
        }
        SERVER.visitor().get("/api/session").ok();
    }

    @Test
    void whoeverSendsTheHeadOfARequestSlowlyIsLetGo() throws Exception {
        Visitor visitor = SERVER.visitor();
        try (Socket slow = connected("GET /api/session HTTP/1.1\r\nHost: localhost\r\nX-Slow: ")) {
            boolean isLetGo = false;
            for (int seconds = 0; seconds < 40 && !isLetGo; seconds++) {
                Thread.sleep(1_000);
                visitor.get("/api/session").ok();
                try {
                    slow.getOutputStream().write('x');
                    slow.getOutputStream().flush();
                } catch (SocketException e) {
                    isLetGo = true;
                }
                isLetGo |= isClosed(slow);
            }
            assertThat(isLetGo).isTrue();
        }
    }

    @Test
    void whoeverSendsABodySlowlyIsLetGo() throws Exception {
        Visitor visitor = SERVER.visitor();
        try (Socket slow =
                connected("POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n"
                        + "Content-Length: 1000\r\n\r\n{")) {
            boolean isLetGo = false;
            for (int seconds = 0; seconds < 48 && !isLetGo; seconds++) {
                Thread.sleep(1_000);
                visitor.get("/api/session").ok();
                try {
                    slow.getOutputStream().write(' ');
                    slow.getOutputStream().flush();
                } catch (SocketException e) {
                    isLetGo = true;
                }
                isLetGo |= isClosed(slow);
            }
            assertThat(isLetGo).isTrue();
        }
    }
}
