package loesscape.server.signing;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import loesscape.core.signing.Snapshot;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.server.platform.database.Backoff;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What each role gave when its turn ended, and the time stamps of these ends. */
@Repository
public class SnapshotStore {

    private final JdbcClient database;
    private final Clock clock;

    SnapshotStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Keeps what a role gave, as the text whose hash the trail names, behind those of the turns before. */
    public void keepSnapshot(UUID id, String role, String text) {
        database.sql("""
                        INSERT INTO turn_snapshot (dispatch_id, role, place, content)
                        VALUES (?, ?, (SELECT count(*) FROM turn_snapshot WHERE dispatch_id = ?), ?)
                        """).params(id, role, id, text).update();
    }

    /** The end of a turn that is to be time stamped. */
    public record Unstamped(UUID dispatch, String role, String chain) {}

    /**
     * Says that a turn has ended, and has the trail so far stamped.
     *
     * @param chain the hash of the last entry of the trail
     */
    public void endTurn(UUID id, String role, String chain) {
        database.sql("UPDATE turn_snapshot SET chain = ?, stamp_next = ? WHERE dispatch_id = ? AND role = ?")
                .params(chain, OffsetDateTime.now(clock), id, role)
                .update();
    }

    /** The ends of turns that are to be stamped now. */
    public List<Unstamped> unstamped() {
        return database.sql(
                        "SELECT dispatch_id, role, chain FROM turn_snapshot WHERE stamp_next <= ? ORDER BY stamp_next LIMIT 50")
                .param(OffsetDateTime.now(clock))
                .query((row, n) -> new Unstamped(
                        row.getObject("dispatch_id", UUID.class), row.getString("role"), row.getString("chain")))
                .list();
    }

    /** Puts stamping off; each time for longer. */
    public void stampLater(Unstamped turn) {
        int tries = database.sql("SELECT stamp_tries FROM turn_snapshot WHERE dispatch_id = ? AND role = ?")
                .params(turn.dispatch(), turn.role())
                .query(Integer.class)
                .single();
        database.sql("UPDATE turn_snapshot SET stamp_tries = ?, stamp_next = ? WHERE dispatch_id = ? AND role = ?")
                .params(tries + 1, OffsetDateTime.now(clock).plus(Backoff.after(tries)), turn.dispatch(), turn.role())
                .update();
    }

    /** Keeps the stamp of a turn's end; tells whether there was none. */
    public boolean stamp(Unstamped turn, byte[] stamp) {
        return database.sql(
                                "UPDATE turn_snapshot SET stamp = ?, stamp_next = NULL WHERE dispatch_id = ? AND role = ? AND stamp IS NULL")
                        .params(stamp, turn.dispatch(), turn.role())
                        .update()
                == 1;
    }

    /** The stamps of the turns that have ended, by role; those that are still to come are missing. */
    public Map<String, byte[]> stamps(UUID id) {
        Map<String, byte[]> stamps = new LinkedHashMap<>();
        database.sql("SELECT role, stamp FROM turn_snapshot WHERE dispatch_id = ? AND stamp IS NOT NULL ORDER BY place")
                .param(id)
                .query(row -> {
                    stamps.put(row.getString("role"), row.getBytes("stamp"));
                });
        return stamps;
    }

    /** The texts of what was given in the turns that have ended, in their order, by role. */
    public Map<String, String> snapshotTexts(UUID id) {
        Map<String, String> texts = new LinkedHashMap<>();
        database.sql("SELECT role, content FROM turn_snapshot WHERE dispatch_id = ? ORDER BY place")
                .param(id)
                .query(row -> {
                    texts.put(row.getString("role"), row.getString("content"));
                });
        return texts;
    }

    /** What was given in the turns that have ended, in their order. */
    public List<Snapshot> snapshots(UUID id) {
        return snapshotTexts(id).values().stream()
                .map(text -> JsonReader.read(Json.parse(text), Snapshot.class))
                .toList();
    }
}
