package loesscape.server.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Looks at the account of a session anew with each request: it may have been removed, its sessions ended, or what it may do
 * changed since its browser signed in.
 */
final class CurrentAccount extends OncePerRequestFilter {

    private final AccountStore accounts;

    CurrentAccount(AccountStore accounts) {
        this.accounts = accounts;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication before = SecurityContextHolder.getContext().getAuthentication();
        if (before != null && before.getPrincipal() instanceof Author author) {
            Author now = accounts.find(author.id()).orElse(null);
            if (now == null || now.epoch() != author.epoch()) {
                SecurityContextHolder.clearContext();
                HttpSession session = request.getSession(false);
                if (session != null) {
                    session.invalidate();
                }
            } else if (!now.equals(author)) {
                var context = SecurityContextHolder.createEmptyContext();
                context.setAuthentication(
                        UsernamePasswordAuthenticationToken.authenticated(now, null, now.getAuthorities()));
                SecurityContextHolder.setContext(context);
            }
        }
        chain.doFilter(request, response);
    }
}
