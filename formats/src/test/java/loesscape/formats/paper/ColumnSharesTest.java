package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ColumnSharesTest {

    @Test
    void columnsOfTheSameAreAsWide() {
        assertThat(ColumnShares.of(List.of(List.of("abc", "def")))).containsExactly(50, 50);
        assertThat(ColumnShares.of(List.of(List.of("", "", "")))).containsExactly(33, 34, 33);
        assertThat(ColumnShares.of(List.of(List.of("alone")))).containsExactly(100);
    }

    @Test
    void aLongSentenceLeavesRoomForAWord() {
        List<Integer> shares = ColumnShares.of(List.of(
                List.of("What", "Sum"),
                List.of("a sentence of many words ".repeat(30), "1,250.00"),
                List.of("x", "3")));
        assertThat(shares.getLast()).isBetween(18, 25);
    }

    @Test
    void linesOfACellCountOneByOne() {
        assertThat(ColumnShares.of(List.of(List.of("one line\nand other", "one line and")))
                        .getFirst())
                .isLessThan(50);
    }

    @Test
    void theyComeToTheWholeAndNoneIsNothing() {
        Random random = new Random(11);
        for (int i = 0; i < 1_000; i++) {
            List<String> row = new ArrayList<>();
            for (int column = 1 + random.nextInt(20); column > 0; column--) {
                row.add("x".repeat(random.nextInt(90)));
            }
            List<Integer> shares = ColumnShares.of(List.of(row));
            assertThat(shares.stream().mapToInt(Integer::intValue).sum()).isEqualTo(100);
            assertThat(shares).hasSize(row.size()).allMatch(share -> share >= 0);
        }
    }
}
