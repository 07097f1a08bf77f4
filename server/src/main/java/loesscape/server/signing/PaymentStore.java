package loesscape.server.signing;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.server.outside.PaymentDesk;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Payments that signers have begun. */
@Repository
class PaymentStore {

    private static final String BEGUN =
            "SELECT reference, dispatch_id, role, address, amount, currency FROM payment WHERE state = 'BEGUN' AND ";

    private final JdbcClient database;
    private final Clock clock;

    PaymentStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * A payment that has not ended.
     *
     * @param reference by which the desk knows it
     * @param address of the field
     */
    record Begun(String reference, UUID dispatch, String role, String address, BigDecimal amount, String currency) {}

    void add(Begun begun) {
        database.sql("""
                        INSERT INTO payment (reference, dispatch_id, role, address, amount, currency, state, begun)
                        VALUES (?, ?, ?, ?, ?, ?, 'BEGUN', ?)
                        """)
                .params(
                        begun.reference(),
                        begun.dispatch(),
                        begun.role(),
                        begun.address(),
                        begun.amount(),
                        begun.currency(),
                        OffsetDateTime.now(clock))
                .update();
    }

    /** The payments of a field that have not ended. */
    List<Begun> begun(UUID dispatch, String address) {
        return database.sql(BEGUN + "dispatch_id = ? AND address = ?")
                .params(dispatch, address)
                .query(PaymentStore::read)
                .list();
    }

    /** The payment of a reference, where it has not ended. */
    Optional<Begun> find(String reference) {
        return database.sql(BEGUN + "reference = ?")
                .param(reference)
                .query(PaymentStore::read)
                .optional();
    }

    /** Ends a payment as it ended at the desk. */
    void end(String reference, PaymentDesk.DeskState state) {
        String ended = switch (state) {
            case APPROVED -> "PAID";
            case LATE -> "LATE";
            case REFUSED -> "REFUSED";
            case OPEN -> throw new IllegalArgumentException("An open payment has not ended");
        };
        database.sql("UPDATE payment SET state = ? WHERE reference = ?")
                .params(ended, reference)
                .update();
    }

    private static Begun read(ResultSet row, int n) throws SQLException {
        return new Begun(
                row.getString("reference"),
                row.getObject("dispatch_id", UUID.class),
                row.getString("role"),
                row.getString("address"),
                row.getBigDecimal("amount"),
                row.getString("currency"));
    }
}
