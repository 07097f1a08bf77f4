package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Characters, numbers and colours, by the standards that say what they are. */
class SignsAndColoursTest {

    /** White_Space of the Unicode Character Database (PropList.txt of version 15, from memory), which are 25 characters. */
    @Test
    void whiteSpaceIsWhatUnicodeCallsSo() {
        List<Integer> spaces =
                new ArrayList<>(List.of(0x20, 0x85, 0xa0, 0x1680, 0x2028, 0x2029, 0x202f, 0x205f, 0x3000));
        for (int character = 0x9; character <= 0xd; character++) {
            spaces.add(character);
        }
        for (int character = 0x2000; character <= 0x200a; character++) {
            spaces.add(character);
        }
        assertThat(spaces).hasSize(25);
        List<Integer> others = new ArrayList<>();
        for (int character = 0; character <= Character.MAX_CODE_POINT; character++) {
            // The four separators of ASCII are white space to Java and not to Unicode.
            boolean isSeparator = character >= 0x1c && character <= 0x1f;
            if (WhiteSpace.isAll(Character.toString(character)) != spaces.contains(character) && !isSeparator) {
                others.add(character);
            }
        }
        assertThat(others).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            quoteCharacter = '"',
            value = {
                "\" a \", a",
                "\"\u00a0\u3000a b\u2003\", a b",
                "a, a",
                "\"   \", \"\"",
                "\"\", \"\"",
                "\"!~\", !~",
                "\" 🌱 \", 🌱",
                "\"a \", a",
                "\" a\", a",
            })
    void whiteSpaceIsTakenFromBothEnds(String text, String stripped) {
        assertThat(WhiteSpace.stripped(text)).isEqualTo(stripped);
        assertThat(WhiteSpace.stripped(stripped)).isSameAs(stripped);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "Mira van Dalen", "水", "é", "🌱", "שלום"})
    void namesArePlain(String text) {
        assertThat(PlainLine.isPlain(text)).isTrue();
    }

    @Test
    void whatDirectsOrBreaksIsHidden() {
        List<Integer> hidden = new ArrayList<>();
        for (int character :
                new int[] {0x9, 0xa, 0x7f, 0x2028, 0x2029, 0x202a, 0x202c, 0x202e, 0x2066, 0x2069, 0xd800, 0x0378}) {
            if (!PlainLine.isPlain("a" + Character.toString(character) + "b")) {
                hidden.add(character);
            }
        }
        assertThat(hidden).hasSize(12);
        for (int character : new int[] {0x20, 0x2027, 0x202f, 0x206a, 0x200e, 0x7e}) {
            assertThat(PlainLine.isPlain("a" + Character.toString(character) + "b"))
                    .as(Integer.toHexString(character))
                    .isTrue();
        }
    }

    /** WCAG 2.2, contrast ratio: 21 of black on white, 1 of the same; 4.54 of #767676 on white, 4.48 of #777777 (W3C, G18). */
    @ParameterizedTest
    @CsvSource({
        "#000000, #ffffff, 21",
        "#ffffff, #ffffff, 1",
        "#767676, #ffffff, 4.54",
        "#777777, #ffffff, 4.48",
        "#ff0000, #ffffff, 3.998",
        "#0a0a0a, #000000, 1.061"
    })
    void contrastIsThatOfTheGuidelines(String one, String other, double ratio) {
        assertThat(Contrast.of(one, other)).isCloseTo(ratio, within(0.005));
        assertThat(Contrast.of(other, one)).isCloseTo(ratio, within(0.005));
    }

    @ParameterizedTest
    @CsvSource({
        "#777777, #ffffff, #767676",
        "#767676, #ffffff, #767676",
        "#ffffff, #ffffff, #757575",
        "#000000, #000000, #757575",
        "#ff0000, #ffffff, #ed0000",
        "#123456, #102030, #76899d",
    })
    void theNearestColourCanBeReadAndNoneBetweenThem(String colour, String on, String nearest) {
        assertThat(Contrast.nearest(colour, on)).isEqualTo(nearest);
        assertThat(Contrast.of(nearest, on)).isGreaterThanOrEqualTo(Contrast.LEAST);
    }

    @ParameterizedTest
    @CsvSource({"1.50, 1.5", "100, 100", "1E+2, 100", "0.00, 0", "0E+5, 0", "-1.20, -1.2", "1.0, 1", "1E-2, 0.01"})
    void aNumberIsWrittenInOneWay(String number, String canonical) {
        assertThat(Numbers.canonical(new BigDecimal(number))).isEqualTo(new BigDecimal(canonical));
    }

    @ParameterizedTest
    @CsvSource({
        "9999999999999999999999999999999999, true",
        "10000000000000000000000000000000000, false",
        "1E+33, true",
        "1E+34, false",
        "1E-34, true",
        "1E-35, false",
        "1.5, true",
        "1E+2147483647, false",
    })
    void aNumberHasSoManyDigitsWhenWrittenOut(String number, boolean isReasonable) {
        assertThat(Numbers.isReasonable(new BigDecimal(number))).isEqualTo(isReasonable);
    }

    @Test
    void aNumberThatIsTooLongStaysAsItIs() {
        BigDecimal tooLong = new BigDecimal("1.50E+40");
        assertThat(Numbers.canonical(tooLong)).isEqualTo(tooLong);
    }
}
