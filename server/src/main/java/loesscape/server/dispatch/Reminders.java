package loesscape.server.dispatch;

import java.util.List;
import java.util.UUID;
import loesscape.core.signing.Party;
import loesscape.core.signing.Signing;
import loesscape.server.store.DatabaseFull;
import loesscape.server.store.DispatchStore;
import loesscape.server.store.DispatchStore.Actor;
import loesscape.server.store.DispatchStore.Kept;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Reminds those whose turn it is, where the sender asked for that. */
@Component
class Reminders {

    private static final Logger LOG = LoggerFactory.getLogger(Reminders.class);

    private final DispatchStore dispatches;
    private final Proceedings proceedings;
    private final TransactionTemplate transactions;

    Reminders(DispatchStore dispatches, Proceedings proceedings, TransactionTemplate transactions) {
        this.dispatches = dispatches;
        this.proceedings = proceedings;
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
        Kept kept = dispatches.lock(id).orElseThrow();
        dispatches.reminded(id);
        for (Party party : kept.dispatch().acting()) {
            kept = proceedings.happened(kept, Actor.SERVER, List.of(Signing.remind(kept.dispatch(), party.role())));
        }
    }
}
