package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Locale;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What typed answers mean. */
class ReadingTest {

    private static final FieldKind NUMBER = new FieldKind.Number(2, "", null, null);
    private static final FieldKind DATE = new FieldKind.Date(null, null);
    private static final FieldKind TEXT = new FieldKind.Text("", 0);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "120|120",
                "12.5|12.5",
                "12,5|12.5",
                "+7|7",
                "-0.5|-0.5",
                "−3|-3",
                ".5|0.5",
                "5.|5",
                "1 234 567,5|1234567.5",
                "1'234.50|1234.5",
                "1,234,567|1234567",
                "1.234.567|1234567",
                "1,234.5|1234.5",
                "1.234,5|1234.5",
                "1.234|1.234",
                "0,125|0.125",
                "007|7"
            })
    void numbersAreReadAsPeopleWriteThem(String typed, BigDecimal number) {
        assertThat(Reading.of(NUMBER, typed).value()).isEqualTo(new Value.Number(number));
    }

    @ParameterizedTest
    @ValueSource(strings = {"twelve", "1e3", "1 2", "1,23,4", "--1", "NaN", "1.2.3", "٣"})
    void whatIsNoNumberIsRefusedWithAWayToMendIt(String typed) {
        assertThat(Reading.of(NUMBER, typed))
                .isEqualTo(new Reading.Unreadable("This is not a number; write digits, like 120 or 12.5."));
    }

    @Test
    void aNumberThatCouldBeTwoIsAskedAbout() {
        assertThat(Reading.of(NUMBER, "1,234"))
                .isEqualTo(new Reading.Unreadable("This could be 1234 or 1.234; write it one of these ways."));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "de|1.234|This could be 1234 or 1,2340; write it one of these ways.",
                "de|-1.234|This could be -1234 or -1,2340; write it one of these ways.",
                "de|1,234|This could be 1234 or 1,2340; write it one of these ways.",
                "it|12.345|This could be 12345 or 12,3450; write it one of these ways.",
            })
    void aPointIsAskedAboutWhereTheLanguagePartsThousandsWithIt(String language, String typed, String asked) {
        assertThat(read(typed, language)).isEqualTo(new Reading.Unreadable(asked));
    }

    private static Reading read(String typed, String language) {
        return NumberReading.partsWithPoints(Locale.forLanguageTag(language))
                ? NumberReading.withPoints(typed)
                : NumberReading.of(typed);
    }

    @ParameterizedTest
    @CsvSource({
        "en,1.234,1.234",
        "de,1.2340,1.234",
        "de,'1,2340',1.234",
        "de,0.125,0.125",
        "de,1234,1234",
        "de,12.5,12.5",
        "de-CH,1.234,1.234",
        "de,1.234.567,1234567",
        "de,'1.234,5',1234.5"
    })
    void otherNumbersAreReadInEveryLanguage(String language, String typed, BigDecimal number) {
        assertThat(read(typed, language).value()).isEqualTo(new Value.Number(number));
        assertThat(read(TypedNumber.text(number), language).value()).isEqualTo(new Value.Number(number));
    }

    @Test
    void numbersAreDecimal() {
        assertThat(new Value.Number(new BigDecimal("0.1").add(new BigDecimal("0.2"))))
                .isEqualTo(new Value.Number(new BigDecimal("0.3")));
        assertThat(Reading.of(NUMBER, "2.0")).isEqualTo(Reading.of(NUMBER, "2.00"));
        assertThat(Reading.of(NUMBER, "-0")).isEqualTo(Reading.of(NUMBER, "0"));
        assertThat(Reading.of(NUMBER, "9".repeat(35))).isInstanceOf(Reading.Unreadable.class);
        assertThat(Reading.of(NUMBER, "9".repeat(34)).value()).isInstanceOf(Value.Number.class);
    }

    @Test
    void datesAreDaysOfTheCalendar() {
        assertThat(Reading.of(DATE, "2028-02-29").value()).isEqualTo(new Value.Date(LocalDate.of(2028, 2, 29)));
        for (String none :
                new String[] {"2027-02-29", "2026-04-31", "2026-13-01", "26-01-01", "24.11.2026", "0000-01-01"}) {
            assertThat(Reading.of(DATE, none)).as(none).isInstanceOf(Reading.Unreadable.class);
        }
    }

    @Test
    void textIsComposedAndTrimmedAndBlankWhenNothingIsLeft() {
        assertThat(Reading.of(TEXT, "  Fe\u0301  ").value()).isEqualTo(new Value.Text("Fé"));
        assertThat(Reading.of(TEXT, " \t\u2003 ").value().isBlank()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "Clay, CLAY, true",
        "straße, STRASSE, true",
        "ΣΊΣΥΦΟΣ, σίσυφος, true",
        "İzmir, izmir, false",
        "İzmir, İZMIR, true",
        "Fe\u0301, Fé, true",
        "clay, cley, false",
        "e, é, false",
        "ı, i, true"
    })
    void textComparesWithoutRegardToCase(String one, String other, boolean same) {
        // U+0131, dotless i, and i have the same upper case in every language but Turkish and Azeri (UAX 44).
        assertThat(FoldedText.comparable(one).equals(FoldedText.comparable(other)))
                .isEqualTo(same);
    }
}
