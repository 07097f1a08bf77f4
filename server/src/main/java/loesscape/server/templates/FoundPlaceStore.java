package loesscape.server.templates;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was found on the pages of PDF files, as JSON, and what authors left of it, by numbers. */
@Repository
class FoundPlaceStore {

    private final JdbcClient database;

    FoundPlaceStore(JdbcClient database) {
        this.database = database;
    }

    void keep(UUID template, String name, int page, String content) {
        database.sql("""
                        MERGE INTO sheet_found (template_id, name, page, content) KEY (template_id, name, page)
                        VALUES (?, ?, ?, ?)
                        """).params(template, name, page, content).update();
    }

    Optional<String> find(UUID template, String name, int page) {
        return database.sql("SELECT content FROM sheet_found WHERE template_id = ? AND name = ? AND page = ?")
                .params(template, name, page)
                .query((row, n) -> row.getString("content"))
                .optional();
    }

    List<Integer> left(UUID template, String name, int page) {
        return database.sql(
                        "SELECT number FROM sheet_left WHERE template_id = ? AND name = ? AND page = ? ORDER BY number")
                .params(template, name, page)
                .query((row, n) -> row.getInt("number"))
                .list();
    }

    /** Sets what is left on a page, in place of what was. */
    void leave(UUID template, String name, int page, List<Integer> numbers) {
        database.sql("DELETE FROM sheet_left WHERE template_id = ? AND name = ? AND page = ?")
                .params(template, name, page)
                .update();
        for (int number : numbers) {
            database.sql("INSERT INTO sheet_left (template_id, name, page, number) VALUES (?, ?, ?, ?)")
                    .params(template, name, page, number)
                    .update();
        }
    }
}
