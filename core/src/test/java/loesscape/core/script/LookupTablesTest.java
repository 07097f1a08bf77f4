package loesscape.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What of a list goes along in a file, whatever its fields are called. */
class LookupTablesTest {

    private static final LookupList RATES = new LookupList(
            "rates",
            "Rates",
            List.of(
                    new LookupList.Column("kind", "Kind", false),
                    new LookupList.Column("name", "Name", false),
                    new LookupList.Column("rate", "Rate", true)),
            List.of(
                    List.of("Auger", "Hand auger", "4.50"),
                    List.of("Auger", "Power auger", "22"),
                    List.of("Pump", "Trailer pump", "")));

    @ParameterizedTest
    @ValueSource(strings = {"item", "the_cell", "the_page", "the_section"})
    void cellsAndWhatStandsBesideThemGoAlong(String key) {
        List<Item> items = List.of(
                Field.of("kind", "Kind", new FieldKind.Lookup("rates", "kind", Map.of())),
                Field.of(key, "Item", new FieldKind.Lookup("rates", "name", Map.of("kind", "kind"))));
        Template listed = Editing.apply(
                Template.of("Loan", List.of(new Page("p", "", null, List.of()))), new Edit.PutList(RATES));
        PreparedTemplate prepared = PreparedTemplate.of(
                listed.withPages(List.of(new Page("p", "", null, List.of(Section.of("s", "S", items))))));
        LookupTables tables = new LookupTables(prepared.symbols(), List.of(RATES));
        Field item = Objects.requireNonNull(prepared.symbols().field(key));
        assertThat(tables.offered(item).values())
                .containsExactlyInAnyOrder(List.of("Hand auger", "Power auger"), List.of("Trailer pump"));
        assertThat(tables.column(item, "rate").values())
                .containsExactlyInAnyOrder(
                        new Value.Number(new BigDecimal("4.50")), new Value.Number(new BigDecimal("22")));
    }
}
