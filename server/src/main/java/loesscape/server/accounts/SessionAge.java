package loesscape.server.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.servlet.http.HttpSessionEvent;
import jakarta.servlet.http.HttpSessionListener;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Ends what somebody signed in to when it was left alone too long ({@code server.servlet.session.timeout}), and after a
 * week in any case, by the clock of the server.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class SessionAge extends OncePerRequestFilter implements HttpSessionListener {

    private static final Duration LONGEST = Duration.ofDays(7);
    private static final String BEGUN = SessionAge.class.getName() + ".begun";
    private static final String USED = SessionAge.class.getName() + ".used";

    private final Clock clock;

    SessionAge(Clock clock) {
        this.clock = clock;
    }

    @Override
    public void sessionCreated(HttpSessionEvent event) {
        Instant now = clock.instant();
        event.getSession().setAttribute(BEGUN, now);
        event.getSession().setAttribute(USED, now);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpSession session = request.getSession(false);
        if (session != null) {
            Instant now = clock.instant();
            Duration idle = Duration.ofSeconds(session.getMaxInactiveInterval());
            if (isOver(session.getAttribute(BEGUN), LONGEST, now) || isOver(session.getAttribute(USED), idle, now)) {
                session.invalidate();
            } else {
                session.setAttribute(USED, now);
            }
        }
        chain.doFilter(request, response);
    }

    private static boolean isOver(@Nullable Object from, Duration most, Instant now) {
        return from instanceof Instant since && since.plus(most).isBefore(now);
    }
}
