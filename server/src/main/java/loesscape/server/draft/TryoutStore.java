package loesscape.server.draft;

import java.util.UUID;
import loesscape.core.evaluation.Answers;
import loesscape.core.model.Stage;
import loesscape.formats.json.JsonProblem;
import loesscape.server.platform.database.AnswersColumn;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What each author has typed into a document in the Draft view, and as whom they look at it. */
@Repository
public class TryoutStore {

    private final JdbcClient database;

    TryoutStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * How an author tries a template.
     *
     * @param stage where the document stands on its way
     * @param role the key of the role that is acting; empty for nobody in particular
     */
    public record Tryout(Answers answers, Stage stage, String role) {

        /** Nothing typed yet. */
        public static final Tryout NONE = new Tryout(Answers.NONE, Stage.FILLING, "");

        /** The same with other answers. */
        public Tryout with(Answers others) {
            return new Tryout(others, stage, role);
        }
    }

    /** How an author tries a template. */
    public Tryout find(UUID template, long account) {
        return database.sql("SELECT answers, stage, role FROM tryout WHERE template_id = ? AND account_id = ?")
                .params(template, account)
                .query((row, n) -> new Tryout(
                        answers(row.getString("answers")),
                        Stage.valueOf(row.getString("stage")),
                        row.getString("role")))
                .optional()
                .orElse(Tryout.NONE);
    }

    /** What an earlier version kept and nobody can read is passed over: it is only a trial, and the document is to open. */
    private static Answers answers(String kept) {
        try {
            return AnswersColumn.read(kept);
        } catch (JsonProblem unreadable) {
            return Answers.NONE;
        }
    }

    /** Keeps how an author tries a template. */
    public void keep(UUID template, long account, Tryout tryout) {
        database.sql("""
                        MERGE INTO tryout (template_id, account_id, answers, stage, role)
                        KEY (template_id, account_id) VALUES (?, ?, ?, ?, ?)
                        """)
                .params(
                        template,
                        account,
                        AnswersColumn.write(tryout.answers()),
                        tryout.stage().name(),
                        tryout.role())
                .update();
    }
}
