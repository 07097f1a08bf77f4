package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import loesscape.core.model.LookupList;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Tables that are pasted or loaded: what in them is a number, and which. */
class TablesTest {

    private static LookupList list(String... cells) {
        List<List<String>> table = Stream.concat(Stream.of("Rate"), Arrays.stream(cells))
                .map(List::of)
                .toList();
        return Tables.list("Rates", table, null);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            12.50 3          | 12.50 3
            12,5  3          | 12.5 3
            +4 -5.5          | 4 -5.5
            1,234.50 1,234   | 1234.5 1234
            1.234,50 1,234   | 1234.5 1.234
            12,5 1,234       | 12.5 1.234
            12.5 1,234       | 12.5 1234
            1,234,567 1,234  | 1234567 1234
            1'234.5 7        | 1234.5 7
            12345678901234567.89 1 | 12345678901234567.89 1
            """)
    void numbersAreReadAsTheOthersOfTheirColumnTell(String cells, String read) {
        LookupList list = list(cells.split("\\s+"));
        assertThat(list.columns().getFirst().number()).isTrue();
        assertThat(list.rows().stream().map(List::getFirst)).containsExactly(read.split("\\s+"));
    }

    @ParameterizedTest
    @CsvSource({"'1,234 5'", "'1,234 12.5 12,5'", "'1,000'"})
    void whatCouldBeTwoNumbersIsAskedFor(String cells) {
        assertThatThrownBy(() -> list(cells.split(" ")))
                .isInstanceOf(Refusal.class)
                .hasMessageMatching(
                        "Line 2, “Rate”: “1,\\d{3}” could be 1\\d{3} or 1\\.\\d{3}; write it one of these ways\\.");
    }

    @Test
    void aColumnWithAnythingElseIsText() {
        assertThat(list("1,234", "none").columns().getFirst().number()).isFalse();
        assertThat(list("1,234", "none").rows().getFirst()).containsExactly("1,234");
        assertThat(list("", "").columns().getFirst().number()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            a,b             | Put the titles of the columns into the first line and a row into each line below it.
            a,a/1,2         | Every column needs a title of its own in the first line.
            a, /1,2         | Every column needs a title of its own in the first line.
            a,b/1,2/1,2,3   | Line 3 has more cells than there are columns.
            """)
    void aTableThatIsNoListIsRefusedWithWhatIsWrong(String table, String message) {
        assertThatThrownBy(() -> Tables.list("List", table(table), null))
                .isInstanceOf(Refusal.class)
                .hasMessage(message);
    }

    @Test
    void aListHasSoManyColumnsAndRowsAndNoMore() {
        List<String> titles = IntStream.range(0, LookupList.MOST_COLUMNS + 1)
                .mapToObj(i -> "c" + i)
                .toList();
        assertThat(Tables.list("Wide", List.of(titles.subList(1, titles.size()), List.of("x")), null)
                        .columns())
                .hasSize(LookupList.MOST_COLUMNS);
        assertThatThrownBy(() -> Tables.list("Wide", List.of(titles, List.of("x")), null))
                .hasMessage("A list has at most 50 columns and 100000 rows.");
        List<List<String>> lines = new ArrayList<>(List.of(List.of("c")));
        lines.addAll(Collections.nCopies(LookupList.MOST_ROWS + 1, List.of("x")));
        assertThatThrownBy(() -> Tables.list("Long", lines, null)).isInstanceOf(Refusal.class);
        assertThat(Tables.list("Long", lines.subList(0, lines.size() - 1), null).rows())
                .hasSize(LookupList.MOST_ROWS);
    }

    @Test
    void aRowTakesThePlaceOfTheOneItIsOrStandsAtTheEnd() {
        LookupList known = Tables.list("Drillers", table("Licence,Name,Place/L-1,Runa,Aard/L-2,Bas,Hove"), null);
        assertThat(Tables.withRow(known, List.of("Licence", "Place", "Age"), List.of("L-2", "Loo", "30")))
                .containsExactly(
                        List.of("Licence", "Name", "Place"),
                        List.of("L-1", "Runa", "Aard"),
                        List.of("L-2", "Bas", "Loo"));
        assertThat(Tables.withRow(known, List.of("Name", "Licence"), List.of("Ilvo", "L-3")))
                .endsWith(List.of("L-3", "Ilvo", ""));
        assertThatThrownBy(() -> Tables.withRow(known, List.of("Log", "Name"), List.of("1", "Ilvo")))
                .isInstanceOf(Refusal.class)
                .hasMessage("“Drillers” has no column “Log” by which the row would be known.");
    }

    private static List<List<String>> table(String text) {
        return Stream.of(text.split("/"))
                .map(line -> List.of(line.split(",", -1)))
                .toList();
    }
}
