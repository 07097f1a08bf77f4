package loesscape.server.testing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;

/** The clock of the machine, set forward. */
final class SettableClock extends Clock {

    private final Clock machine = Clock.system(ZoneId.systemDefault());
    private volatile Duration ahead = Duration.ZERO;

    void forward(Duration time) {
        ahead = ahead.plus(time);
    }

    @Override
    public ZoneId getZone() {
        return machine.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.offset(machine.withZone(zone), ahead);
    }

    @Override
    public Instant instant() {
        return machine.instant().plus(ahead);
    }
}
