package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import com.openhtmltopdf.bidi.BidiSplitter;
import com.openhtmltopdf.bidi.BidiTextRun;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Text of both directions: runs as Unicode Standard Annex 9 has them, letters joined as the Arabic blocks of the code charts. */
class TextDirectionTest {

    private static final String HEBREW = "\u05DB\u05D0\u05E8";

    private static List<String> runs(String text, byte direction) {
        TextDirection.Runs splitter = new TextDirection.Runs();
        splitter.setParagraph(text, direction);
        List<String> runs = new ArrayList<>();
        for (int i = 0; i < splitter.countTextRuns(); i++) {
            BidiTextRun run = splitter.getVisualRun(i);
            String part = text.substring(run.getStart(), run.getStart() + run.getLength());
            runs.add((run.getDirection() == BidiSplitter.RTL ? "<" : ">") + part);
        }
        return runs;
    }

    /** Unicode Standard Annex 9, 3.4, the examples of reordering (from memory), with Hebrew letters for the capitals. */
    @Test
    void runsHaveOneDirectionEach() {
        assertThat(runs("car means " + HEBREW + ".", BidiSplitter.LTR))
                .containsExactly(">car means ", "<" + HEBREW, ">.");
        assertThat(runs("car means " + HEBREW + ".", BidiSplitter.RTL))
                .containsExactly(">car means", "< " + HEBREW + ".");
        assertThat(runs(HEBREW + " 24", BidiSplitter.RTL)).containsExactly("<" + HEBREW + " ", ">24");
        assertThat(runs("no change (at all)", BidiSplitter.LTR)).containsExactly(">no change (at all)");
    }

    @Test
    void theFirstStrongCharacterSaysTheDirection() {
        TextDirection.Runs splitter = new TextDirection.Runs();
        assertThat(splitter.getBaseDirection("24 " + HEBREW)).isEqualTo(BidiSplitter.RTL);
        assertThat(splitter.getBaseDirection("24 m " + HEBREW)).isEqualTo(BidiSplitter.LTR);
        assertThat(splitter.getBaseDirection("24.5")).isEqualTo(BidiSplitter.NEUTRAL);
    }

    @Test
    void whatIsReadFromTheRightIsTurnedWithItsBracketsAndPoints() {
        TextDirection direction = new TextDirection();
        assertThat(direction.reorderRTLTextToLTR("(\u05D0\u05B8\u05D1)")).isEqualTo("(\u05D1\u05D0\u05B8)");
        assertThat(direction.reorderRTLTextToLTR("\u05D0 < \u05D1")).isEqualTo("\u05D1 > \u05D0");
    }

    /** Forms as the code charts of Arabic Presentation Forms-A and -B (Unicode, FB50 to FDFF, FE70 to FEFF) have them. */
    @ParameterizedTest
    @CsvSource({
        "\u0628\u064A\u062A, \uFE91\uFEF4\uFE96",
        "\u0633\u0644\u0627\u0645, \uFEB3\uFEFC\uFEE1",
        "\u0644\u0627, \uFEFB",
        "\u062F\u0627\u0631, \uFEA9\uFE8D\uFEAD",
        "\u0628\u0650\u062A, \uFE91\u0650\uFE96",
        "\u067E\u06CC, \uFB58\uFBFD",
        "\u0628 \u0628, \uFE8F \uFE8F",
        "\u0628\u0640, \uFE91\u0640",
        "\u0621\u0628, \uFE80\uFE8F",
        "well 24, well 24",
    })
    void lettersJoinTheirNeighbours(String written, String drawn) {
        assertThat(ArabicLetters.joined(written)).isEqualTo(drawn);
    }
}
