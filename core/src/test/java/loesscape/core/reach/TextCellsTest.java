package loesscape.core.reach;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import loesscape.core.reach.ReachCell.Becomes;
import org.junit.jupiter.api.Test;

/** Long texts of one column are cut so that it is seen in what they differ. */
class TextCellsTest {

    private static List<String> shortened(String... texts) {
        return TextCells.shortened(Stream.of(texts)
                        .map(text -> new ReachCell(Becomes.SAYS, text, false))
                        .toList())
                .stream()
                .map(ReachCell::words)
                .toList();
    }

    @Test
    void whatIsShortStaysAsItIs() {
        String longest = "x".repeat(TextCells.LONGEST);
        assertThat(shortened(longest, "a  b\n c ")).containsExactly(longest, "a b c");
    }

    @Test
    void whatIsLongerIsCutAtItsEnd() {
        String longer = "x".repeat(TextCells.LONGEST + 1);
        assertThat(shortened(longer)).containsExactly("x".repeat(TextCells.LONGEST - 1) + "…");
        String beyond = "😀".repeat(TextCells.LONGEST);
        assertThat(shortened(beyond)).containsExactly("😀".repeat(TextCells.LONGEST / 2) + "…");
    }

    @Test
    void itBeginsWithAWordALittleBeforeTheFirstDifference() {
        String same = "You may drill down to the depth that is written in the permit, ";
        assertThat(shortened(same + "which is five metres.", same + "which is six metres."))
                .containsExactly("…permit, which is five metres.", "…permit, which is six metres.");
        assertThat(shortened(same + "and no deeper.", same.strip()))
                .containsExactly("…the permit, and no deeper.", "…the permit,");
    }

    @Test
    void aShortOneKeepsItsEnd() {
        String text = "You may drill down to the depth that is written in the permit, and no deeper.";
        assertThat(shortened(text, "You may drill down."))
                .containsExactly("…may drill down to the depth that is written in …", "…may drill down.");
    }

    @Test
    void whatIsOneOfManyStaysMarkedAndOtherCellsStayAsTheyAre() {
        ReachCell folded = ReachCell.of(Becomes.FOLDED);
        assertThat(TextCells.shortened(List.of(
                        folded,
                        new ReachCell(Becomes.SAYS, TextCells.SUCH_AS + "y".repeat(60), true),
                        new ReachCell(Becomes.SAYS, "nothing", false))))
                .containsExactly(
                        folded,
                        new ReachCell(Becomes.SAYS, TextCells.SUCH_AS + "y".repeat(TextCells.LONGEST - 1) + "…", true),
                        new ReachCell(Becomes.SAYS, "nothing", false));
        assertThat(TextCells.shortened(List.of(folded))).containsExactly(folded);
        assertThat(TextCells.shortened(List.of(new ReachCell(Becomes.NO, "z".repeat(60), false))))
                .extracting(ReachCell::words)
                .containsExactly("z".repeat(60));
    }
}
