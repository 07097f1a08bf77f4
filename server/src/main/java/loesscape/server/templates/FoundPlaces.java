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
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is found on the pages of PDF files to be filled in, and what authors left of it. */
@Service
class FoundPlaces {

    private final FoundPlaceStore store;
    private final SheetStore sheets;
    private final HeavyWork heavy;

    FoundPlaces(FoundPlaceStore store, SheetStore sheets, HeavyWork heavy) {
        this.store = store;
        this.sheets = sheets;
        this.heavy = heavy;
    }

    /** Keeps what is found on all pages of a file. */
    void keep(UUID template, String name, List<FlatPage> pages) {
        for (int page = 0; page < pages.size(); page++) {
            store.keep(template, name, page, Json.compact(JsonWriter.typed(pages.get(page), FlatPage.class)));
        }
    }

    /**
     * What is found on a page.
     *
     * @param page counted from 0
     */
    FlatPage on(UUID template, String name, int page) {
        return store.find(template, name, page).flatMap(FoundPlaces::read).orElseGet(() -> {
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
        return store.left(template, name, page);
    }

    /** Sets what is left on a page, in place of what was; numbers of nothing are passed over. */
    @Transactional
    void leave(UUID template, String name, int page, List<Integer> numbers) {
        List<Integer> known = on(template, name, page).proposals().stream()
                .map(ProposedPlace::number)
                .toList();
        store.leave(
                template,
                name,
                page,
                numbers.stream().distinct().filter(known::contains).toList());
    }
}
