package loesscape.server.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;

/** The sessions of browsers that have signed in; each begins under a new name, with a new token against forged requests. */
@Component
public class SignedIn {

    private final SecurityContextRepository contexts;
    private final BoundTokens tokens;

    SignedIn(SecurityContextRepository contexts, BoundTokens tokens) {
        this.contexts = contexts;
        this.tokens = tokens;
    }

    /** Begins a session; one that the browser had ends. */
    public void begin(Author author, HttpServletRequest request, HttpServletResponse response) {
        invalidate(request);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(author, null, author.getAuthorities()));
        contexts.saveContext(context, request, response);
        tokens.renew(request, response);
    }

    /** Ends the session of a browser. */
    public void end(HttpServletRequest request, HttpServletResponse response) {
        invalidate(request);
        tokens.renew(request, response);
    }

    private static void invalidate(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
    }
}
