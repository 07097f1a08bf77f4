package loesscape.server.accounts;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import loesscape.server.platform.doors.Network;
import loesscape.server.platform.doors.Tallies;
import org.springframework.stereotype.Component;

/**
 * Slows down guessing without closing the door to those who belong here. Failures are counted by name and network together,
 * by name alone, and by network alone; each only makes the next try wait. Whoever has signed in under a name from a network
 * before waits for their own failures only, whatever others do under that name, or from that network.
 */
@Component
public class FailedSignIns {

    private static final Duration FORGOTTEN = Duration.ofMinutes(15);
    private static final Duration KNOWN_FOR = Duration.ofDays(30);
    private static final int MOST_KNOWN = 10_000;

    private final Clock clock;
    private final Tallies together;
    private final Tallies byName;
    private final Tallies byNetwork;
    private final Map<String, Instant> known = new LinkedHashMap<>();

    /** One that counts for itself alone. */
    public FailedSignIns(Clock clock) {
        this.clock = clock;
        this.together = new Tallies(clock, 5, Duration.ofMinutes(5), FORGOTTEN);
        this.byName = new Tallies(clock, 20, Duration.ofSeconds(30), FORGOTTEN);
        this.byNetwork = new Tallies(clock, 50, Duration.ofSeconds(30), FORGOTTEN);
    }

    /** How long the next try has to wait; zero for not at all. */
    public synchronized Duration wait(String name, String from) {
        String both = both(name, from);
        Duration own = together.wait(both);
        Instant since = known.get(both);
        if (since != null && since.plus(KNOWN_FOR).isAfter(clock.instant())) {
            return own;
        }
        Duration others = longer(byName.wait(AccountNames.folded(name)), byNetwork.wait(Network.of(from)));
        return longer(own, others);
    }

    /** Counts a failure. */
    public synchronized void failed(String name, String from) {
        together.failed(both(name, from));
        byName.failed(AccountNames.folded(name));
        byNetwork.failed(Network.of(from));
    }

    /** Forgets the failures of whoever has signed in, and knows them from now on. */
    public synchronized void succeeded(String name, String from) {
        String both = both(name, from);
        together.forget(both);
        known.remove(both);
        known.put(both, clock.instant());
        if (known.size() > MOST_KNOWN) {
            known.remove(known.keySet().iterator().next());
        }
    }

    private static String both(String name, String from) {
        return AccountNames.folded(name) + "\n" + Network.of(from);
    }

    private static Duration longer(Duration a, Duration b) {
        return a.compareTo(b) > 0 ? a : b;
    }
}
