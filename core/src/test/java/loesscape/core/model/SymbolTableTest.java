package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.expression.Type;
import org.junit.jupiter.api.Test;

/** What a template's names mean, asked in whatever order. */
class SymbolTableTest {

    /** To know the names at a place asks for those of other places, whatever their keys: some of forty hash alike. */
    @Test
    void whatIsAskedAtOnePlaceMayAskForOthers() {
        for (int i = 0; i < 400; i++) {
            String section = "rows" + Integer.toString(i * 7919, 36);
            Section rows = Section.of(
                            section,
                            "Rows",
                            List.of(Field.of("depth", "Depth", new FieldKind.Number(0, "", null, null))))
                    .withRows(new Section.Rows(0, 5));
            List<SharedCondition> shared = new ArrayList<>();
            for (int j = 0; j < 3; j++) {
                shared.add(new SharedCondition("shared" + j, "Shared", new Condition.Written("depth > " + j)));
            }
            Template template = new Template(
                    "T",
                    "",
                    List.of(new Page("page", "", null, List.of(rows))),
                    List.of(),
                    shared,
                    List.of(),
                    List.of(),
                    PageSettings.PLAIN,
                    List.of(),
                    List.of());
            SymbolTable symbols = SymbolTable.of(template);
            assertThat(symbols.types(section)).containsKey("depth");
            assertThat(symbols.types(null).get(section)).isInstanceOf(Type.ListOf.class);
        }
    }
}
