package loesscape.server.platform.database;

import java.time.Duration;

/** How long to wait before something is tried again. */
public final class Backoff {

    private static final int MOST_DOUBLINGS = 11;

    private Backoff() {}

    /** Two seconds after the first failure, twice as long after each further one, about an hour at the most. */
    public static Duration after(int failures) {
        return Duration.ofSeconds(2L << Math.min(failures, MOST_DOUBLINGS - 1));
    }
}
