package loesscape.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.text.DateTimePatternGenerator;
import com.ibm.icu.text.ListFormatter;
import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.text.SimpleDateFormat;
import com.ibm.icu.util.Currency;
import com.ibm.icu.util.GregorianCalendar;
import com.ibm.icu.util.TimeZone;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import loesscape.core.model.AnswerFormat;
import loesscape.core.model.Choice;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Against ICU4J, the reference implementation of the Unicode CLDR (https://cldr.unicode.org), where it says the same thing;
 * in English against what people in Britain write (common practice, no published source).
 */
class AnswerWordsTest {

    private static final FieldKind DATE = new FieldKind.Date(null, null);
    private static final FieldKind NUMBER = new FieldKind.Number(2, "", null, null);
    private static final FieldKind DEPTH = new FieldKind.Number(1, "m", null, null);
    private static final FieldKind FEE = new FieldKind.Money("EUR", null, null);
    private static final Value DAY = new Value.Date(LocalDate.of(2026, 3, 7));
    private static final FieldKind USE = FieldKind.OneChoice.of(List.of(
            new Choice("home", "Household", "H"), Choice.of("field", "Irrigation"), Choice.of("herd", "Livestock")));
    private static final FieldKind USES = new FieldKind.SeveralChoices(
            USE.offered(), FieldKind.ChoiceLayout.MARKS, FieldKind.ChoiceStyle.PLAIN, true, null, 0, 0);

    private static String said(String language, FieldKind kind, Value value) {
        return AnswerWords.in(Locale.forLanguageTag(language)).of(kind, value);
    }

    private static Value number(String number) {
        return new Value.Number(new BigDecimal(number));
    }

    @Test
    void englishIsWrittenAsInBritain() {
        assertThat(said("en", DATE, DAY)).isEqualTo("7 March 2026");
        assertThat(said("en", DEPTH, number("24.5"))).isEqualTo("24.5 m");
        assertThat(said("en", NUMBER, number("2026"))).isEqualTo("2026");
        assertThat(said("en", NUMBER, number("-12345.6"))).isEqualTo("-12,345.6");
        assertThat(said("en", FEE, number("1250"))).isEqualTo("€ 1,250.00");
        assertThat(said("en", new FieldKind.Money("JPY", null, null), number("1250")))
                .isEqualTo("¥ 1,250");
        assertThat(said("en", new FieldKind.YesNo(), new Value.YesNo(true))).isEqualTo("Yes");
        assertThat(said("en", new FieldKind.Time(null, null), new Value.Time(LocalTime.of(9, 30))))
                .isEqualTo("09:30");
        assertThat(said("en", new FieldKind.Rating(5), number("3"))).isEqualTo("3 of 5");
        assertThat(said("en", USES, new Value.ChosenSet(List.of("home", "field", "herd"), "")))
                .isEqualTo("Household, Irrigation and Livestock");
        assertThat(said("en", USES, new Value.ChosenSet(List.of("home", "other"), "a pond")))
                .isEqualTo("Household and a pond");
        assertThat(said("en", NUMBER, Value.blank())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "short  | 07/03/2026",
                "full   | Saturday, 7 March 2026",
                "month  | March 2026",
                "year   | 2026",
            })
    void aDayIsWrittenInSeveralWays(String format, String expected) {
        AnswerFormat as = AnswerFormat.of(format).orElseThrow();
        assertThat(AnswerWords.in(Locale.ENGLISH).of(DATE, DAY, as)).isEqualTo(expected);
        assertThat(AnswerWords.in(Locale.ENGLISH).of(DATE, Value.blank(), as)).isEmpty();
    }

    /** Day, month and year in the order of the language (Unicode CLDR), the year in two figures where only six cells are. */
    @ParameterizedTest
    @CsvSource({"en,8,07032026", "en,6,070326", "en-US,8,03072026", "ja,8,20260307", "ja,7,260307", "de,8,07032026"})
    void aDayStandsInCells(String language, int cells, String expected) {
        assertThat(AnswerWords.in(Locale.forLanguageTag(language)).figures(LocalDate.of(2026, 3, 7), cells))
                .isEqualTo(expected);
    }

    @Test
    void figuresAreGroupedFromTenThousandOnAndAllTheirDecimalsAreWritten() {
        AnswerWords english = AnswerWords.in(Locale.ENGLISH);
        assertThat(english.count(12)).isEqualTo("12");
        assertThat(english.count(9999)).isEqualTo("9999");
        assertThat(english.count(10_000)).isEqualTo("10,000");
        assertThat(english.of(NUMBER, number("0.12345"))).isEqualTo("0.12345");
        FieldKind paid = new FieldKind.Payment("EUR", "1");
        assertThat(english.of(paid, new Value.Paid(new BigDecimal("12.5"), "r"), AnswerFormat.FIGURE))
                .isEqualTo("12.50");
    }

    @Test
    void aTimeHasSecondsWhereThereAreAny() {
        FieldKind time = new FieldKind.Time(null, null);
        AnswerWords german = AnswerWords.in(Locale.GERMAN);
        assertThat(german.of(time, new Value.Time(LocalTime.of(9, 30)))).isEqualTo("09:30");
        assertThat(german.of(time, new Value.Time(LocalTime.of(9, 30, 5)))).isEqualTo("09:30:05");
    }

    @Test
    void otherFormatsDoWhatTheySay() {
        AnswerWords english = AnswerWords.in(Locale.ENGLISH);
        Value home = new Value.Chosen("home", "");
        assertThat(english.of(FEE, number("1250.5"), AnswerFormat.FIGURE)).isEqualTo("1,250.50");
        assertThat(english.of(DEPTH, number("24.5"), AnswerFormat.FIGURE)).isEqualTo("24.5");
        assertThat(english.of(FEE, number("420"), AnswerFormat.WORDS)).isEqualTo("four hundred twenty");
        assertThat(english.of(FEE, number("1.5"), AnswerFormat.WORDS)).isEqualTo("one point five");
        assertThat(english.of(NUMBER, number("1234567890123456"), AnswerFormat.WORDS))
                .isEqualTo("1,234,567,890,123,456");
        assertThat(AnswerWords.in(Locale.GERMAN).of(FEE, number("420"), AnswerFormat.WORDS))
                .isEqualTo("vierhundertzwanzig");
        assertThat(english.of(USE, home, AnswerFormat.LOWER)).isEqualTo("household");
        assertThat(english.of(USE, home, AnswerFormat.UPPER)).isEqualTo("HOUSEHOLD");
        assertThat(english.of(USE, home, AnswerFormat.STORED)).isEqualTo("H");
        assertThat(english.of(USES, new Value.ChosenSet(List.of("home", "field"), ""), AnswerFormat.STORED))
                .isEqualTo("H and Irrigation");
        assertThat(english.of(USES, new Value.ChosenSet(List.of("home", "field", "herd"), ""), AnswerFormat.OR))
                .isEqualTo("Household, Irrigation or Livestock");
        // Turkish has a capital letter of its own for the i (Unicode SpecialCasing.txt).
        assertThat(AnswerWords.in(Locale.of("tr"))
                        .of(new FieldKind.Text("", 0), new Value.Text("izin"), AnswerFormat.UPPER))
                .isEqualTo("İZİN");
        assertThatThrownBy(() -> english.of(DATE, DAY, AnswerFormat.FIGURE))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"de", "fr", "es", "it", "pt", "nl", "da", "sv", "pl", "el", "he", "ar", "en-US", "fi", "ja"})
    void otherLanguagesAreWrittenAsIcuDoes(String tag) {
        ULocale icu = ULocale.forLanguageTag(tag);
        Date day =
                Date.from(LocalDate.of(2026, 3, 7).atStartOfDay(ZoneOffset.UTC).toInstant());
        TimeZone utc = TimeZone.getTimeZone("UTC");
        DateFormat date = DateFormat.getDateInstance(new GregorianCalendar(utc, icu), DateFormat.LONG, icu);
        date.setTimeZone(utc);
        assertThat(said(tag, DATE, DAY)).isEqualTo(date.format(day));
        for (var each : List.of(List.of("month", "yMMMM"), List.of("short", "yMd"))) {
            SimpleDateFormat skeleton = new SimpleDateFormat(
                    DateTimePatternGenerator.getInstance(icu).getBestPattern(each.get(1)), icu);
            skeleton.setTimeZone(utc);
            assertThat(AnswerWords.in(Locale.forLanguageTag(tag))
                            .of(DATE, DAY, AnswerFormat.of(each.getFirst()).orElseThrow()))
                    .as(each.getFirst())
                    .isEqualTo(skeleton.format(day));
        }
        NumberFormat number = NumberFormat.getInstance(icu);
        number.setMinimumFractionDigits(1);
        assertThat(said(tag, NUMBER, number("1234567.5"))).isEqualTo(number.format(new BigDecimal("1234567.5")));
        if (!tag.startsWith("en")) {
            NumberFormat money = NumberFormat.getCurrencyInstance(icu);
            money.setCurrency(Currency.getInstance("EUR"));
            assertThat(said(tag, FEE, number("31250.5"))).isEqualTo(money.format(new BigDecimal("31250.5")));
        }
        // Beyond the CLDR, ICU puts a hyphen between a Hebrew “and” and letters of another script.
        List<String> things = tag.equals("he") ? List.of("א", "ב", "ג") : List.of("a", "b", "c");
        List<String> joints = AnswerWords.in(Locale.forLanguageTag(tag)).joints(3);
        assertThat(things.get(0) + joints.get(0) + things.get(1) + joints.get(1) + things.get(2))
                .isEqualTo(ListFormatter.getInstance(icu).format(things));
    }

    @Test
    void nothingStandsBehindOneThing() {
        assertThat(AnswerWords.in(Locale.ENGLISH).joints(1)).containsExactly("");
        assertThat(AnswerWords.in(Locale.ENGLISH).joints(2)).containsExactly(" and ", "");
        assertThat(AnswerWords.in(Locale.GERMAN).of(new FieldKind.YesNo(), new Value.YesNo(false)))
                .isEqualTo("Nein");
    }
}
