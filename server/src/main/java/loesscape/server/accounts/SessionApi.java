package loesscape.server.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Objects;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.SecurityLog;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out, one's own password, and the first author of a fresh installation. */
@RestController
class SessionApi {

    private final AccountStore accounts;
    private final AuthenticationManager authentication;
    private final SignedIn signedIn;
    private final PasswordEncoder encoder;
    private final FailedSignIns failed;
    private final OwnPassword own;
    private final SetupLink setup;
    private final SecurityLog log;
    private final boolean demo;

    SessionApi(
            AccountStore accounts,
            AuthenticationManager authentication,
            SignedIn signedIn,
            PasswordEncoder encoder,
            FailedSignIns failed,
            OwnPassword own,
            SetupLink setup,
            SecurityLog log,
            @Value("${loesscape.demo:false}") boolean demo) {
        this.accounts = accounts;
        this.authentication = authentication;
        this.signedIn = signedIn;
        this.encoder = encoder;
        this.failed = failed;
        this.own = own;
        this.setup = setup;
        this.log = log;
        this.demo = demo;
    }

    /** Who is signed in, and what the sign-in page offers. */
    public record SessionView(
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

    /** The first author, by the link that the console told. */
    public record FirstAuthor(String link, String name, String password) {

        @Override
        public String toString() {
            return "FirstAuthor " + name;
        }
    }

    /** A new password in place of the one so far. */
    public record PasswordChange(String before, String after) {

        @Override
        public String toString() {
            return "PasswordChange";
        }
    }

    /** A new password by a link. */
    public record PasswordSet(String link, String password) {

        @Override
        public String toString() {
            return "PasswordSet";
        }
    }

    /** Whose password is to be set. */
    public record PasswordOf(String name) {}

    @GetMapping("/api/session")
    SessionView session(@AuthenticationPrincipal @Nullable Author author) {
        return new SessionView(
                author == null ? null : author.name(),
                author == null ? null : author.role(),
                !demo && accounts.isEmpty(),
                demo ? DemoAuthor.NAME : null);
    }

    @PostMapping("/api/session")
    ResponseEntity<?> signIn(
            @RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        boolean isNobodys = credentials.name().length() > PasswordRules.LONGEST_NAME
                || credentials.password().length() > PasswordRules.LONGEST;
        if (isNobodys) {
            // No account has such; nothing is remembered of it, and nothing worked out.
            return refused(HttpStatus.UNAUTHORIZED, "Name and password do not go together.");
        }
        String from = request.getRemoteAddr();
        Duration wait = failed.wait(credentials.name(), from);
        if (wait.isPositive()) {
            log.tell(SecurityEvent.SIGN_IN_DELAYED, credentials.name(), from);
            throw OwnPassword.tooOften(wait);
        }
        try {
            Author author = (Author) Objects.requireNonNull(authentication
                    .authenticate(UsernamePasswordAuthenticationToken.unauthenticated(
                            credentials.name().strip(), credentials.password()))
                    .getPrincipal());
            failed.succeeded(credentials.name(), from);
            log.tell(SecurityEvent.SIGNED_IN, author.name(), from);
            return ResponseEntity.ok(keep(author, request, response));
        } catch (AuthenticationException e) {
            failed.failed(credentials.name(), from);
            log.tell(SecurityEvent.SIGN_IN_FAILED, credentials.name(), from);
            return refused(HttpStatus.UNAUTHORIZED, "Name and password do not go together.");
        }
    }

    /** Signs the demo author in without a password; there is no such thing outside demo mode. */
    @PostMapping("/api/session/demo")
    ResponseEntity<?> signInToDemo(HttpServletRequest request, HttpServletResponse response) {
        if (!demo) {
            return refused(HttpStatus.NOT_FOUND, "This is not the demo.");
        }
        Author author = accounts.find(DemoAuthor.NAME).orElse(null);
        if (author == null) {
            return refused(HttpStatus.SERVICE_UNAVAILABLE, "The demo is still being laid out; try again.");
        }
        log.tell(SecurityEvent.SIGNED_IN, author.name(), request.getRemoteAddr());
        return ResponseEntity.ok(keep(author, request, response));
    }

    @PostMapping("/api/setup")
    ResponseEntity<?> setUp(@RequestBody FirstAuthor wanted, HttpServletRequest request, HttpServletResponse response) {
        if (demo || !setup.is(wanted.link())) {
            return refused(
                    HttpStatus.NOT_FOUND,
                    "This link makes no author. The one that does is on the console, where the server was started.");
        }
        String name = wanted.name().strip();
        PasswordRules.check(name, wanted.password());
        String hash = Objects.requireNonNull(encoder.encode(wanted.password()));
        if (!setup.use(() -> accounts.addFirst(name, hash))) {
            return refused(HttpStatus.CONFLICT, "There is an author already; sign in.");
        }
        log.tell(SecurityEvent.ACCOUNT_ADDED, name, request.getRemoteAddr());
        return signIn(new Credentials(name, wanted.password()), request, response);
    }

    /** Changes one's own password; all other sessions of the account end. */
    @PutMapping("/api/session/password")
    ResponseEntity<?> changePassword(
            @RequestBody PasswordChange change,
            @AuthenticationPrincipal @Nullable Author author,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (author == null) {
            return refused(HttpStatus.UNAUTHORIZED, "Sign in to go on.");
        }
        String from = request.getRemoteAddr();
        own.check(author, change.before(), from);
        PasswordRules.check(author.name(), change.after());
        accounts.setPassword(author.id(), Objects.requireNonNull(encoder.encode(change.after())));
        log.tell(SecurityEvent.PASSWORD_CHANGED, author.name(), from);
        return ResponseEntity.ok(keep(accounts.find(author.id()).orElseThrow(), request, response));
    }

    /** Ends all other sessions of the account one is signed in to. */
    @DeleteMapping("/api/session/others")
    ResponseEntity<?> endOthers(
            @AuthenticationPrincipal @Nullable Author author,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (author == null) {
            return refused(HttpStatus.UNAUTHORIZED, "Sign in to go on.");
        }
        accounts.endSessions(author.id());
        log.tell(SecurityEvent.SESSIONS_ENDED, author.name(), request.getRemoteAddr());
        return ResponseEntity.ok(keep(accounts.find(author.id()).orElseThrow(), request, response));
    }

    /** Whose new password a link is for. */
    @PostMapping("/api/session/reset")
    ResponseEntity<?> resets(@RequestBody PasswordSet by) {
        return accounts.resetBy(by.link())
                .<ResponseEntity<?>>map(author -> ResponseEntity.ok(new PasswordOf(author.name())))
                .orElseGet(SessionApi::noReset);
    }

    /** Sets a password by a link, which ends with it, and signs in. Passkeys of before are gone: whoever has one may be why. */
    @PutMapping("/api/session/reset")
    ResponseEntity<?> reset(@RequestBody PasswordSet wanted, HttpServletRequest request, HttpServletResponse response) {
        Author author = accounts.resetBy(wanted.link()).orElse(null);
        if (author == null) {
            return noReset();
        }
        PasswordRules.check(author.name(), wanted.password());
        accounts.recover(author.id(), Objects.requireNonNull(encoder.encode(wanted.password())));
        log.tell(SecurityEvent.PASSWORD_CHANGED, author.name(), request.getRemoteAddr());
        return ResponseEntity.ok(keep(accounts.find(author.id()).orElseThrow(), request, response));
    }

    private static ResponseEntity<ProblemDetail> noReset() {
        return refused(HttpStatus.NOT_FOUND, "This link leads nowhere any more. Ask an author for a new one.");
    }

    @DeleteMapping("/api/session")
    ResponseEntity<Void> signOut(
            @AuthenticationPrincipal @Nullable Author author,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (author != null) {
            log.tell(SecurityEvent.SIGNED_OUT, author.name(), request.getRemoteAddr());
        }
        signedIn.end(request, response);
        return ResponseEntity.noContent().build();
    }

    private SessionView keep(Author author, HttpServletRequest request, HttpServletResponse response) {
        signedIn.begin(author, request, response);
        return session(author);
    }

    private static ResponseEntity<ProblemDetail> refused(HttpStatus status, String detail) {
        return ResponseEntity.status(status).body(ProblemDetail.forStatusAndDetail(status, detail));
    }
}
