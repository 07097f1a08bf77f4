package loesscape.server.platform.web;

import java.time.Duration;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.stereotype.Component;

/**
 * What takes much memory and time, such as making and checking PDF files, shares little room: a few at a time, others wait
 * for a moment and are asked to come again. Whatever takes too long is given up; its place is free once it has really ended.
 */
@Component
public class HeavyWork {

    private static final int AT_ONCE = 2;
    private static final Duration PATIENCE = Duration.ofSeconds(5);
    private static final Duration LONGEST = Duration.ofSeconds(30);

    private final int atOnce;
    private final Semaphore room;
    private final Duration patience;
    private final Duration longest;
    private final ExecutorService workers = Executors.newCachedThreadPool(
            Thread.ofPlatform().daemon().name("heavy work ", 0).factory());

    HeavyWork() {
        this(AT_ONCE, PATIENCE, LONGEST);
    }

    HeavyWork(int atOnce, Duration patience, Duration longest) {
        this.atOnce = atOnce;
        this.room = new Semaphore(atOnce, true);
        this.patience = patience;
        this.longest = longest;
    }

    /**
     * Does something that looks at nothing but what it is given: it runs on a thread of its own.
     *
     * @throws Problems.Busy where there is no room for it, or it takes too long
     */
    public <T> T run(Callable<T> work) {
        return run(work, longest, 1);
    }

    /**
     * Does something that may need all the memory there is for such work: nothing else is done beside it.
     *
     * @param most after which it is given up
     */
    public <T> T alone(Callable<T> work, Duration most) {
        return run(work, most, atOnce);
    }

    private <T> T run(Callable<T> work, Duration most, int places) {
        try {
            if (!room.tryAcquire(places, patience.toMillis(), TimeUnit.MILLISECONDS)) {
                throw new Problems.Busy("Many documents are being made or checked; try again in a moment.", patience);
            }
            Future<T> done = workers.submit(() -> {
                try {
                    return work.call();
                } finally {
                    room.release(places);
                }
            });
            try {
                return done.get(most.toMillis(), TimeUnit.MILLISECONDS);
            } catch (TimeoutException e) {
                done.cancel(true);
                throw new Problems.Busy(
                        "This took longer than %d seconds, and was given up.".formatted(most.toSeconds()), most);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Problems.Busy("The server is being stopped.", patience);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException unexpected) {
                throw unexpected;
            }
            throw new IllegalStateException(e.getCause());
        }
    }
}
