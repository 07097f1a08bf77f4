package loesscape.server.templates;

import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Documents of word processors as they were brought. */
@Repository
class OriginalStore {

    private final JdbcClient database;

    OriginalStore(JdbcClient database) {
        this.database = database;
    }

    void keep(UUID template, SheetStore.Original original) {
        database.sql("INSERT INTO template_original (template_id, name, content) VALUES (?, ?, ?)")
                .params(template, original.name(), original.content())
                .update();
    }

    /** What a document was called; empty where the template was not made of one. */
    String name(UUID template) {
        return database.sql("SELECT name FROM template_original WHERE template_id = ?")
                .param(template)
                .query((row, n) -> row.getString("name"))
                .optional()
                .orElse("");
    }

    Optional<SheetStore.Original> find(UUID template) {
        return database.sql("SELECT name, content FROM template_original WHERE template_id = ?")
                .param(template)
                .query((row, n) -> new SheetStore.Original(row.getString("name"), row.getBytes("content")))
                .optional();
    }
}
