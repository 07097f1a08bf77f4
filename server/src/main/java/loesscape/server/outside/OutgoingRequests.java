package loesscape.server.outside;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import loesscape.formats.evidence.Trail;
import loesscape.server.platform.doors.Facing;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;
import org.apache.hc.client5.http.classic.methods.HttpPost;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.io.entity.StringEntity;
import org.apache.hc.core5.util.Timeout;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * Requests that leave the house to addresses that authors have named. They go to where others are, whatever a name stands
 * for at that moment: it is looked up once, what comes of it is checked, and that is connected to. They follow nothing, take
 * little of an answer, and end after a while in any case.
 */
@Component
public class OutgoingRequests implements DisposableBean {

    private static final int CONNECT_SECONDS = 5;
    private static final int MOST_OF_ANSWER = 16 * 1024;

    private final Facing facing;
    private final CloseableHttpClient client;
    private final ScheduledExecutorService deadlines = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("deadlines").factory());

    OutgoingRequests(Facing facing) {
        this.facing = facing;
        this.client = HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(new Checked())
                        .setMaxConnPerRoute(5)
                        .setMaxConnTotal(50)
                        .setDefaultConnectionConfig(ConnectionConfig.custom()
                                .setConnectTimeout(Timeout.ofSeconds(CONNECT_SECONDS))
                                .build())
                        .build())
                .setDefaultRequestConfig(RequestConfig.custom()
                        .setResponseTimeout(Timeout.ofSeconds(10))
                        .setConnectionRequestTimeout(Timeout.ofSeconds(CONNECT_SECONDS))
                        .build())
                .disableRedirectHandling()
                .disableAutomaticRetries()
                .disableCookieManagement()
                .disableContentCompression()
                .build();
    }

    /**
     * What came of a request.
     *
     * @param digest SHA-256, in hexadecimal, of as much of the answer as was looked at
     */
    public record Came(int status, String digest) {}

    /** Whether an address may be named at all: secure, unless the operator allows more, and of no machine by its number. */
    public boolean isAllowed(URI address) {
        if (facing.anyWebhooks()) {
            return true;
        }
        if (!"https".equals(address.getScheme())) {
            return false;
        }
        String host = address.getHost().replaceAll("^\\[|]$", "");
        try {
            return PublicAddresses.isPublic(InetAddress.ofLiteral(host));
        } catch (IllegalArgumentException e) {
            return host.contains(".") && !host.endsWith(".local") && !host.endsWith(".internal") && !host.endsWith(".");
        }
    }

    /**
     * Sends JSON.
     *
     * @param deadline after which it is given up, wherever it is
     * @throws IOException where nothing came of it
     */
    public Came post(URI address, Map<String, String> headers, String json, Duration deadline) throws IOException {
        HttpPost request = new HttpPost(address);
        headers.forEach(request::setHeader);
        request.setEntity(new StringEntity(json, ContentType.APPLICATION_JSON.withCharset(StandardCharsets.UTF_8)));
        ScheduledFuture<?> end = deadlines.schedule(request::cancel, deadline.toMillis(), TimeUnit.MILLISECONDS);
        try {
            return client.execute(request, answer -> {
                byte[] beginning = {};
                if (answer.getEntity() != null) {
                    try (InputStream body = answer.getEntity().getContent()) {
                        beginning = body.readNBytes(MOST_OF_ANSWER);
                        if (body.read() >= 0) {
                            request.cancel(); // The rest is not waited for.
                        }
                    } catch (IOException e) {
                        // Its status has come, and that is what counts.
                    }
                }
                return new Came(answer.getCode(), Trail.digest(beginning));
            });
        } finally {
            end.cancel(false);
        }
    }

    @Override
    public void destroy() throws IOException {
        deadlines.shutdownNow();
        client.close();
    }

    /** Looks names up, and passes on only addresses of others. */
    private final class Checked implements DnsResolver {

        @Override
        public InetAddress[] resolve(String host) throws UnknownHostException {
            InetAddress[] all = SystemDefaultDnsResolver.INSTANCE.resolve(host);
            boolean isOurs = !facing.anyWebhooks() && !Arrays.stream(all).allMatch(PublicAddresses::isPublic);
            if (isOurs) {
                throw new UnknownHostException("this name leads into a network that is not public");
            }
            return all;
        }

        @Override
        public String resolveCanonicalHostname(String host) throws UnknownHostException {
            return SystemDefaultDnsResolver.INSTANCE.resolveCanonicalHostname(host);
        }
    }
}
