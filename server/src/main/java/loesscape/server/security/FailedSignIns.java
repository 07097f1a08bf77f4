package loesscape.server.security;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Slows down guessing: after some failures a name is closed for a while. Bounded, so that it cannot fill memory. */
@Component
public class FailedSignIns {

    private static final int MOST_FAILURES = 8;
    private static final int MOST_NAMES = 10_000;
    private static final Duration PAUSE = Duration.ofMinutes(5);

    private final Clock clock;
    private final Map<String, Failures> failures = new LinkedHashMap<>();

    /** One that counts for itself alone. */
    public FailedSignIns(Clock clock) {
        this.clock = clock;
    }

    private record Failures(int count, Instant last) {}

    /** Tells whether a name is closed for now. */
    public synchronized boolean isClosed(String name) {
        Failures of = failures.get(key(name));
        return of != null
                && of.count() >= MOST_FAILURES
                && of.last().plus(PAUSE).isAfter(clock.instant());
    }

    /** Counts a failure. */
    public synchronized void failed(String name) {
        Instant now = clock.instant();
        Failures before = failures.remove(key(name));
        int count = before == null || before.last().plus(PAUSE).isBefore(now) ? 0 : before.count();
        failures.put(key(name), new Failures(count + 1, now));
        Iterator<String> oldest = failures.keySet().iterator();
        if (failures.size() > MOST_NAMES) {
            oldest.next();
            oldest.remove();
        }
    }

    /** Forgets the failures of a name. */
    public synchronized void succeeded(String name) {
        failures.remove(key(name));
    }

    private static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }
}
