package loesscape.server.accounts.passkeys;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import loesscape.server.accounts.Author;
import loesscape.server.accounts.OwnPassword;
import loesscape.server.accounts.SignedIn;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.SecurityLog;
import loesscape.server.platform.web.Problems;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Passkeys in the pages: one's own, and signing in with them. */
@RestController
@RequestMapping("/api/session")
class PasskeysApi {

    private final Passkeys passkeys;
    private final OwnPassword password;
    private final SignedIn signedIn;
    private final SecurityLog log;

    PasskeysApi(Passkeys passkeys, OwnPassword password, SignedIn signedIn, SecurityLog log) {
        this.passkeys = passkeys;
        this.password = password;
        this.signedIn = signedIn;
        this.log = log;
    }

    /** What a browser is to ask of a device: options of Web Authentication, as JSON. */
    public record PasskeyAsked(String options) {}

    /** The password of whoever wants a passkey: who only sits at their desk must not get one. */
    public record PasskeyWanted(String password) {

        @Override
        public String toString() {
            return "PasskeyWanted";
        }
    }

    /** What a device has made, as JSON of Web Authentication, and how it is called. */
    public record PasskeyMade(String label, String credential) {}

    /** What a device has signed, as JSON of Web Authentication. */
    public record PasskeyAnswer(String credential) {}

    /**
     * A passkey of one's own.
     *
     * @param made when
     * @param used when somebody last signed in with it; null for never
     */
    public record PasskeyRow(
            int id, String label, String made, @Nullable String used) {}

    /** The passkeys of whoever asks. */
    public record PasskeyList(List<PasskeyRow> passkeys) {}

    @PostMapping("/passkey/asked")
    PasskeyAsked askToSignIn(@RequestHeader(HttpHeaders.HOST) String host) {
        return new PasskeyAsked(passkeys.askToSignIn(host));
    }

    @PostMapping("/passkey")
    ResponseEntity<?> signIn(
            @RequestBody PasskeyAnswer answer,
            @RequestHeader(HttpHeaders.HOST) String host,
            HttpServletRequest request,
            HttpServletResponse response) {
        Author author = passkeys.signIn(host, answer.credential()).orElse(null);
        if (author == null) {
            log.tell(SecurityEvent.SIGN_IN_FAILED, "", request.getRemoteAddr(), Map.of("with", "passkey"));
            return refused("This passkey opens nothing here. Sign in with your password.");
        }
        log.tell(SecurityEvent.SIGNED_IN, author.name(), request.getRemoteAddr(), Map.of("with", "passkey"));
        signedIn.begin(author, request, response);
        return ResponseEntity.noContent().build();
    }

    @GetMapping("/passkeys")
    ResponseEntity<?> list(@AuthenticationPrincipal @Nullable Author author) {
        return author == null ? signedOut() : ResponseEntity.ok(listed(author));
    }

    @PostMapping("/passkeys/asked")
    ResponseEntity<?> askToMake(
            @RequestBody PasskeyWanted wanted,
            @RequestHeader(HttpHeaders.HOST) String host,
            @AuthenticationPrincipal @Nullable Author author,
            HttpServletRequest request) {
        if (author == null) {
            return signedOut();
        }
        password.check(author, wanted.password(), request.getRemoteAddr());
        return ResponseEntity.ok(new PasskeyAsked(passkeys.askToMake(author, host)));
    }

    @PostMapping("/passkeys")
    ResponseEntity<?> make(
            @RequestBody PasskeyMade made,
            @RequestHeader(HttpHeaders.HOST) String host,
            @AuthenticationPrincipal @Nullable Author author,
            HttpServletRequest request) {
        if (author == null) {
            return signedOut();
        }
        passkeys.make(author, host, made.label(), made.credential());
        log.tell(SecurityEvent.PASSKEY_ADDED, author.name(), request.getRemoteAddr());
        return ResponseEntity.ok(listed(author));
    }

    @DeleteMapping("/passkeys/{passkey}")
    ResponseEntity<?> remove(
            @PathVariable long passkey, @AuthenticationPrincipal @Nullable Author author, HttpServletRequest request) {
        if (author == null) {
            return signedOut();
        }
        if (!passkeys.remove(author, passkey)) {
            throw new Problems.Missing("You have no such passkey any more.");
        }
        log.tell(SecurityEvent.PASSKEY_REMOVED, author.name(), request.getRemoteAddr());
        return ResponseEntity.ok(listed(author));
    }

    private PasskeyList listed(Author author) {
        return new PasskeyList(passkeys.list(author).stream()
                .map(it -> new PasskeyRow(
                        Math.toIntExact(it.id()),
                        it.label(),
                        it.made().toString(),
                        it.used() == null ? null : it.used().toString()))
                .toList());
    }

    private static ResponseEntity<ProblemDetail> signedOut() {
        return refused("Sign in to go on.");
    }

    private static ResponseEntity<ProblemDetail> refused(String detail) {
        return ResponseEntity.status(HttpStatus.UNAUTHORIZED)
                .body(ProblemDetail.forStatusAndDetail(HttpStatus.UNAUTHORIZED, detail));
    }
}
