package loesscape.server.dispatch;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
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
import loesscape.server.outside.PaymentDesk;
import loesscape.server.security.Facing;
import loesscape.server.security.Secrets;
import loesscape.server.store.DatabaseFull;
import loesscape.server.store.DispatchStore;
import loesscape.server.store.DispatchStore.Actor;
import loesscape.server.store.DispatchStore.Kept;
import loesscape.server.store.FillingStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Payments of signers: begun here, made at the desk, and then the answer to their field. */
@Component
class Payments {

    private static final Logger LOG = LoggerFactory.getLogger(Payments.class);

    /** What a column of payments takes, and more than any desk. */
    private static final BigDecimal MOST = new BigDecimal("999999999999");

    private final JdbcClient database;
    private final DispatchStore dispatches;
    private final FillingStore fillings;
    private final Proceedings proceedings;
    private final PaymentDesk desk;
    private final TransactionTemplate transactions;
    private final Facing facing;
    private final Clock clock;

    Payments(
            JdbcClient database,
            DispatchStore dispatches,
            FillingStore fillings,
            Proceedings proceedings,
            PaymentDesk desk,
            TransactionTemplate transactions,
            Facing facing,
            Clock clock) {
        this.facing = facing;
        this.database = database;
        this.dispatches = dispatches;
        this.fillings = fillings;
        this.proceedings = proceedings;
        this.desk = desk;
        this.transactions = transactions;
        this.clock = clock;
    }

    private record Begun(
            String reference, UUID dispatch, String role, String address, BigDecimal amount, String currency) {}

    /** Who pays: a role of a dispatch that the running transaction has locked. */
    record Payer(Kept kept, String role) {}

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
        Due due = Objects.requireNonNull(transactions.execute(status -> due(payer.get(), address)));
        Optional<String> token = desk.begin(due.reference(), due.purpose(), due.amount());
        if (token.isEmpty() || !isWanted(due.reference(), token.get())) {
            throw new NotNow("What is to be paid has changed meanwhile; try again.");
        }
        return token.get();
    }

    /** Whether a payment is still wanted; one that is not is ended at the desk too. */
    private boolean isWanted(String reference, String token) {
        return Boolean.TRUE.equals(transactions.execute(status -> {
            boolean isWanted = find(reference).isPresent();
            if (!isWanted) {
                desk.find(token).ifPresent(other -> desk.end(other, PaymentDesk.State.LATE));
            }
            return isWanted;
        }));
    }

    /** What the desk is told. */
    private record Due(String reference, String purpose, String amount) {}

    private Due due(Payer payer, String address) {
        Kept kept = payer.kept();
        SignedDocument document = proceedings.document(kept);
        Field field = document.compiled().lexicon().field(RowNames.key(address));
        State state = document.state(payer.role(), proceedings.answers(kept), proceedings.today());
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
        return new Due(
                open(kept, address, amount).orElseGet(() -> {
                    String reference = Secrets.make();
                    database.sql("""
                                    INSERT INTO payment (reference, dispatch_id, role, address, amount, currency, state, begun)
                                    VALUES (?, ?, ?, ?, ?, ?, 'BEGUN', ?)
                                    """)
                            .params(
                                    reference,
                                    kept.id(),
                                    payer.role(),
                                    address,
                                    amount,
                                    kind.currency(),
                                    OffsetDateTime.now(clock))
                            .update();
                    return reference;
                }),
                kept.title() + ": " + field.label(),
                Display.number(kind, amount));
    }

    /**
     * The payment of this amount that is open already, so that nobody pays twice. One of another amount is ended; its
     * amount is not due any more.
     */
    private Optional<String> open(Kept kept, String address, BigDecimal amount) {
        Optional<String> reference = Optional.empty();
        List<Begun> begun = database.sql(BEGUN + "dispatch_id = ? AND address = ? AND state = 'BEGUN'")
                .params(kept.id(), address)
                .query(Payments::begun)
                .list();
        for (Begun payment : begun) {
            if (payment.amount().compareTo(amount) == 0) {
                reference = Optional.of(payment.reference());
            } else {
                desk.of(payment.reference()).ifPresent(other -> desk.end(other, PaymentDesk.State.LATE));
                database.sql("UPDATE payment SET state = 'LATE' WHERE reference = ?")
                        .param(payment.reference())
                        .update();
            }
        }
        return reference;
    }

    /** Ends a payment at the desk, and here: what was paid is the answer to its field. */
    void end(PaymentDesk.Due due, PaymentDesk.State state) {
        transactions.executeWithoutResult(status -> {
            if (desk.end(due, state)) {
                find(due.reference()).ifPresent(begun -> ended(begun, due, state));
            }
        });
    }

    private Optional<Begun> find(String reference) {
        return database.sql(BEGUN + "reference = ? AND state = 'BEGUN'")
                .param(reference)
                .query(Payments::begun)
                .optional();
    }

    private static final String BEGUN =
            "SELECT reference, dispatch_id, role, address, amount, currency FROM payment WHERE ";

    private static Begun begun(ResultSet row, int n) throws SQLException {
        return new Begun(
                row.getString("reference"),
                row.getObject("dispatch_id", UUID.class),
                row.getString("role"),
                row.getString("address"),
                row.getBigDecimal("amount"),
                row.getString("currency"));
    }

    private void ended(Begun begun, PaymentDesk.Due due, PaymentDesk.State state) {
        Kept kept = dispatches.lock(begun.dispatch()).orElseThrow();
        boolean paid = state == PaymentDesk.State.APPROVED;
        database.sql("UPDATE payment SET state = ? WHERE reference = ?")
                .params(paid ? "PAID" : state == PaymentDesk.State.LATE ? "LATE" : "REFUSED", begun.reference())
                .update();
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
            proceedings.happened(
                    kept, actor, List.of(new Event.Paid(begun.role(), begun.address(), due.amount(), reference)));
        } else {
            String because = state == PaymentDesk.State.LATE ? "nobody paid in time" : "the desk refused it";
            proceedings.happened(kept, actor, List.of(new Event.NotPaid(begun.role(), begun.address(), because)));
        }
    }

    /** Gives up on what nobody has paid in time. */
    void giveUp() {
        for (PaymentDesk.Due due : desk.late()) {
            try {
                end(due, PaymentDesk.State.LATE);
            } catch (RuntimeException e) {
                DatabaseFull.passOn(e);
                LOG.error("The late payment {} was not ended; it is tried again", due.reference(), e);
            }
        }
    }
}
