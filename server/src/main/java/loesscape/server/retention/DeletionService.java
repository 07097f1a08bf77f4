package loesscape.server.retention;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.model.Refused;
import loesscape.core.signing.NotNow;
import loesscape.server.platform.web.Problems;
import loesscape.server.retention.DeletionStore.Deleted;
import loesscape.server.signing.DispatchStore;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Deletes what came in, with a reason, or because its time is over. */
@Service
public class DeletionService {

    private static final Logger LOG = LoggerFactory.getLogger(DeletionService.class);
    private static final int LONGEST_REASON = 1_000;
    private static final int MOST_DAYS = 36_500;
    private static final String SERVER = "server";

    private final DeletionStore store;
    private final DispatchStore dispatches;
    private final TransactionTemplate transactions;

    DeletionService(DeletionStore store, DispatchStore dispatches, TransactionTemplate transactions) {
        this.store = store;
        this.dispatches = dispatches;
        this.transactions = transactions;
    }

    @Transactional
    public void record(UUID template, int number, String because, String who) {
        String reason = reason(because);
        Optional<UUID> dispatch = store.dispatchOf(template, number);
        if (dispatch.isPresent()) {
            throw new NotNow("This record came of a dispatch, with its trail and its sealed document; delete that.");
        }
        if (!store.record(template, number, reason, who)) {
            throw new Problems.Missing("There is no record %d.".formatted(number));
        }
    }

    @Transactional
    public void dispatch(UUID id, String because, String who) {
        String reason = reason(because);
        StoredDispatch kept = dispatches.lock(id).orElseThrow(() -> new Problems.Missing("There is no such dispatch."));
        switch (kept.dispatch().status()) {
            case UNDER_WAY -> throw new NotNow("This is under way; take it back before it is deleted.");
            case FINISHED -> {
                if (!kept.isSealed()) {
                    throw new NotNow("The document is being sealed; delete it afterwards.");
                }
            }
            case DECLINED, WITHDRAWN -> {}
        }
        store.dispatch(id, reason, who);
    }

    private static String reason(String because) {
        String reason = because.strip();
        if (reason.isEmpty() || reason.length() > LONGEST_REASON) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "Say why in a few words, at most %d characters; that is kept.".formatted(LONGEST_REASON));
        }
        return reason;
    }

    /** After how many days what comes in of a template is deleted, null for never, and what was. */
    public record Retained(@Nullable Integer days, List<Deleted> deleted) {}

    @Transactional(readOnly = true)
    public Retained of(UUID template) {
        return new Retained(store.keepDays(template).orElse(null), store.list(template));
    }

    @Transactional
    public Retained keepFor(UUID template, @Nullable Integer days) {
        if (days != null && (days < 1 || days > MOST_DAYS)) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "What comes in is deleted after 1 to %d days, or never.".formatted(MOST_DAYS));
        }
        store.keepFor(template, days);
        return of(template);
    }

    /** Deletes what is over; one that cannot be deleted keeps none of the others. */
    public void deleteWhatIsOver() {
        String because = "its time was over";
        store.overRecords().forEach(it -> attempt(() -> store.record(it.template(), it.number(), because, SERVER)));
        store.overDispatches().forEach(id -> attempt(() -> store.dispatch(id, because, SERVER)));
        store.overFillings().forEach(it -> attempt(() -> store.filling(it.template(), it.filling(), because, SERVER)));
    }

    private void attempt(Runnable deletion) {
        try {
            transactions.executeWithoutResult(status -> deletion.run());
        } catch (RuntimeException e) {
            LOG.error("Something whose time was over was not deleted; it is tried again", e);
        }
    }
}
