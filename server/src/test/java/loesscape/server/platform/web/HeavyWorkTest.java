package loesscape.server.platform.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;

class HeavyWorkTest {

    private static final Duration SHORT = Duration.ofMillis(100);

    @Test
    void noMoreIsDoneAtOnceThanThereIsRoomFor() throws Exception {
        HeavyWork heavy = new HeavyWork(2, SHORT, Duration.ofSeconds(20));
        CountDownLatch begun = new CountDownLatch(2);
        CountDownLatch end = new CountDownLatch(1);
        try (ExecutorService others = Executors.newFixedThreadPool(2)) {
            Future<?> one = others.submit(() -> heavy.run(() -> waited(begun, end)));
            Future<?> two = others.submit(() -> heavy.run(() -> waited(begun, end)));
            assertThat(begun.await(10, TimeUnit.SECONDS)).isTrue();
            assertThatThrownBy(() -> heavy.run(() -> "third"))
                    .isInstanceOf(Problems.Busy.class)
                    .hasMessageContaining("try again in a moment");
            end.countDown();
            one.get();
            two.get();
        }
        assertThat(heavy.run(() -> "there is room again")).isEqualTo("there is room again");
    }

    @Test
    void whatNeedsAllTheRoomIsDoneAlone() throws Exception {
        HeavyWork heavy = new HeavyWork(2, SHORT, Duration.ofSeconds(20));
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch end = new CountDownLatch(1);
        try (ExecutorService others = Executors.newFixedThreadPool(1)) {
            Future<?> one = others.submit(() -> heavy.alone(() -> waited(begun, end), Duration.ofSeconds(20)));
            assertThat(begun.await(10, TimeUnit.SECONDS)).isTrue();
            assertThatThrownBy(() -> heavy.run(() -> "beside it")).isInstanceOf(Problems.Busy.class);
            end.countDown();
            one.get();
        }
        assertThat(heavy.alone(() -> "there is room again", SHORT)).isEqualTo("there is room again");
        assertThatThrownBy(() -> heavy.alone(() -> waited(begun, new CountDownLatch(1)), SHORT))
                .hasMessageContaining("given up");
    }

    private static String waited(CountDownLatch begun, CountDownLatch end) throws InterruptedException {
        begun.countDown();
        end.await();
        return "done";
    }

    @Test
    void whatTakesTooLongIsGivenUpAndHoldsItsPlaceUntilItHasEnded() throws Exception {
        HeavyWork heavy = new HeavyWork(1, SHORT, SHORT);
        AtomicBoolean goesOn = new AtomicBoolean(true);
        assertThatThrownBy(() -> heavy.run(() -> {
                    while (goesOn.get()) {
                        Thread.onSpinWait();
                    }
                    return "";
                }))
                .isInstanceOf(Problems.Busy.class)
                .hasMessageContaining("given up");
        assertThatThrownBy(() -> heavy.run(() -> "")).isInstanceOf(Problems.Busy.class);
        goesOn.set(false);
        Thread.sleep(SHORT);
        assertThat(heavy.run(() -> "free")).isEqualTo("free");
    }

    @Test
    void whatGoesWrongIsToldAsItIs() {
        HeavyWork heavy = new HeavyWork(1, SHORT, SHORT);
        assertThatThrownBy(() -> heavy.run(() -> {
                    throw new IllegalArgumentException("no PDF");
                }))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("no PDF");
    }
}
