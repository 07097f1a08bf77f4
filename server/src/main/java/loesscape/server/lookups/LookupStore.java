package loesscape.server.lookups;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.model.LookupList;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The lookup lists of the organisation, with all their versions. */
@Repository
public class LookupStore {

    private final JdbcClient database;
    private final Clock clock;

    LookupStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** A version of a list. */
    public record Version(int version, String by, Instant made) {}

    /** A list in the list of lists. */
    public record ListedLookup(UUID id, String name, int version, String by, Instant made) {}

    /** All lists, by name. */
    public List<ListedLookup> list() {
        return database.sql("""
                        SELECT l.id, l.name, v.version, a.name AS maker, v.made FROM lookup l
                        JOIN lookup_version v ON v.lookup_id = l.id
                          AND v.version = (SELECT max(version) FROM lookup_version WHERE lookup_id = l.id)
                        JOIN account a ON a.id = v.account_id
                        ORDER BY lower(l.name)
                        """)
                .query((row, n) -> new ListedLookup(
                        row.getObject("id", UUID.class),
                        row.getString("name"),
                        row.getInt("version"),
                        row.getString("maker"),
                        row.getObject("made", OffsetDateTime.class).toInstant()))
                .list();
    }

    /** The versions of a list, the newest first; none where there is no such list. */
    public List<Version> versions(UUID id) {
        return database.sql("""
                        SELECT version, account.name, made FROM lookup_version
                        JOIN account ON account.id = account_id WHERE lookup_id = ? ORDER BY version DESC
                        """)
                .param(id)
                .query((row, n) -> new Version(
                        row.getInt("version"),
                        row.getString("name"),
                        row.getObject("made", OffsetDateTime.class).toInstant()))
                .list();
    }

    /** A version of a list. */
    public Optional<LookupList> find(UUID id, int version) {
        return database.sql("SELECT content FROM lookup_version WHERE lookup_id = ? AND version = ?")
                .params(id, version)
                .query((row, n) -> JsonReader.read(Json.parse(row.getString("content")), LookupList.class))
                .optional();
    }

    /** Keeps a new list and tells its identity. */
    @Transactional
    public UUID add(LookupList list, long account) {
        UUID id = UUID.randomUUID();
        database.sql("INSERT INTO lookup (id, name) VALUES (?, ?)")
                .params(id, list.name())
                .update();
        keep(id, 1, list, account);
        return id;
    }

    /** Keeps the next version of a list; fails where there is one of this number. */
    @Transactional
    public void keep(UUID id, int version, LookupList list, long account) {
        database.sql("UPDATE lookup SET name = ? WHERE id = ?")
                .params(list.name(), id)
                .update();
        database.sql(
                        "INSERT INTO lookup_version (lookup_id, version, content, account_id, made) VALUES (?, ?, ?, ?, ?)")
                .params(
                        id,
                        version,
                        Json.compact(JsonWriter.full(list, LookupList.class)),
                        account,
                        OffsetDateTime.now(clock))
                .update();
    }
}
