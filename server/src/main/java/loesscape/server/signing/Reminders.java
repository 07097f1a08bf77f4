package loesscape.server.signing;

import java.util.List;
import java.util.UUID;
import loesscape.core.signing.Party;
import loesscape.core.signing.Signing;
import loesscape.server.platform.database.DatabaseFull;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Reminds those whose turn it is, where the sender asked for that. */
@Component
class Reminders {

    private static final Logger LOG = LoggerFactory.getLogger(Reminders.class);

    private final DispatchStore dispatches;
    private final DispatchService dispatchService;
    private final TransactionTemplate transactions;

    Reminders(DispatchStore dispatches, DispatchService dispatchService, TransactionTemplate transactions) {
        this.dispatches = dispatches;
        this.dispatchService = dispatchService;
        this.transactions = transactions;
    }

    void remind() {
        for (UUID id : dispatches.toBeReminded()) {
            try {
                transactions.executeWithoutResult(status -> remind(id));
            } catch (RuntimeException e) {
                DatabaseFull.passOn(e);
                LOG.error(
                        "The people of dispatch {} were not reminded; it is tried again when they would be next",
                        id,
                        e);
                dispatches.reminded(id);
            }
        }
    }

    private void remind(UUID id) {
        StoredDispatch kept = dispatches.lock(id).orElseThrow();
        dispatches.reminded(id);
        for (Party party : kept.dispatch().acting()) {
            kept = dispatchService.happened(kept, Actor.SERVER, List.of(Signing.remind(kept.dispatch(), party.role())));
        }
    }
}
