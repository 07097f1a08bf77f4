package loesscape.server.platform.clock;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.function.Supplier;

/**
 * The time, to the millisecond, which every store keeps exactly; its days are those of the place where the server stands.
 * Things can be done as if some time ago, so that invented data has a past.
 */
public final class ServerClock extends Clock {

    private final Clock now;
    private final ThreadLocal<Duration> ago = ThreadLocal.withInitial(() -> Duration.ZERO);

    /** The clock of the machine. */
    public ServerClock() {
        this(Clock.system(ZoneId.systemDefault()));
    }

    /** The time of another clock. */
    public ServerClock(Clock now) {
        this.now = Clock.tick(now, Duration.ofMillis(1));
    }

    @Override
    public ZoneId getZone() {
        return now.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return new ServerClock(now.withZone(zone));
    }

    @Override
    public Instant instant() {
        return now.instant().minus(ago.get());
    }

    /** Does something on this thread as if it were some time ago. */
    public <T> T ago(Duration time, Supplier<T> work) {
        Duration before = ago.get();
        ago.set(time);
        try {
            return work.get();
        } finally {
            ago.set(before);
        }
    }
}
