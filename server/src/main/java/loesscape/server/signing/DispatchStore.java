package loesscape.server.signing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.signing.Dispatch;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Party;
import loesscape.core.signing.Person;
import loesscape.formats.evidence.Trail;
import loesscape.formats.evidence.TrailEntry;
import loesscape.formats.json.Json;
import loesscape.server.platform.doors.Secrets;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;

/** Dispatches with their parties and trails. A trail only grows. */
@Repository
public class DispatchStore {

    private final JdbcClient database;
    private final Clock clock;

    DispatchStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /**
     * A dispatch as it is kept.
     *
     * @param firstRole the role that has what was given to nobody
     * @param record the number of the record it became; null while it is not finished
     * @param isSealed whether its document was sealed
     */
    public record StoredDispatch(
            UUID id,
            UUID template,
            int release,
            long filling,
            long account,
            String title,
            String message,
            String firstRole,
            int remindDays,
            Instant sent,
            Instant changed,
            @Nullable Integer record,
            boolean isSealed,
            Dispatch dispatch) {

        StoredDispatch with(Dispatch after) {
            return new StoredDispatch(
                    id,
                    template,
                    release,
                    filling,
                    account,
                    title,
                    message,
                    firstRole,
                    remindDays,
                    sent,
                    changed,
                    record,
                    isSealed,
                    after);
        }
    }

    /** What is to be sent. */
    public record New(
            UUID template,
            int release,
            long account,
            String title,
            String message,
            String firstRole,
            @Nullable LocalDate due,
            boolean delegable,
            int remindDays,
            boolean endsWhenDue) {}

    /** Who did something, and from which network address; that is empty where the server itself did it. */
    public record Actor(String who, String from) {

        /** The server itself. */
        public static final Actor SERVER = new Actor("server", "");
    }

    /** Begins a dispatch that nothing has happened to yet. */
    public UUID add(New wanted) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        GeneratedKeyHolder filling = new GeneratedKeyHolder();
        database.sql("INSERT INTO filling (started, changed) VALUES (?, ?)")
                .params(now, now)
                .update(filling, "id");
        UUID id = UUID.randomUUID();
        database.sql("""
                        INSERT INTO dispatch (id, template_id, release, filling_id, account_id, title, message, first_role,
                                              status, because, due, delegable, remind_days, ends_when_due, reminded, sent,
                                              changed)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?, 'UNDER_WAY', '', ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        id,
                        wanted.template(),
                        wanted.release(),
                        Objects.requireNonNull(filling.getKey()).longValue(),
                        wanted.account(),
                        wanted.title(),
                        wanted.message(),
                        wanted.firstRole())
                .param(wanted.due())
                .params(wanted.delegable(), wanted.remindDays(), wanted.endsWhenDue(), now, now, now)
                .update();
        return id;
    }

    /** A dispatch. */
    public Optional<StoredDispatch> find(UUID id) {
        return find(id, "");
    }

    /** The dispatch that became a record. */
    public Optional<StoredDispatch> ofRecord(UUID template, int record) {
        return database.sql("SELECT id FROM dispatch WHERE template_id = ? AND record = ?")
                .params(template, record)
                .query((row, n) -> row.getObject("id", UUID.class))
                .optional()
                .flatMap(this::find);
    }

    /** A dispatch, kept from change by others until the transaction ends. */
    public Optional<StoredDispatch> lock(UUID id) {
        return find(id, " FOR UPDATE");
    }

    /** The dispatch behind somebody's link, kept from change by others until the transaction ends. */
    public Optional<StoredDispatch> lockBehind(String secret) {
        return read("WHERE id = (SELECT dispatch_id FROM party_link WHERE hash = ?) FOR UPDATE", Secrets.hash(secret));
    }

    private Optional<StoredDispatch> find(UUID id, String locking) {
        return read("WHERE id = ?" + locking, id);
    }

    private Optional<StoredDispatch> read(String where, Object which) {
        return database.sql(COLUMNS + where)
                .param(which)
                .query(DispatchStore::kept)
                .optional()
                .map(kept -> kept.with(new Dispatch(
                        kept.dispatch().status(),
                        parties(kept.id()),
                        kept.dispatch().due(),
                        kept.dispatch().mayDelegate(),
                        kept.dispatch().because())));
    }

    private static final String COLUMNS = """
            SELECT id, template_id, release, filling_id, account_id, title, message, first_role, status, because, due,
                   delegable, remind_days, sent, changed, record, digest FROM dispatch\s""";

    private static StoredDispatch kept(ResultSet row, int n) throws SQLException {
        return new StoredDispatch(
                row.getObject("id", UUID.class),
                row.getObject("template_id", UUID.class),
                row.getInt("release"),
                row.getLong("filling_id"),
                row.getLong("account_id"),
                row.getString("title"),
                row.getString("message"),
                row.getString("first_role"),
                row.getInt("remind_days"),
                row.getObject("sent", OffsetDateTime.class).toInstant(),
                row.getObject("changed", OffsetDateTime.class).toInstant(),
                row.getObject("record", Integer.class),
                row.getString("digest") != null,
                new Dispatch(
                        Dispatch.Status.valueOf(row.getString("status")),
                        List.of(),
                        row.getObject("due", LocalDate.class),
                        row.getBoolean("delegable"),
                        row.getString("because")));
    }

    private List<Party> parties(UUID id) {
        return database.sql("SELECT * FROM party WHERE dispatch_id = ? ORDER BY place")
                .param(id)
                .query(DispatchStore::party)
                .list();
    }

    private static Party party(ResultSet row, int n) throws SQLException {
        return new Party(
                row.getString("role"),
                row.getString("title"),
                row.getInt("turn_order"),
                new Person(row.getString("name"), row.getString("address"), row.getString("phone")),
                Party.Turn.valueOf(row.getString("turn")),
                row.getBoolean("opened"),
                row.getBoolean("consented"),
                IdentityCheck.valueOf(row.getString("identity_check")),
                row.getBoolean("identified"));
    }

    /** Some dispatches, in the order in which they are asked for. */
    public List<StoredDispatch> list(List<UUID> ids) {
        return ids.stream().flatMap(id -> find(id).stream()).toList();
    }

    /** How a dispatch that its caller has locked stands after one more event, which is added to its trail. */
    public StoredDispatch happened(StoredDispatch before, Actor actor, Event event) {
        append(before.id(), actor, event);
        Dispatch after = before.dispatch().after(event);
        boolean isNew = before.dispatch().parties().isEmpty();
        for (int place = 0; place < after.parties().size(); place++) {
            Party party = after.parties().get(place);
            if (isNew) {
                insert(before.id(), place, party);
            } else if (!party.equals(before.dispatch().parties().get(place))) {
                update(before.id(), party);
            }
        }
        database.sql("UPDATE dispatch SET status = ?, because = ?, changed = ? WHERE id = ?")
                .params(after.status().name(), after.because(), OffsetDateTime.now(clock), before.id())
                .update();
        return before.with(after);
    }

    private void append(UUID id, Actor actor, Event event) {
        Trail last = new Trail(database.sql("SELECT * FROM trail WHERE dispatch_id = ? ORDER BY number DESC LIMIT 1")
                .param(id)
                .query(DispatchStore::entry)
                .list());
        TrailEntry entry = last.next(clock.instant(), actor.who(), actor.from(), event);
        database.sql("INSERT INTO trail (dispatch_id, number, at, text, hash) VALUES (?, ?, ?, ?, ?)")
                .params(
                        id,
                        entry.number(),
                        OffsetDateTime.ofInstant(entry.at(), ZoneOffset.UTC),
                        entry.text(),
                        entry.hash())
                .update();
    }

    private void insert(UUID id, int place, Party party) {
        database.sql("""
                        INSERT INTO party (dispatch_id, role, place, title, turn_order, name, address, phone, turn, opened,
                                           consented, identity_check, identified)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        id,
                        party.role(),
                        place,
                        party.title(),
                        party.order(),
                        party.person().name(),
                        party.person().address(),
                        party.person().phone(),
                        party.turn().name(),
                        party.hasOpened(),
                        party.hasConsented(),
                        party.check().name(),
                        party.isIdentified())
                .update();
    }

    private void update(UUID id, Party party) {
        database.sql("""
                        UPDATE party SET name = ?, address = ?, phone = ?, turn = ?, opened = ?, consented = ?, identified = ?
                        WHERE dispatch_id = ? AND role = ?
                        """)
                .params(
                        party.person().name(),
                        party.person().address(),
                        party.person().phone(),
                        party.turn().name(),
                        party.hasOpened(),
                        party.hasConsented(),
                        party.isIdentified(),
                        id,
                        party.role())
                .update();
    }

    /** All that happened to a dispatch. */
    public Trail trail(UUID id) {
        return new Trail(database.sql("SELECT * FROM trail WHERE dispatch_id = ? ORDER BY number")
                .param(id)
                .query(DispatchStore::entry)
                .list());
    }

    /** Of what the first version kept, which was the parts of an entry, the text is put together as it was hashed then. */
    private static TrailEntry entry(ResultSet row, int n) throws SQLException {
        String text = row.getString("text");
        if (text == null) {
            text = TrailEntry.firstText(
                    row.getInt("number"),
                    row.getObject("at", OffsetDateTime.class).toInstant(),
                    row.getString("who"),
                    row.getString("origin"),
                    Json.parse(row.getString("event")),
                    row.getString("before"));
        }
        return TrailEntry.read(text, row.getString("hash"));
    }

    /** The dispatches under way whose people are to be reminded now. */
    public List<UUID> toBeReminded() {
        return database.sql("""
                        SELECT id FROM dispatch WHERE status = 'UNDER_WAY' AND remind_days > 0
                          AND DATEADD('DAY', remind_days, reminded) <= ?
                        """)
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> row.getObject("id", UUID.class))
                .list();
    }

    /** Says that people were reminded now. */
    public void reminded(UUID id) {
        database.sql("UPDATE dispatch SET reminded = ? WHERE id = ?")
                .params(OffsetDateTime.now(clock), id)
                .update();
    }
}
