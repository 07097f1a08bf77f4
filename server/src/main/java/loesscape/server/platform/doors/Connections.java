package loesscape.server.platform.doors;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.nio.channels.SocketChannel;
import java.time.Duration;
import java.util.List;
import org.apache.coyote.AbstractProcessor;
import org.apache.coyote.Constants;
import org.apache.coyote.Request;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.tomcat.util.net.NioChannel;
import org.apache.tomcat.util.net.NioEndpoint;
import org.apache.tomcat.util.net.SocketWrapperBase;
import org.springframework.security.web.util.matcher.IpAddressMatcher;

/**
 * The connections of the server: no network has more than some of them, so that nobody shuts out others by holding on to
 * many; and whoever takes too long over the head of a request is let go. The proxies that are named have as many as they need.
 */
public final class Connections extends Http11NioProtocol {

    private final Endpoint endpoint;

    /** Made by Tomcat, which knows it by its name. */
    public Connections() {
        this(new Endpoint());
    }

    private Connections(Endpoint endpoint) {
        super(endpoint);
        this.endpoint = endpoint;
    }

    /** Names the proxies, and says how many connections every other network may have, and how long a head may take. */
    void bound(List<String> behind, int mostOfOne, Duration patience) {
        endpoint.longestHead = patience.toNanos();
        endpoint.proxies = behind.stream().map(IpAddressMatcher::new).toList();
        endpoint.mostOfOne = mostOfOne;
    }

    /** Lets those go who have been sending the head of a request for too long. */
    public void letGo() {
        endpoint.letGo();
    }

    private static final class Endpoint extends NioEndpoint {

        private List<IpAddressMatcher> proxies = List.of();
        private int mostOfOne = Integer.MAX_VALUE;
        private long longestHead = Long.MAX_VALUE;

        @Override
        protected boolean setSocketOptions(SocketChannel socket) {
            if (isWelcome(socket)) {
                return super.setSocketOptions(socket);
            }
            destroySocket(socket); // Nobody else closes one that was not taken.
            return false;
        }

        private boolean isWelcome(SocketChannel socket) {
            try {
                String from = numbers(socket.getRemoteAddress());
                String network = Network.of(from);
                return proxies.stream().anyMatch(proxy -> proxy.matches(from))
                        || getConnections().stream()
                                        .filter(other -> network.equals(Network.of(of(other))))
                                        .limit(mostOfOne)
                                        .count()
                                < mostOfOne;
            } catch (IOException | IllegalArgumentException e) {
                return true;
            }
        }

        private static String of(SocketWrapperBase<NioChannel> connection) {
            try {
                return numbers(connection.getSocket().getIOChannel().getRemoteAddress());
            } catch (IOException | NullPointerException e) {
                return ""; // It is closed already.
            }
        }

        private static String numbers(SocketAddress address) {
            return address instanceof InetSocketAddress at && at.getAddress() != null
                    ? at.getAddress().getHostAddress()
                    : "";
        }

        void letGo() {
            for (SocketWrapperBase<NioChannel> connection : getConnections()) {
                if (connection.getCurrentProcessor() instanceof AbstractProcessor processor) {
                    Request request = processor.getRequest();
                    boolean isSlow = request.getRequestProcessor().getStage() != Constants.STAGE_SERVICE
                            && request.getStartTimeNanos() > 0
                            && System.nanoTime() - request.getStartTimeNanos() > longestHead;
                    if (isSlow) {
                        connection.close();
                    }
                }
            }
        }
    }
}
