package loesscape.server.filling;

import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.function.Supplier;
import loesscape.server.platform.web.Problems;
import org.springframework.stereotype.Component;

/** Links are followed here, so that whoever guesses them, from one network address, is slowed down. */
@Component
public class LinkThrottle {

    private final FailedLinks failed;

    /** Links are counted apart from names, so that nobody closes them by signing in under a chosen one. */
    public LinkThrottle(Clock clock) {
        this.failed = new FailedLinks(clock);
    }

    /**
     * What a link leads to. One that leads somewhere always does, whoever else has guessed from the same address.
     *
     * @throws Problems.Missing where it leads nowhere
     * @throws Problems.TooOften where that has happened too often from there
     */
    public <T> T follow(String from, Supplier<Optional<T>> link) {
        Optional<T> found = link.get();
        if (found.isPresent()) {
            return found.get();
        }
        Duration wait = failed.wait(from);
        if (wait.isPositive()) {
            throw new Problems.TooOften("Too many links that lead nowhere; wait a while and try again.", wait);
        }
        failed.failed(from);
        throw nowhere();
    }

    public static Problems.Missing nowhere() {
        return new Problems.Missing("This link leads nowhere. Ask whoever sent it for a new one.");
    }
}
