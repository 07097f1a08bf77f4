package loesscape.server.platform.doors;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Counts what went wrong by something, and how long the next try has to wait for it: nothing for the first few, then twice
 * as long each time, up to a most. Bounded, so that it cannot fill memory.
 */
public final class Tallies {

    private static final int MOST_KEPT = 10_000;
    private static final int MOST_DOUBLINGS = 20;

    private final Clock clock;
    private final int free;
    private final Duration longest;
    private final Duration forgotten;
    private final Map<String, Tally> tallies = new LinkedHashMap<>();

    private record Tally(int count, Instant last) {}

    /**
     * One that counts for itself alone.
     *
     * @param free how many failures cost nothing
     * @param longest the longest wait
     * @param forgotten after how long without a failure all of them are forgotten
     */
    public Tallies(Clock clock, int free, Duration longest, Duration forgotten) {
        this.clock = clock;
        this.free = free;
        this.longest = longest;
        this.forgotten = forgotten;
    }

    /** How long the next try has to wait; zero for not at all. */
    public synchronized Duration wait(String key) {
        Tally tally = tallies.get(key);
        Instant now = clock.instant();
        if (tally == null
                || tally.count() < free
                || tally.last().plus(forgotten).isBefore(now)) {
            return Duration.ZERO;
        }
        Duration whole = Duration.ofSeconds(1L << Math.min(tally.count() - free, MOST_DOUBLINGS));
        Duration bounded = whole.compareTo(longest) > 0 ? longest : whole;
        Duration left = Duration.between(now, tally.last().plus(bounded));
        return left.isNegative() ? Duration.ZERO : left;
    }

    /** Counts a failure. */
    public synchronized void failed(String key) {
        Instant now = clock.instant();
        Tally before = tallies.remove(key);
        int count = before == null || before.last().plus(forgotten).isBefore(now) ? 0 : before.count();
        tallies.put(key, new Tally(count + 1, now));
        if (tallies.size() > MOST_KEPT) {
            Iterator<String> oldest = tallies.keySet().iterator();
            oldest.next();
            oldest.remove();
        }
    }

    /** Forgets the failures of something. */
    public synchronized void forget(String key) {
        tallies.remove(key);
    }
}
