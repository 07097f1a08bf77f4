package loesscape.server.platform.doors;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseCookie;
import org.springframework.web.util.WebUtils;

/** A cookie by which a browser is known at one link, and is sent nowhere else. */
public final class LinkCookie {

    private final String name;
    private final String way;
    private final boolean isSecure;

    /**
     * Such a cookie.
     *
     * @param way the path in front of the link, with a slash at its end
     */
    public LinkCookie(String name, String way, Facing facing) {
        // A cookie that names its path cannot be one for the whole host (RFC 6265bis, 4.1.3).
        this.name = facing.isSecure() ? "__Secure-" + name : name;
        this.way = way;
        this.isSecure = facing.isSecure();
    }

    /** What a browser brings; null where it brings nothing. */
    public @Nullable String of(HttpServletRequest request) {
        Cookie cookie = WebUtils.getCookie(request, name);
        return cookie == null ? null : cookie.getValue();
    }

    /** The header that gives a browser a value, or with no time to keep it takes it away. */
    public String header(String link, String value, Duration age) {
        return ResponseCookie.from(name, value)
                .path(way + link)
                .httpOnly(true)
                .secure(isSecure)
                .sameSite("Strict")
                .maxAge(age)
                .build()
                .toString();
    }
}
