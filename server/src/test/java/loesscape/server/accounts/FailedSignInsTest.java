package loesscape.server.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;

/** Guessing is slowed down, and the innocent are not locked out by it. */
class FailedSignInsTest {

    private Instant now = Instant.parse("2026-11-27T09:00:00Z");

    private final FailedSignIns failed = new FailedSignIns(new Clock() {
        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    });

    private void fail(int times, String name, String from) {
        for (int i = 0; i < times; i++) {
            failed.failed(name, from);
        }
    }

    @Test
    void someFailuresAreFreeAndThenEachWaitIsTwiceAsLongUpToAMost() {
        fail(4, "Mira", "192.0.2.1");
        assertThat(failed.wait("Mira", "192.0.2.1")).isZero();
        for (int seconds = 1; seconds <= 256; seconds *= 2) {
            fail(1, "mira ", "192.0.2.1");
            assertThat(failed.wait("Mira", "192.0.2.1")).isEqualTo(Duration.ofSeconds(seconds));
        }
        fail(30, "MIRA", "192.0.2.1");
        assertThat(failed.wait("Mira", "192.0.2.1")).isEqualTo(Duration.ofMinutes(5));
        now = now.plus(Duration.ofMinutes(5)).plusSeconds(1);
        assertThat(failed.wait("Mira", "192.0.2.1")).isZero();
    }

    @Test
    void wrongPasswordsFromElsewhereDoNotCloseAnAccountToWhoeverKnowsIt() {
        failed.succeeded("Mira", "192.0.2.1");
        for (int i = 0; i < 200; i++) {
            failed.failed("Mira", "198.51.100." + i);
        }
        assertThat(failed.wait("Mira", "192.0.2.1")).isZero();
        assertThat(failed.wait("Mira", "203.0.113.9"))
                .as("somebody new waits, and is not locked out")
                .isPositive()
                .isLessThanOrEqualTo(Duration.ofSeconds(30));
    }

    @Test
    void oneOfficeBehindOneAddressDoesNotLockItselfOut() {
        failed.succeeded("Ada", "192.0.2.1");
        for (int i = 0; i < 100; i++) {
            failed.failed("guess " + i, "192.0.2.1");
        }
        assertThat(failed.wait("Ada", "192.0.2.1")).isZero();
        assertThat(failed.wait("Bela", "192.0.2.1")).isPositive().isLessThanOrEqualTo(Duration.ofSeconds(30));
        assertThat(failed.wait("Bela", "192.0.2.2")).isZero();
    }

    @Test
    void aHouseholdOfManyAddressesIsOne() {
        for (int i = 0; i < 6; i++) {
            failed.failed("Mira", "2001:db8:1:2::" + Integer.toHexString(i));
        }
        assertThat(failed.wait("Mira", "2001:db8:1:2:ffff::1")).isPositive();
        assertThat(failed.wait("Mira", "2001:db8:1:3::1")).isZero();
    }

    @Test
    void whatIsLongAgoIsForgotten() {
        fail(30, "Mira", "192.0.2.1");
        now = now.plus(Duration.ofMinutes(16));
        assertThat(failed.wait("Mira", "192.0.2.1")).isZero();
        fail(1, "Mira", "192.0.2.1");
        assertThat(failed.wait("Mira", "192.0.2.1")).isZero();
    }
}
