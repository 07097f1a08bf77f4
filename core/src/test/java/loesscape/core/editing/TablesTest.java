package loesscape.core.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
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
}
