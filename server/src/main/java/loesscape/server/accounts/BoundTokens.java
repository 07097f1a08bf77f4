package loesscape.server.accounts;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Base64;
import loesscape.server.platform.doors.Facing;
import loesscape.server.platform.doors.InstallationProof;
import loesscape.server.platform.doors.Secrets;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.DefaultCsrfToken;
import org.springframework.stereotype.Component;
import org.springframework.web.util.WebUtils;

/**
 * Tokens against forged requests, each bound to the session of its browser: a random part and its HMAC with the session
 * (OWASP, Cross-Site Request Forgery Prevention, signed double-submit cookie). Nothing is kept of them here, so that
 * visitors without a session cost nothing.
 */
@Component
public class BoundTokens implements CsrfTokenRepository {

    private static final String HEADER = "X-XSRF-TOKEN";

    private final InstallationProof proofs;
    private final String cookie;
    private final boolean isSecure;

    BoundTokens(Facing facing, InstallationProof proofs) {
        this.proofs = proofs;
        this.isSecure = facing.isSecure();
        this.cookie = isSecure ? "__Host-XSRF-TOKEN" : "XSRF-TOKEN";
    }

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        String random = Secrets.make();
        return token(random + "." + proof(random, request));
    }

    @Override
    public void saveToken(@Nullable CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        ResponseCookie set = ResponseCookie.from(cookie, token == null ? "" : token.getToken())
                .path("/")
                .secure(isSecure)
                .sameSite("Lax")
                .maxAge(token == null ? 0 : -1)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, set.toString());
    }

    /** The token of this session; null where the browser brings none, or one of another session. */
    @Override
    public @Nullable CsrfToken loadToken(HttpServletRequest request) {
        Cookie brought = WebUtils.getCookie(request, cookie);
        if (brought == null) {
            return null;
        }
        int end = brought.getValue().indexOf('.');
        if (end < 0) {
            return null;
        }
        byte[] expected = proof(brought.getValue().substring(0, end), request).getBytes(StandardCharsets.US_ASCII);
        byte[] given = brought.getValue().substring(end + 1).getBytes(StandardCharsets.UTF_8);
        return MessageDigest.isEqual(expected, given) ? token(brought.getValue()) : null;
    }

    /** Gives a browser the token of a session that has just begun. */
    public void renew(HttpServletRequest request, HttpServletResponse response) {
        saveToken(generateToken(request), request, response);
    }

    private static CsrfToken token(String value) {
        return new DefaultCsrfToken(HEADER, "_csrf", value);
    }

    private String proof(String random, HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        String bound = (session == null ? "" : session.getId()) + "!" + random;
        return Base64.getUrlEncoder()
                .withoutPadding()
                .encodeToString(proofs.of("token", bound.getBytes(StandardCharsets.UTF_8)));
    }
}
