package loesscape.server.outside;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import loesscape.server.outside.PaymentDesk.DeskState;
import loesscape.server.outside.PaymentDesk.Due;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What the payment desk knows. */
@Repository
class PaymentDeskStore {

    private static final String COLUMNS = "SELECT token, reference, purpose, amount, state FROM outside_payment WHERE ";

    private final JdbcClient database;
    private final Clock clock;

    PaymentDeskStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Keeps what is to be paid; a reference has one open payment at a time. */
    void add(String token, String reference, String purpose, String amount) {
        database.sql("""
                        INSERT INTO outside_payment (token, reference, purpose, amount, state, made)
                        VALUES (?, ?, ?, ?, 'OPEN', ?)
                        """)
                .params(token, reference, purpose, amount, OffsetDateTime.now(clock))
                .update();
    }

    Optional<Due> find(String token) {
        return database.sql(COLUMNS + "token = ?")
                .param(token)
                .query(PaymentDeskStore::read)
                .optional();
    }

    /** What is open under a reference. */
    Optional<Due> open(String reference) {
        return database.sql(COLUMNS + "reference = ? AND state = 'OPEN'")
                .param(reference)
                .query(PaymentDeskStore::read)
                .optional();
    }

    /** What has been open for longer than this. */
    List<Due> open(Duration longerThan) {
        return database.sql(COLUMNS + "state = 'OPEN' AND made < ?")
                .param(OffsetDateTime.now(clock).minus(longerThan))
                .query(PaymentDeskStore::read)
                .list();
    }

    /** Ends an open payment; tells whether it was open until now. */
    boolean end(String token, DeskState state) {
        return database.sql("UPDATE outside_payment SET state = ? WHERE token = ? AND state = 'OPEN'")
                        .params(state.name(), token)
                        .update()
                == 1;
    }

    private static Due read(ResultSet row, int n) throws SQLException {
        return new Due(
                row.getString("token"),
                row.getString("reference"),
                row.getString("purpose"),
                row.getString("amount"),
                DeskState.valueOf(row.getString("state")));
    }
}
