package loesscape.server.platform.doors;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.security.web.util.matcher.IpAddressMatcher;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The first thing a request passes: it must be meant for this server, by its name, and where it comes through a proxy that
 * is named, it is looked at as what the proxy says that it was. What anybody else says of that is not believed.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Doorway extends OncePerRequestFilter {

    private static final String FORWARDED_FOR = "X-Forwarded-For";
    private static final Pattern NUMBERS = Pattern.compile("[0-9a-fA-F.:]{3,45}");
    private static final Set<String> THIS_MACHINE = Set.of("localhost", "127.0.0.1", "[::1]");

    private final Facing facing;
    private final String address;
    private final List<IpAddressMatcher> proxies;

    Doorway(Facing facing, @Value("${server.address:127.0.0.1}") String address) {
        this.facing = facing;
        this.address = address.toLowerCase(Locale.ROOT);
        this.proxies = facing.behind().stream().map(IpAddressMatcher::new).toList();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!isMeant(request)) {
            ProblemResponse.write(
                    response,
                    421,
                    "Not here",
                    "This server answers under another name than the one that was asked for.");
            return;
        }
        chain.doFilter(new Seen(request, origin(request), facing.isSecure()), response);
    }

    private boolean isMeant(HttpServletRequest request) {
        String host = String.valueOf(request.getHeader("Host")).toLowerCase(Locale.ROOT);
        URI url = facing.publicUrl();
        if (url != null && host.equals(url.getRawAuthority())) {
            return true;
        }
        String name = host.replaceFirst(":\\d+$", "");
        boolean isFromHere = url == null || isThisMachine(request);
        return isFromHere && (THIS_MACHINE.contains(name) || (url == null && name.equals(address)));
    }

    /** Whether somebody on this machine asks, and not a proxy on it for somebody else. */
    private static boolean isThisMachine(HttpServletRequest request) {
        return request.getHeader(FORWARDED_FOR) == null
                && request.getRemoteAddr().equals(request.getLocalAddr());
    }

    /** Who asks: of those a named proxy names, the last that is no such proxy itself. */
    private String origin(HttpServletRequest request) {
        String asking = request.getRemoteAddr();
        String named = String.join(",", Collections.list(request.getHeaders(FORWARDED_FOR)));
        if (named.isBlank()) {
            return asking;
        }
        List<String> way =
                Arrays.stream(named.split(",", -1)).map(String::strip).toList();
        for (String before : way.reversed()) {
            if (!isProxy(asking) || !NUMBERS.matcher(before).matches()) {
                break;
            }
            asking = before;
        }
        return asking;
    }

    private boolean isProxy(String at) {
        return proxies.stream().anyMatch(proxy -> matches(proxy, at));
    }

    private static boolean matches(IpAddressMatcher proxy, String at) {
        try {
            return proxy.matches(at);
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    /** A request as those behind the door see it. */
    private static final class Seen extends HttpServletRequestWrapper {

        private final String origin;
        private final boolean isSecure;

        Seen(HttpServletRequest request, String origin, boolean isSecure) {
            super(request);
            this.origin = origin;
            this.isSecure = isSecure;
        }

        @Override
        public String getRemoteAddr() {
            return origin;
        }

        @Override
        public String getRemoteHost() {
            return origin;
        }

        @Override
        public boolean isSecure() {
            return isSecure || super.isSecure();
        }

        @Override
        public String getScheme() {
            return isSecure() ? "https" : "http";
        }
    }
}
