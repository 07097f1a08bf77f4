package loesscape.server.accounts;

import java.time.Duration;
import loesscape.core.model.Refused;
import loesscape.server.platform.web.Problems;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Asks somebody who is signed in for their password once more, before what lets them in is changed. */
@Component
public class OwnPassword {

    private final PasswordEncoder encoder;
    private final FailedSignIns failed;

    OwnPassword(PasswordEncoder encoder, FailedSignIns failed) {
        this.encoder = encoder;
        this.failed = failed;
    }

    /**
     * Refuses a password that is not theirs; failures count as those at the sign-in page do.
     *
     * @throws Problems.TooOften where the next try has to wait
     */
    public void check(Author author, String password, String from) {
        Duration wait = failed.wait(author.name(), from);
        if (wait.isPositive()) {
            throw tooOften(wait);
        }
        if (password.length() > PasswordRules.LONGEST || !encoder.matches(password, author.hash())) {
            failed.failed(author.name(), from);
            throw new Refused(Refused.Cause.NOT_VALID, "That is not your password so far.");
        }
    }

    static Problems.TooOften tooOften(Duration wait) {
        return new Problems.TooOften(
                "Too many attempts; wait %d seconds and try again.".formatted(Math.max(1, wait.toSeconds())), wait);
    }
}
