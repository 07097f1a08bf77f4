package loesscape.server.signing;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import loesscape.server.platform.doors.Secrets;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The links of those who take part; of each only the hash of its secret is kept. */
@Repository
public class PartyLinkStore {

    private final JdbcClient database;
    private final Clock clock;

    PartyLinkStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** What a link is for. */
    public enum Purpose {
        TURN,
        DOCUMENT
    }

    /** Where a link of a person leads; {@code late} where it ended with the day on which the dispatch was due. */
    public record Link(UUID dispatch, String role, Purpose purpose, boolean ended, boolean late) {}

    /** Makes a link for a person and tells its secret, which is kept nowhere; earlier links of that purpose end. */
    public String addLink(UUID id, String role, Purpose purpose) {
        endLinks(id, role, purpose);
        String secret = Secrets.make();
        database.sql("INSERT INTO party_link (hash, dispatch_id, role, purpose, created) VALUES (?, ?, ?, ?, ?)")
                .params(Secrets.hash(secret), id, role, purpose.name(), OffsetDateTime.now(clock))
                .update();
        return secret;
    }

    /** Ends the links of a role. */
    public void endLinks(UUID id, String role, Purpose purpose) {
        database.sql(
                        "UPDATE party_link SET ended = ? WHERE dispatch_id = ? AND role = ? AND purpose = ? AND ended IS NULL")
                .params(OffsetDateTime.now(clock), id, role, purpose.name())
                .update();
    }

    /** Where the link with a secret leads; empty where there never was one. */
    public Optional<Link> follow(String secret) {
        return database.sql("""
                        SELECT dispatch_id, role, purpose, ended,
                          purpose = 'TURN' AND ends_when_due AND status = 'UNDER_WAY' AND due < ? AS late
                        FROM party_link JOIN dispatch ON dispatch.id = dispatch_id WHERE hash = ?
                        """)
                .params(LocalDate.now(clock), Secrets.hash(secret))
                .query((row, n) -> new Link(
                        row.getObject("dispatch_id", UUID.class),
                        row.getString("role"),
                        Purpose.valueOf(row.getString("purpose")),
                        row.getObject("ended") != null,
                        row.getBoolean("late")))
                .optional();
    }
}
