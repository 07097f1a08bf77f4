package loesscape.server.signing;

import java.math.BigDecimal;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Refused;
import loesscape.core.signing.Event;
import loesscape.core.signing.NotNow;
import loesscape.core.signing.SignedDocument;
import loesscape.core.wording.Display;
import loesscape.server.filling.FillingStore;
import loesscape.server.outside.PaymentDesk;
import loesscape.server.platform.database.DatabaseFull;
import loesscape.server.platform.doors.Facing;
import loesscape.server.platform.doors.Secrets;
import loesscape.server.signing.DispatchStore.Actor;
import loesscape.server.signing.DispatchStore.StoredDispatch;
import loesscape.server.signing.PaymentStore.Begun;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Payments of signers: begun here, made at the desk, and then the answer to their field. */
@Component
class Payments {

    private static final Logger LOG = LoggerFactory.getLogger(Payments.class);

    /** What a column of payments takes, and more than any desk. */
    private static final BigDecimal MOST = new BigDecimal("999999999999");

    private final PaymentStore payments;
    private final DispatchStore dispatches;
    private final FillingStore fillings;
    private final DispatchService dispatchService;
    private final PaymentDesk desk;
    private final TransactionTemplate transactions;
    private final Facing facing;

    Payments(
            PaymentStore payments,
            DispatchStore dispatches,
            FillingStore fillings,
            DispatchService dispatchService,
            PaymentDesk desk,
            TransactionTemplate transactions,
            Facing facing) {
        this.facing = facing;
        this.payments = payments;
        this.dispatches = dispatches;
        this.fillings = fillings;
        this.dispatchService = dispatchService;
        this.desk = desk;
        this.transactions = transactions;
    }

    /** Who pays: a role of a dispatch that the running transaction has locked. */
    record Payer(StoredDispatch kept, String role) {}

    /**
     * Begins a payment and tells the desk's token of it. The desk is asked when the transaction of what is kept here has
     * ended; where it does not answer, or the server stops meanwhile, the same payment is begun again with the next press.
     *
     * @param payer finds out who pays, and locks the dispatch
     */
    String begin(Supplier<Payer> payer, String address) {
        if (!facing.simulatedPayments()) {
            throw new NotNow("Nothing can be paid here: this server has no payment desk. Tell the sender.");
        }
        Payable due = Objects.requireNonNull(transactions.execute(status -> due(payer.get(), address)));
        Optional<String> token = desk.begin(due.reference(), due.purpose(), due.amount());
        if (token.isEmpty() || !isWanted(due.reference(), token.get())) {
            throw new NotNow("What is to be paid has changed meanwhile; try again.");
        }
        return token.get();
    }

    /** Whether a payment is still wanted; one that is not is ended at the desk too. */
    private boolean isWanted(String reference, String token) {
        return Boolean.TRUE.equals(transactions.execute(status -> {
            boolean isWanted = payments.find(reference).isPresent();
            if (!isWanted) {
                desk.find(token).ifPresent(other -> desk.end(other, PaymentDesk.DeskState.LATE));
            }
            return isWanted;
        }));
    }

    /** What the desk is told. */
    private record Payable(String reference, String purpose, String amount) {}

    private Payable due(Payer payer, String address) {
        StoredDispatch kept = payer.kept();
        DispatchDocument now = dispatchService.read(kept);
        SignedDocument document = now.document();
        Field field = document.compiled().symbols().field(RowNames.key(address));
        State state = now.state(payer.role());
        if (field == null
                || !(field.kind() instanceof FieldKind.Payment kind)
                || !document.owner(field).equals(payer.role())
                || !(state.nodes().get(address) instanceof NodeState.FieldState stands)
                || !stands.shown()
                || stands.due() == null
                || stands.due().signum() <= 0
                || !stands.value().isBlank()) {
            throw new NotNow("Nothing is to be paid there now.");
        }
        BigDecimal amount = stands.due();
        if (amount.compareTo(MOST) > 0) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "So much cannot be paid at once. Look at what you have answered, or ask the sender.");
        }
        return new Payable(
                open(kept, address, amount).orElseGet(() -> {
                    String reference = Secrets.make();
                    payments.add(new Begun(reference, kept.id(), payer.role(), address, amount, kind.currency()));
                    return reference;
                }),
                kept.title() + ": " + field.label(),
                Display.number(kind, amount));
    }

    /**
     * The payment of this amount that is open already, so that nobody pays twice. One of another amount is ended; its
     * amount is not due any more.
     */
    private Optional<String> open(StoredDispatch kept, String address, BigDecimal amount) {
        Optional<String> reference = Optional.empty();
        for (Begun payment : payments.begun(kept.id(), address)) {
            if (payment.amount().compareTo(amount) == 0) {
                reference = Optional.of(payment.reference());
            } else {
                desk.of(payment.reference()).ifPresent(other -> desk.end(other, PaymentDesk.DeskState.LATE));
                payments.end(payment.reference(), PaymentDesk.DeskState.LATE);
            }
        }
        return reference;
    }

    /** Ends a payment at the desk, and here: what was paid is the answer to its field. */
    void end(PaymentDesk.Due due, PaymentDesk.DeskState state) {
        transactions.executeWithoutResult(status -> {
            if (desk.end(due, state)) {
                payments.find(due.reference()).ifPresent(begun -> ended(begun, due, state));
            }
        });
    }

    private void ended(Begun begun, PaymentDesk.Due due, PaymentDesk.DeskState state) {
        StoredDispatch kept = dispatches.lock(begun.dispatch()).orElseThrow();
        boolean paid = state == PaymentDesk.DeskState.APPROVED;
        payments.end(begun.reference(), state);
        if (!kept.dispatch().isUnderWay()) {
            return;
        }
        Actor actor = new Actor("payment desk", "");
        if (paid) {
            String reference = begun.reference().substring(0, 12);
            fillings.keep(
                    kept.filling(),
                    begun.address(),
                    begun.amount().stripTrailingZeros().toPlainString() + " " + reference);
            dispatchService.happened(
                    kept, actor, List.of(new Event.Paid(begun.role(), begun.address(), due.amount(), reference)));
        } else {
            String because = state == PaymentDesk.DeskState.LATE ? "nobody paid in time" : "the desk refused it";
            dispatchService.happened(kept, actor, List.of(new Event.NotPaid(begun.role(), begun.address(), because)));
        }
    }

    /** Gives up on what nobody has paid in time. */
    void giveUp() {
        for (PaymentDesk.Due due : desk.late()) {
            try {
                end(due, PaymentDesk.DeskState.LATE);
            } catch (RuntimeException e) {
                DatabaseFull.passOn(e);
                LOG.error("The late payment {} was not ended; it is tried again", due.reference(), e);
            }
        }
    }
}
