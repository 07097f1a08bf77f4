package loesscape.server.api;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import loesscape.core.editing.Refusal;
import loesscape.core.model.PlainLine;
import loesscape.server.demo.DemoWorld;
import loesscape.server.security.AccountRole;
import loesscape.server.security.Author;
import loesscape.server.security.FailedSignIns;
import loesscape.server.store.Accounts;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out, and the first author of a fresh installation. */
@RestController
class SessionApi {

    private static final int SHORTEST_PASSWORD = 10;
    private static final int LONGEST_PASSWORD = 1_000;
    private static final int LONGEST_NAME = 100;

    private final Accounts accounts;
    private final AuthenticationManager authentication;
    private final SecurityContextRepository contexts;
    private final PasswordEncoder encoder;
    private final FailedSignIns failed;
    private final boolean demo;

    SessionApi(
            Accounts accounts,
            AuthenticationManager authentication,
            SecurityContextRepository contexts,
            PasswordEncoder encoder,
            FailedSignIns failed,
            @Value("${loesscape.demo:false}") boolean demo) {
        this.accounts = accounts;
        this.authentication = authentication;
        this.contexts = contexts;
        this.encoder = encoder;
        this.failed = failed;
        this.demo = demo;
    }

    /** Who is signed in, and what the sign-in page offers. */
    public record Session(
            @Nullable String author,
            @Nullable AccountRole role,
            boolean needsSetup,
            @Nullable String demoAuthor) {}

    /** A name and a password. */
    public record Credentials(String name, String password) {

        @Override
        public String toString() {
            return "Credentials of " + name;
        }
    }

    @GetMapping("/api/session")
    Session session(@AuthenticationPrincipal @Nullable Author author) {
        return new Session(
                author == null ? null : author.name(),
                author == null ? null : author.role(),
                accounts.isEmpty(),
                demo ? DemoWorld.AUTHOR : null);
    }

    @PostMapping("/api/session")
    ResponseEntity<?> signIn(
            @RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        if (credentials.name().length() > LONGEST_NAME || credentials.password().length() > LONGEST_PASSWORD) {
            // No account has such; nothing is remembered of it, and nothing worked out.
            return refused(HttpStatus.UNAUTHORIZED, "Name and password do not go together.");
        }
        if (failed.isClosed(credentials.name())) {
            return refused(HttpStatus.TOO_MANY_REQUESTS, "Too many attempts; wait five minutes and try again.");
        }
        try {
            Authentication result = authentication.authenticate(UsernamePasswordAuthenticationToken.unauthenticated(
                    credentials.name().strip(), credentials.password()));
            failed.succeeded(credentials.name());
            return ResponseEntity.ok(keep(result, request, response));
        } catch (AuthenticationException e) {
            failed.failed(credentials.name());
            return refused(HttpStatus.UNAUTHORIZED, "Name and password do not go together.");
        }
    }

    /** Signs the demo author in without a password; there is no such thing outside demo mode. */
    @PostMapping("/api/session/demo")
    ResponseEntity<?> signInToDemo(HttpServletRequest request, HttpServletResponse response) {
        if (!demo) {
            return refused(HttpStatus.NOT_FOUND, "This is not the demo.");
        }
        Author author = accounts.find(DemoWorld.AUTHOR).orElse(null);
        if (author == null) {
            return refused(HttpStatus.SERVICE_UNAVAILABLE, "The demo is still being laid out; try again.");
        }
        return ResponseEntity.ok(keep(
                UsernamePasswordAuthenticationToken.authenticated(author, null, author.getAuthorities()),
                request,
                response));
    }

    @PostMapping("/api/setup")
    ResponseEntity<?> setUp(
            @RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        if (demo) {
            return refused(HttpStatus.NOT_FOUND, "The demo has its author.");
        }
        String name = credentials.name().strip();
        checkCredentials(name, credentials.password());
        if (!accounts.addFirst(name, java.util.Objects.requireNonNull(encoder.encode(credentials.password())))) {
            return refused(HttpStatus.CONFLICT, "There is an author already; sign in.");
        }
        return signIn(credentials, request, response);
    }

    /** Refuses names and passwords that are too short or too long. */
    static void checkCredentials(String name, String password) {
        if (name.isEmpty() || name.length() > LONGEST_NAME || !PlainLine.isPlain(name)) {
            throw new Refusal("Give a name of one line, at most %d characters.".formatted(LONGEST_NAME));
        }
        if (password.length() < SHORTEST_PASSWORD || password.length() > LONGEST_PASSWORD) {
            throw new Refusal("A password has %d to %d characters.".formatted(SHORTEST_PASSWORD, LONGEST_PASSWORD));
        }
    }

    @DeleteMapping("/api/session")
    ResponseEntity<Void> signOut(HttpServletRequest request) {
        end(request);
        return ResponseEntity.noContent().build();
    }

    private static void end(HttpServletRequest request) {
        var session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
    }

    private Session keep(Authentication result, HttpServletRequest request, HttpServletResponse response) {
        end(request);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(result);
        contexts.saveContext(context, request, response);
        return session((Author) result.getPrincipal());
    }

    private static ResponseEntity<ProblemDetail> refused(HttpStatus status, String detail) {
        return ResponseEntity.status(status).body(ProblemDetail.forStatusAndDetail(status, detail));
    }
}
