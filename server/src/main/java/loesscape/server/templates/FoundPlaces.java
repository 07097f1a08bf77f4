package loesscape.server.templates;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.formats.flat.FlatPage;
import loesscape.formats.flat.ProposedPlace;
import loesscape.formats.form.ImportedPdf;
import loesscape.formats.form.UnreadableForm;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import loesscape.server.platform.web.HeavyWork;
import loesscape.server.platform.web.Problems;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is found on the pages of PDF files to be filled in, and what authors left of it. */
@Service
class FoundPlaces {

    private final JdbcClient database;
    private final SheetStore sheets;
    private final HeavyWork heavy;

    FoundPlaces(JdbcClient database, SheetStore sheets, HeavyWork heavy) {
        this.database = database;
        this.sheets = sheets;
        this.heavy = heavy;
    }

    /** Keeps what is found on all pages of a file. */
    void keep(UUID template, String name, List<FlatPage> pages) {
        for (int page = 0; page < pages.size(); page++) {
            database.sql("""
                            MERGE INTO sheet_found (template_id, name, page, content) KEY (template_id, name, page)
                            VALUES (?, ?, ?, ?)
                            """)
                    .param(template)
                    .param(name)
                    .param(page)
                    .param(Json.compact(JsonWriter.typed(pages.get(page), FlatPage.class)))
                    .update();
        }
    }

    /**
     * What is found on a page.
     *
     * @param page counted from 0
     */
    FlatPage on(UUID template, String name, int page) {
        return kept(template, name, page).orElseGet(() -> {
            List<FlatPage> found = look(template, name);
            if (page < 0 || page >= found.size()) {
                throw missing();
            }
            keep(template, name, found);
            return found.get(page);
        });
    }

    private static Problems.Missing missing() {
        return new Problems.Missing("There is no such page.");
    }

    private Optional<FlatPage> kept(UUID template, String name, int page) {
        return database.sql("SELECT content FROM sheet_found WHERE template_id = ? AND name = ? AND page = ?")
                .params(template, name, page)
                .query(String.class)
                .optional()
                .flatMap(FoundPlaces::read);
    }

    /** What was kept by another edition of the program is found anew. */
    private static Optional<FlatPage> read(String content) {
        try {
            return Optional.of(JsonReader.typed(Json.parse(content), FlatPage.class));
        } catch (JsonProblem otherwise) {
            return Optional.empty();
        }
    }

    /** The file as it was brought has all its letters; its pages alone are looked at where it is not here, or is locked. */
    private List<FlatPage> look(UUID template, String name) {
        byte[] pages = sheets.find(template, name).orElseThrow(FoundPlaces::missing);
        byte[] brought = sheets.original(template, name)
                .map(SheetStore.Original::content)
                .orElse(pages);
        return heavy.run(() -> {
            try {
                return ImportedPdf.found(brought);
            } catch (UnreadableForm locked) {
                return ImportedPdf.found(pages);
            }
        });
    }

    /** The numbers of what authors left on a page. */
    List<Integer> left(UUID template, String name, int page) {
        return database.sql(
                        "SELECT number FROM sheet_left WHERE template_id = ? AND name = ? AND page = ? ORDER BY number")
                .params(template, name, page)
                .query((row, n) -> row.getInt("number"))
                .list();
    }

    /** Sets what is left on a page, in place of what was. */
    @Transactional
    void leave(UUID template, String name, int page, List<Integer> numbers) {
        List<Integer> known = on(template, name, page).proposals().stream()
                .map(ProposedPlace::number)
                .toList();
        database.sql("DELETE FROM sheet_left WHERE template_id = ? AND name = ? AND page = ?")
                .params(template, name, page)
                .update();
        numbers.stream()
                .distinct()
                .filter(known::contains)
                .forEach(number -> database.sql(
                                "INSERT INTO sheet_left (template_id, name, page, number) VALUES (?, ?, ?, ?)")
                        .params(template, name, page, number)
                        .update());
    }
}
