package loesscape.formats.docx;

import java.util.function.Consumer;
import loesscape.core.model.Field;
import org.jspecify.annotations.Nullable;

/** Questions one beneath the other, and those that share a line beside each other. */
final class DocxGrid {

    /** The least parts of a line that thirds and halves are made of. */
    private static final int PARTS = 6;

    private final DocxPage page;
    private final DocxElement body;
    private @Nullable DocxElement table;
    private @Nullable DocxElement row;
    private int used;

    DocxGrid(DocxPage page, DocxElement body) {
        this.page = page;
        this.body = body;
    }

    /** Adds a question of a width. */
    void add(Field.Width width, Consumer<DocxElement> content) {
        int parts = switch (width) {
            case FULL -> PARTS;
            case HALF -> PARTS / 2;
            case THIRD -> PARTS / 3;
        };
        if (parts == PARTS) {
            end();
            content.accept(body);
            return;
        }
        if (table == null) {
            table = page.table(body, PARTS, false);
        }
        if (row != null && used + parts > PARTS) {
            fillRow(row);
            row = null;
        }
        if (row == null) {
            row = page.row(table, false);
            used = 0;
        }
        page.cell(row, page.width() * parts / PARTS, parts, "", content);
        used += parts;
    }

    /** Ends what stands beside each other; what comes next begins a line of its own. */
    void end() {
        if (row != null) {
            fillRow(row);
        }
        if (table != null) {
            page.paragraph(body, "Gap");
        }
        row = null;
        table = null;
    }

    private void fillRow(DocxElement last) {
        if (used < PARTS) {
            page.cell(
                    last,
                    page.width() * (PARTS - used) / PARTS,
                    PARTS - used,
                    "",
                    cell -> page.paragraph(cell, "Label"));
            used = PARTS;
        }
    }
}
