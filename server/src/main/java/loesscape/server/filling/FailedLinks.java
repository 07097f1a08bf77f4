package loesscape.server.filling;

import java.time.Clock;
import java.time.Duration;
import loesscape.server.platform.doors.Network;
import loesscape.server.platform.doors.Tallies;

/** Counts links that lead nowhere, by the network they are followed from. */
public final class FailedLinks {

    private static final int FREE = 8;

    private final Tallies tallies;

    /** One that counts for itself alone. */
    public FailedLinks(Clock clock) {
        this.tallies = new Tallies(clock, FREE, Duration.ofMinutes(5), Duration.ofMinutes(15));
    }

    /** How long the next link that leads nowhere has to wait before anything is said of it; zero for not at all. */
    public Duration wait(String from) {
        return tallies.wait(Network.of(from));
    }

    /** Counts one. */
    public void failed(String from) {
        tallies.failed(Network.of(from));
    }
}
