package loesscape.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import loesscape.core.editing.Refusal;
import org.junit.jupiter.api.Test;

/** Tables as text. What stands in quotation marks follows RFC 4180, section 2; semicolons and tabs: common practice, no published source. */
class SeparatedTableTest {

    @Test
    void cellsAreFoundWhateverStandsBetweenThem() {
        List<List<String>> table = List.of(List.of("Name", "Rate, €"), List.of("Auger \"2\"\nold", "4,50"));
        assertThat(SeparatedTable.read("Name,\"Rate, €\"\r\n\"Auger \"\"2\"\"\nold\",\"4,50\"\r\n"))
                .isEqualTo(table);
        assertThat(SeparatedTable.read("\ufeffName;Rate, €\n\n\"Auger \"\"2\"\"\nold\"; 4,50"))
                .isEqualTo(table);
        assertThat(SeparatedTable.read("Name\tRate, €\n\"Auger \"\"2\"\"\nold\"\t4,50"))
                .isEqualTo(table);
        assertThat(SeparatedTable.read("Only one\nx;y"))
                .as("the first line decides")
                .isEqualTo(List.of(List.of("Only one"), List.of("x;y")));
        assertThat(SeparatedTable.read("a, \"b, c\" , d\n")).isEqualTo(List.of(List.of("a", "b, c", "d")));
        assertThat(SeparatedTable.read("a\t\tc")).isEqualTo(List.of(List.of("a", "", "c")));
        assertThat(SeparatedTable.read("")).isEmpty();
    }

    @Test
    void anOpenQuotationMarkIsSaidWithItsLine() {
        assertThatThrownBy(() -> SeparatedTable.read("a,b\nx,\"y"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("line 2");
    }
}
