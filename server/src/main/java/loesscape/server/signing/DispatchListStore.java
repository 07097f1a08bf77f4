package loesscape.server.signing;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import loesscape.server.templates.AccessStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Finds dispatches in long lists of them, a page at a time. */
@Repository
public class DispatchListStore {

    private static final int MOST_NAMES = 500;

    private final JdbcClient database;
    private final Clock clock;

    DispatchListStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** How far a dispatch is. */
    public enum DispatchStage {
        ANY,
        WAITING,
        OVERDUE,
        DECLINED,
        WITHDRAWN,
        SEALING,
        FINISHED
    }

    /**
     * What is sought.
     *
     * @param words each of which stands in the title, or in the name, the address or the role of somebody who takes part
     * @param stage how far it is
     * @param waitsFor who is to act now, as {@code name (role)}; empty for anybody
     * @param idleDays for how many days nothing has changed in it; 0 for no matter
     */
    public record Sought(List<String> words, DispatchStage stage, String waitsFor, int idleDays) {}

    /** A page of what was found, the last changed first, and how many there are in all. */
    public record Found(List<UUID> page, int count) {}

    private record Where(StringBuilder sql, List<Object> values) {

        Where and(String condition, Object... with) {
            sql.append(" AND ").append(condition);
            values.addAll(List.of(with));
            return this;
        }
    }

    private static Where seenBy(long account) {
        return new Where(
                new StringBuilder("FROM dispatch d WHERE (d.account_id = ? OR d.template_id IN (%s))"
                        .formatted(AccessStore.SHARED_WITH)),
                new ArrayList<>(List.of(account, account)));
    }

    /** How many dispatches an account may see. */
    public int count(long account) {
        return count(seenBy(account));
    }

    private int count(Where where) {
        return database.sql("SELECT count(*) " + where.sql())
                .params(where.values())
                .query(Integer.class)
                .single();
    }

    /** A page of the dispatches that an account may see. */
    public Found find(long account, Sought sought, int page, int size) {
        Where where = seenBy(account);
        LocalDate today = LocalDate.now(clock);
        switch (sought.stage()) {
            case ANY -> {}
            case WAITING -> where.and("d.status = 'UNDER_WAY' AND (d.due IS NULL OR d.due >= ?)", today);
            case OVERDUE -> where.and("d.status = 'UNDER_WAY' AND d.due < ?", today);
            case DECLINED -> where.and("d.status = 'DECLINED'");
            case WITHDRAWN -> where.and("d.status = 'WITHDRAWN'");
            case SEALING -> where.and("d.status = 'FINISHED' AND d.digest IS NULL");
            case FINISHED -> where.and("d.status = 'FINISHED' AND d.digest IS NOT NULL");
        }
        for (String word : sought.words()) {
            String like = "%" + word.toLowerCase(Locale.ROOT).replaceAll("([\\\\%_])", "\\\\$1") + "%";
            where.and(
                    "(lower(d.title) LIKE ? OR EXISTS (SELECT * FROM party p WHERE p.dispatch_id = d.id AND lower(p.name || ' ' || p.address || ' ' || p.title) LIKE ?))",
                    like,
                    like);
        }
        if (!sought.waitsFor().isEmpty()) {
            where.and(
                    "d.status = 'UNDER_WAY' AND EXISTS (SELECT * FROM party p WHERE p.dispatch_id = d.id AND p.turn = 'ACTING' AND p.name || ' (' || p.title || ')' = ?)",
                    sought.waitsFor());
        }
        if (sought.idleDays() > 0) {
            where.and("d.changed < ?", OffsetDateTime.now(clock).minusDays(sought.idleDays()));
        }
        int count = count(where);
        List<Object> values = new ArrayList<>(where.values());
        values.add(size);
        values.add((long) page * size);
        List<UUID> ids = database.sql("SELECT d.id " + where.sql() + " ORDER BY d.changed DESC, d.id LIMIT ? OFFSET ?")
                .params(values)
                .query((row, n) -> row.getObject("id", UUID.class))
                .list();
        return new Found(ids, count);
    }

    /** Who is waited for in the dispatches that an account may see, as {@code name (role)}. */
    public List<String> waitedFor(long account) {
        Where where = seenBy(account).and("d.status = 'UNDER_WAY'");
        List<Object> values = new ArrayList<>(where.values());
        values.add(MOST_NAMES);
        return database.sql("""
                        SELECT DISTINCT p.name || ' (' || p.title || ')' AS who FROM party p
                        WHERE p.turn = 'ACTING' AND p.dispatch_id IN (SELECT d.id %s) ORDER BY who LIMIT ?
                        """.formatted(where.sql()))
                .params(values)
                .query((row, n) -> row.getString("who"))
                .list();
    }
}
