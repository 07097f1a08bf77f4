package loesscape.server.store;

import java.util.UUID;
import loesscape.core.evaluation.Answers;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What each author has typed into a document in the Draft view. */
@Repository
public class TryoutStore {

    private final JdbcClient database;

    TryoutStore(JdbcClient database) {
        this.database = database;
    }

    /** The answers an author tries a template with. */
    public Answers find(UUID template, long account) {
        return database.sql("SELECT answers FROM tryout WHERE template_id = ? AND account_id = ?")
                .params(template, account)
                .query((row, n) -> AnswersColumn.read(row.getString("answers")))
                .optional()
                .orElse(Answers.NONE);
    }

    /** Keeps the answers an author tries a template with. */
    public void keep(UUID template, long account, Answers answers) {
        database.sql(
                        "MERGE INTO tryout (template_id, account_id, answers) KEY (template_id, account_id) VALUES (?, ?, ?)")
                .params(template, account, AnswersColumn.write(answers))
                .update();
    }
}
