package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.random.RandomGenerator;
import loesscape.core.testing.Cases;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The functions beside the standard: writing values out, labels, working days, check characters. */
class OwnFunctionsTest {

    private static final Map<String, Type> NAMES = Map.of(
            "purpose",
            new Type.Choice(Map.of("irrigation", "Irrigation of fields", "other", "Other")),
            "soils",
            new Type.ListOf(new Type.Choice(Map.of("clay", "Clay", "loess", "Loess"))),
            "start",
            Type.Simple.DATE,
            "note",
            Type.Simple.TEXT);

    private static @Nullable Object run(String formula, Locale language) {
        return Formula.of(formula, NAMES)
                .compile(List.of("purpose", "soils", "start", "note"), Set.of(), language)
                .run("irrigation", List.of("loess", "clay"), LocalDate.of(2026, 11, 3), "a note");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            en    | format(1234567.895, "#,##0.00")          | 1,234,567.90
            de    | format(1234567.895, "#,##0.00")          | 1.234.567,90
            fr-CH | format(0.5, "0%")                        | 50%
            de    | format(1234.5, "#,##0.00", "en")         | 1,234.50
            en    | format(2.345, "0.00")                    | 2.35
            en    | format(-2.345, "0.00")                   | -2.35
            en    | format(7, "000")                         | 007
            en    | format(start, "d MMMM yyyy")             | 3 November 2026
            de    | format(start, "EEEE, d. MMMM yyyy")      | Dienstag, 3. November 2026
            fr    | format(start, "d MMMM yyyy")             | 3 novembre 2026
            pl    | format(start, "d MMMM yyyy")             | 3 listopada 2026
            en    | format(@"09:05:00", "HH:mm")             | 09:05
            en    | format(@"2026-11-03T09:05:00", "d.M.yy HH:mm") | 3.11.26 09:05
            en    | weekday name(start)                      | Tuesday
            de    | weekday name(start)                      | Dienstag
            pl    | month name(start)                        | listopad
            es    | month name(start, "en")                  | November
            en    | label(purpose)                           | Irrigation of fields
            en    | string join(label(soils), " and ")       | Loess and Clay
            en    | spell out(21)                            | twenty-one
            de    | spell out(21)                            | einundzwanzig
            fr    | spell out(80)                            | quatre-vingts
            en    | spell out(-1.5)                          | minus one point five
            """)
    void valuesAreWrittenInTheLanguageOfTheDocument(String language, String formula, String expected) {
        // Names and signs: Unicode CLDR, as the JDK and ICU carry it.
        assertThat(run(formula, Locale.forLanguageTag(language))).as(formula).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            format(start, "bad pattern")     | “bad pattern” is no pattern for a date
            format(1, "0.0.0")               | “0.0.0” is no pattern for a number
            format(start, "HH:mm")           | “HH:mm” is no pattern for a date
            format(note, "0")                | format takes a number, date or time here; this is text.
            format(1, "0", "!")              | “!” is no language tag
            weekday name(start, "12")        | “12” is no language tag
            label(note)                      | label takes a field with choices here; this is text.
            label(1)                         | label takes a field with choices here; this is a number.
            checksum(note, "mod 10")         | There is no method “mod 10”; there are luhn, mod 11-2, mod 97-10.
            matches(note, "(")               | This pattern is not understood
            date("2026-02-30")               | “2026-02-30” is no date like 2026-11-24.
            duration("30 days")              | “30 days” is no duration like P30D, PT12H or P1Y2M.
            time("9:42")                     | “9:42” is no time like 09:42:00.
            purpose = "irigation"            | “irigation” is none of the choices
            purpose = "Irrigation of fields" | “Irrigation of fields” is none of the choices
            purpose in ("irrigation", "x")   | “x” is none of the choices
            list contains(soils, "sand")     | “sand” is none of the choices
            "sand" in soils                  | “sand” is none of the choices
            some s in soils satisfies s = "sand" | “sand” is none of the choices
            list("days").day                 | There is no lookup list “days”.
            row number()                     | “row number()” has a meaning in rows only
            previous(note)                   | “previous(note)” has a meaning in rows only
            previous(1)                      | Expected the key of a field of these rows
            list(days)                       | Expected the key of a lookup list in quotes
            """)
    void whatCanNeverBeRightIsRefused(String formula, String message) {
        FormulaProblem problem = catchThrowableOfType(FormulaProblem.class, () -> Formula.of(formula, NAMES));
        assertThat(problem).as(formula).isNotNull();
        assertThat(problem.getMessage()).startsWith(message);
    }

    @Test
    void aChoiceIsNamedByItsIdentityWhereItsLabelWasWritten() {
        FormulaProblem problem = catchThrowableOfType(
                FormulaProblem.class, () -> Formula.of("purpose = \"irrigation of fields\"", NAMES));
        assertThat(problem.getMessage()).endsWith("Write “irrigation” for it.");
    }

    /** Published references with their check characters. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            checksum("0000-0002-1825-0097", "mod 11-2")     | true
            checksum("0000-0001-5109-3700", "mod 11-2")     | true
            checksum("0000-0002-1694-233X", "mod 11-2")     | true
            checksum("0000-0002-1694-2330", "mod 11-2")     | false
            checksum("WEST12345698765432GB82", "mod 97-10") | true
            checksum("370400440532013000DE89", "mod 97-10") | true
            checksum("370400440532013000DE98", "mod 97-10") | false
            checksum("794 44", "mod 97-10")                 | true
            check characters("794", "mod 97-10")            | "44"
            checksum("7992 7398 713", "luhn")               | true
            checksum("79927398710", "Luhn")                 | false
            checksum("4111 1111 1111 1111", "luhn")         | true
            check characters("7992739871", "luhn")          | "3"
            check characters("0000000216942330", "mod 97-10") != null | true
            checksum("79x", "luhn")                         | false
            check characters("79x", "luhn")                 | null
            checksum("1", "luhn")                           | false
            """)
    void checkCharactersAreThoseOfPublishedReferences(String formula, String expected) {
        // ORCID, “Structure of the ORCID Identifier”; ISO 13616 registry (GB, DE); ISO/IEC 7064, 7.1.2, example 794 44
        // (from memory); Luhn: the number of US patent 2 950 048 as it is commonly quoted (from memory).
        assertThat(run("string(%s)".formatted(formula), Locale.ENGLISH))
                .as(formula)
                .isEqualTo(run("string(%s)".formatted(expected), Locale.ENGLISH));
    }

    @Test
    void everyCheckCharacterThatIsMadeIsRightAndEverySingleErrorIsFound() {
        Cases.check("check characters", 300, (random, size) -> {
            StringBuilder digits = new StringBuilder();
            for (int i = 0; i <= size; i++) {
                digits.append(random.nextInt(10));
            }
            for (String method : List.of("mod 97-10", "mod 11-2", "luhn")) {
                String made = (String) Objects.requireNonNull(run(
                        "\"%s\" + check characters(\"%s\", \"%s\")".formatted(digits, digits, method), Locale.ENGLISH));
                assertThat(run("checksum(\"%s\", \"%s\")".formatted(made, method), Locale.ENGLISH))
                        .isEqualTo(true);
                int at = random.nextInt(digits.length());
                char other = (char) ('0' + (made.charAt(at) - '0' + 1 + random.nextInt(9)) % 10);
                String wrong = made.substring(0, at) + other + made.substring(at + 1);
                assertThat(run("checksum(\"%s\", \"%s\")".formatted(wrong, method), Locale.ENGLISH))
                        .as("%s for %s by %s", wrong, made, method)
                        .isEqualTo(false);
            }
        });
    }

    /** Against going from day to day. */
    @Test
    void workingDaysAreThoseThatAreNeitherWeekendsNorHolidays() {
        Cases.check("working days", 500, (random, size) -> {
            LocalDate from = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(2_000) - 1_000);
            LocalDate to = from.plusDays(random.nextInt(4 * size + 1) - 2L * size);
            List<LocalDate> holidays = holidays(random, from, size);
            Program count = Formula.of(
                            "working days(a, b, h)",
                            Map.of(
                                    "a",
                                    Type.Simple.DATE,
                                    "b",
                                    Type.Simple.DATE,
                                    "h",
                                    new Type.ListOf(Type.Simple.DATE)))
                    .compile(List.of("a", "b", "h"));
            int days = 0;
            LocalDate first = from.isBefore(to) ? from : to;
            LocalDate last = from.isBefore(to) ? to : from;
            for (LocalDate day = first; !day.isAfter(last); day = day.plusDays(1)) {
                days += isWorkingDay(day, holidays) ? 1 : 0;
            }
            int expected = to.isBefore(from) ? -days : days;
            assertThat(count.run(from, to, holidays)).isEqualTo(BigDecimal.valueOf(expected));

            int steps = random.nextInt(2 * size + 1) - size;
            LocalDate reached = from;
            for (int left = Math.abs(steps); left > 0; ) {
                reached = reached.plusDays(Integer.signum(steps));
                left -= isWorkingDay(reached, holidays) ? 1 : 0;
            }
            Program after = Formula.of(
                            "working day after(a, n, h)",
                            Map.of(
                                    "a",
                                    Type.Simple.DATE,
                                    "n",
                                    Type.Simple.NUMBER,
                                    "h",
                                    new Type.ListOf(Type.Simple.DATE)))
                    .compile(List.of("a", "n", "h"));
            assertThat(after.run(from, BigDecimal.valueOf(steps), holidays)).isEqualTo(reached);
        });
    }

    private static List<LocalDate> holidays(RandomGenerator random, LocalDate around, int size) {
        List<LocalDate> holidays = new ArrayList<>();
        for (int i = 0; i < random.nextInt(6); i++) {
            holidays.add(around.plusDays(random.nextInt(2 * size + 1) - (long) size));
        }
        return holidays;
    }

    private static boolean isWorkingDay(LocalDate day, List<LocalDate> holidays) {
        return day.getDayOfWeek() != DayOfWeek.SATURDAY
                && day.getDayOfWeek() != DayOfWeek.SUNDAY
                && !holidays.contains(day);
    }
}
