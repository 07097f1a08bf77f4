package loesscape.server.retention;

import java.time.Duration;
import java.util.concurrent.TimeUnit;
import loesscape.server.filling.FillingStore;
import loesscape.server.platform.database.DatabaseFull;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** What the server throws away of itself: what is over, and what was begun and never answered. */
@Component
class Tidying {

    private static final Logger LOG = LoggerFactory.getLogger(Tidying.class);
    private static final Duration UNANSWERED = Duration.ofDays(1);

    private final DeletionService deletions;
    private final FillingStore fillings;

    Tidying(DeletionService deletions, FillingStore fillings) {
        this.deletions = deletions;
        this.fillings = fillings;
    }

    @Scheduled(fixedDelay = 60, timeUnit = TimeUnit.SECONDS)
    void tidy() {
        try {
            deletions.deleteWhatIsOver();
            fillings.clearUnanswered(UNANSWERED);
        } catch (RuntimeException e) {
            if (!DatabaseFull.isBehind(e)) {
                LOG.warn("What is over was not thrown away; it is tried again", e);
            }
        }
    }
}
