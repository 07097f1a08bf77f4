package loesscape.server.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.SecurityLog;
import loesscape.server.platform.doors.Told;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;

/** Tells the security log of requests that are marked with {@link Told}, and of all that were refused. */
@Component
class Telling implements HandlerInterceptor {

    /** What is told of an address; the secrets of links are not among it. */
    private static final Set<String> TOLD =
            Set.of("id", "template", "release", "number", "account", "dispatch", "lookup");

    private static final int TOO_MANY = 429;

    private final SecurityLog log;

    Telling(SecurityLog log) {
        this.log = log;
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable Exception error) {
        Told told = handler instanceof HandlerMethod method ? method.getMethodAnnotation(Told.class) : null;
        boolean isDone = response.getStatus() < 300 && error == null;
        if (told != null && isDone) {
            log.tell(told.value(), who(), request.getRemoteAddr(), about(request));
        } else if (response.getStatus() == TOO_MANY) {
            log.tell(SecurityEvent.REFUSED, who(), request.getRemoteAddr(), about(request));
        }
    }

    private static String who() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        return authentication != null && authentication.getPrincipal() instanceof Author author ? author.name() : "";
    }

    private static Map<String, String> about(HttpServletRequest request) {
        Map<String, String> about = new HashMap<>();
        Object pattern = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
        about.put("asked", request.getMethod() + " " + pattern);
        if (request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> variables) {
            variables.forEach((name, value) -> {
                if (TOLD.contains(String.valueOf(name))) {
                    about.put(String.valueOf(name), String.valueOf(value));
                }
            });
        }
        return about;
    }
}
