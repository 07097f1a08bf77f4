package loesscape.server.outside;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import loesscape.server.platform.doors.Secrets;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;

/**
 * The payment desk: a house of its own, with a page of its own. It is told what is to be paid, and tells afterwards how
 * that went.
 */
@Component
public class PaymentDesk {

    private static final Duration OPEN_FOR = Duration.ofMinutes(15);

    private final PaymentDeskStore store;
    private final OutsideLog log;

    PaymentDesk(PaymentDeskStore store, OutsideLog log) {
        this.store = store;
        this.log = log;
    }

    /** How a payment stands at the desk. */
    public enum DeskState {
        OPEN,
        APPROVED,
        REFUSED,
        /** Nobody paid in time. */
        LATE
    }

    /**
     * What is to be paid.
     *
     * @param token by which the payer's page is found
     * @param reference by which whoever asked for the payment knows it
     * @param purpose what it is for
     * @param amount with its currency, in words
     */
    public record Due(String token, String reference, String purpose, String amount, DeskState state) {}

    /**
     * Begins a payment and tells the token of the page where it is made: the same one for the same reference, as long as
     * that payment is open; nothing where it has ended.
     *
     * @throws OutsideFailed where the desk does not answer
     */
    public Optional<String> begin(String reference, String purpose, String amount) {
        log.ask(OutsideService.PAYMENTS, "%s for %s".formatted(amount, purpose));
        Optional<Due> open = of(reference);
        if (open.isPresent()) {
            return open.map(Due::token);
        }
        String token = Secrets.make();
        try {
            store.add(token, reference, purpose, amount);
        } catch (DuplicateKeyException e) {
            return of(reference).map(Due::token);
        }
        log.passed(OutsideService.PAYMENTS, "Asked for %s for %s".formatted(amount, purpose), false);
        return Optional.of(token);
    }

    /** What is to be paid on the page of a token. */
    public Optional<Due> find(String token) {
        return store.find(token);
    }

    /** What is still open to be paid under a reference. */
    public Optional<Due> of(String reference) {
        return store.open(reference);
    }

    /** Ends a payment, once; tells whether it was open until now. */
    public boolean end(Due due, DeskState state) {
        boolean ended = store.end(due.token(), state);
        if (ended) {
            log.passed(
                    OutsideService.PAYMENTS,
                    "%s %s for %s".formatted(state.name().toLowerCase(Locale.ROOT), due.amount(), due.purpose()),
                    state != DeskState.APPROVED);
        }
        return ended;
    }

    /** The payments that were open for too long. */
    public List<Due> late() {
        return store.open(OPEN_FOR);
    }
}
