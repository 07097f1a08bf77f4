package loesscape.server.demo;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Tables;
import loesscape.core.model.LookupList;
import loesscape.core.model.Template;
import loesscape.formats.table.SeparatedTable;
import loesscape.server.lookups.LookupStore;
import loesscape.server.outside.Directory;
import org.springframework.stereotype.Component;

/** The lookup lists of the demo: that of a template, with a newer version, and a register of the directory. */
@Component
class DemoLookups {

    private static final String EQUIPMENT = "equipment";

    private final LookupStore lookups;
    private final Directory directory;

    DemoLookups(LookupStore lookups, Directory directory) {
        this.lookups = lookups;
        this.directory = directory;
    }

    /** A template whose list of equipment was taken from the organisation's, which has been kept once more since. */
    Template withList(Template document, long author) {
        return document.lists().stream()
                .filter(list -> list.key().equals(EQUIPMENT))
                .findFirst()
                .map(list -> Editing.apply(document, new Edit.PutList(taken(list, author))))
                .orElse(document);
    }

    private LookupList taken(LookupList list, long author) {
        UUID id = lookups.add(new LookupList("", list.name(), list.columns(), list.rows(), null), author);
        String newer = new String(DemoWorld.resource("equipment-of-the-yard.csv"), StandardCharsets.UTF_8);
        lookups.keep(id, 2, Tables.list(list.name(), SeparatedTable.read(newer), list), author);
        return new LookupList(
                list.key(), list.name(), list.columns(), list.rows(), new LookupList.Source(id.toString(), 1));
    }

    /** Asks the directory for its first register. */
    void askDirectory(long author) {
        Directory.Register register = Directory.REGISTERS.getFirst();
        List<List<String>> table =
                SeparatedTable.read(directory.answer(register.key()).orElseThrow());
        lookups.add(Tables.list(register.name(), table, null), author);
    }
}
