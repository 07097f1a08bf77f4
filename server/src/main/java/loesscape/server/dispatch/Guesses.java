package loesscape.server.dispatch;

import java.util.Optional;
import java.util.function.Supplier;
import loesscape.server.api.Problems;
import loesscape.server.security.FailedSignIns;
import org.springframework.stereotype.Component;

/** Links are followed here, so that whoever guesses them, from one network address, is slowed down. */
@Component
class Guesses {

    private final FailedSignIns failed;

    Guesses(FailedSignIns failed) {
        this.failed = failed;
    }

    /**
     * What a link leads to.
     *
     * @throws Problems.Missing where it leads nowhere
     * @throws Problems.TooOften where that has happened too often from there, whether or not it leads somewhere now
     */
    <T> T follow(String from, Supplier<Optional<T>> link) {
        String guesser = "link from " + from;
        if (failed.isClosed(guesser)) {
            throw new Problems.TooOften("Too many links that lead nowhere; wait five minutes and try again.");
        }
        return link.get().orElseThrow(() -> {
            failed.failed(guesser);
            return nowhere();
        });
    }

    static Problems.Missing nowhere() {
        return new Problems.Missing("This link leads nowhere. Ask whoever sent it for a new one.");
    }
}
