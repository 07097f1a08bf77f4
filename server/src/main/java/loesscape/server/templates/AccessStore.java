package loesscape.server.templates;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.server.accounts.Author;
import loesscape.server.accounts.Right;
import loesscape.server.accounts.Rights;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Who owns each template, and with whom it is shared. */
@Repository
public class AccessStore implements Rights {

    /** The templates of which an account may see anything: a condition with one parameter, the account. */
    public static final String SHARED_WITH =
            "SELECT template_id FROM template_access WHERE account_id = ? OR account_id IS NULL";

    private final JdbcClient database;

    AccessStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * Who may do what.
     *
     * @param account null for everybody who has an account, as far as that may
     * @param name of the account; empty for everybody
     */
    public record Access(@Nullable Long account, String name, Right may) {}

    @Override
    public Optional<Right> of(Author author, UUID template) {
        Right right = Right.NONE;
        for (Right may : database.sql(
                        "SELECT may FROM template_access WHERE template_id = ? AND (account_id = ? OR account_id IS NULL)")
                .params(template, author.id())
                .query((row, n) -> Right.valueOf(row.getString("may")))
                .list()) {
            Right each = may.within(author.role());
            right = each.reaches(right) ? each : right;
        }
        if (right != Right.NONE) {
            return Optional.of(right);
        }
        boolean isThere = database.sql("SELECT count(*) FROM template WHERE id = ?")
                        .param(template)
                        .query(Integer.class)
                        .single()
                > 0;
        return isThere ? Optional.of(Right.NONE) : Optional.empty();
    }

    @Override
    public Optional<Right> ofDispatch(Author author, UUID dispatch) {
        record Sent(UUID template, long account) {}
        return database.sql("SELECT template_id, account_id FROM dispatch WHERE id = ?")
                .param(dispatch)
                .query((row, n) -> new Sent(row.getObject("template_id", UUID.class), row.getLong("account_id")))
                .optional()
                .map(sent -> sent.account() == author.id()
                        ? Right.WRITE
                        : of(author, sent.template()).orElse(Right.NONE));
    }

    /** Who may do what with a template: its owner first, then everybody, then others by name. */
    public List<Access> list(UUID template) {
        return database.sql("""
                        SELECT account_id, coalesce(name, '') AS name, may FROM template_access
                        LEFT JOIN account ON account.id = account_id
                        WHERE template_id = ? ORDER BY may <> 'OWN', account_id IS NOT NULL, folded
                        """)
                .param(template)
                .query((row, n) -> new Access(
                        row.getObject("account_id", Long.class),
                        row.getString("name"),
                        Right.valueOf(row.getString("may"))))
                .list();
    }

    /** Gives a new template its owner. */
    void own(UUID template, long account) {
        add(template, account, Right.OWN);
    }

    private void add(UUID template, @Nullable Long account, Right may) {
        database.sql("INSERT INTO template_access (template_id, account_id, may) VALUES (?, ?, ?)")
                .param(template)
                .param(account)
                .param(may.name())
                .update();
    }

    /** Shares a template with some and with nobody else; its owner stays. */
    @Transactional
    public void share(UUID template, List<Access> with) {
        database.sql("DELETE FROM template_access WHERE template_id = ? AND may <> 'OWN'")
                .param(template)
                .update();
        with.forEach(it -> add(template, it.account(), it.may()));
    }

    /** Gives a template to another owner; who it was until now may write it. */
    @Transactional
    public void give(UUID template, long to) {
        database.sql("DELETE FROM template_access WHERE template_id = ? AND account_id = ?")
                .params(template, to)
                .update();
        database.sql("UPDATE template_access SET may = 'WRITE' WHERE template_id = ? AND may = 'OWN'")
                .param(template)
                .update();
        own(template, to);
    }
}
