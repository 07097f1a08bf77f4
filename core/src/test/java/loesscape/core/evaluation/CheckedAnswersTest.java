package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.FieldKind;
import loesscape.core.testing.Documents;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The limits of each kind at their edges: what is typed, and what is said of it. Written down from docs/meaning.md and
 * docs/template-file.md, and not from the code.
 */
class CheckedAnswersTest {

    private static @Nullable String problem(FieldKind kind, String typed) {
        NodeState state = CompiledTemplate.compile(Documents.of(Documents.field("f", kind)))
                .evaluate(Answers.NONE.with("f", typed), Context.filling(LocalDate.of(2026, 11, 24)))
                .of("f");
        return state.problem();
    }

    private static Bound bound(String at, boolean included) {
        return new Bound(new BigDecimal(at), included);
    }

    private static FieldKind several(int least, int most) {
        FieldKind.SeveralChoices choices =
                FieldKind.SeveralChoices.of(List.of(Choice.of("a", "A"), Choice.of("b", "B"), Choice.of("c", "C")));
        return new FieldKind.SeveralChoices(
                choices.choices(), choices.layout(), choices.style(), false, choices.offer(), least, most);
    }

    private static Arguments typed(FieldKind kind, String typed, @Nullable String said) {
        return Arguments.of(kind, typed, said);
    }

    static Stream<Arguments> answers() {
        return Stream.of(
                typed(new FieldKind.Text("", 3), "abc", null),
                typed(new FieldKind.Text("", 3), "abcd", "This has 4 characters; at most 3 fit."),
                typed(new FieldKind.Text("", 3), "🌱🌱🌱", null),
                typed(new FieldKind.LongText("", 3), "abcd", "This has 4 characters; at most 3 fit."),
                typed(new FieldKind.Text("", 0), "as much as one wants", null),
                typed(new FieldKind.Email(), "mira@veldhollow.example", null),
                typed(new FieldKind.Email(), "mira@", "This is not an e-mail address; write it like name@example.com."),
                typed(new FieldKind.WebAddress(), "https://veldhollow.example/wells?n=1", null),
                typed(
                        new FieldKind.WebAddress(),
                        "ftp://veldhollow.example",
                        "This is not a web address; write it like https://www.example.com."),
                typed(new FieldKind.Phone(""), "+44 7700 900123", null),
                typed(
                        new FieldKind.Phone(""),
                        "07700 900123",
                        "This is not a telephone number; begin with + and the country code, like +31 20 123 4567."),
                typed(new FieldKind.Phone("GB"), "07700 900123", null),
                typed(
                        new FieldKind.Phone("GB"),
                        "12",
                        "This is not a telephone number; write it with its area code, or with + and the country code."),
                typed(new FieldKind.Number(0, "", null, null), "5", null),
                typed(new FieldKind.Number(0, "", null, null), "5.5", "Write a whole number, without decimals."),
                typed(new FieldKind.Number(1, "", null, null), "5.5", null),
                typed(new FieldKind.Number(1, "", null, null), "5.55", "Write at most 1 decimal; 5.55 has more."),
                typed(new FieldKind.Number(2, "", null, null), "5.555", "Write at most 2 decimals; 5.555 has more."),
                typed(new FieldKind.Number(1, "m", bound("1", true), bound("2", true)), "1", null),
                typed(new FieldKind.Number(1, "m", bound("1", true), bound("2", true)), "2", null),
                typed(
                        new FieldKind.Number(1, "m", bound("1", true), bound("2", true)),
                        "2.1",
                        "This must be at least 1 m and at most 2 m; 2.1 m is not."),
                typed(
                        new FieldKind.Number(1, "m", bound("1", true), bound("2", true)),
                        "0.9",
                        "This must be at least 1 m and at most 2 m; 0.9 m is not."),
                typed(new FieldKind.Number(0, "", bound("1", false), null), "1", "This must be more than 1; 1 is not."),
                typed(new FieldKind.Number(0, "", bound("1", false), null), "2", null),
                typed(new FieldKind.Number(0, "", null, bound("9", false)), "9", "This must be less than 9; 9 is not."),
                typed(new FieldKind.Number(0, "", null, bound("9", false)), "8", null),
                typed(new FieldKind.Money("EUR", null, null), "10.25", null),
                typed(new FieldKind.Money("EUR", null, null), "10.255", "Write at most 2 decimals; 10.255 has more."),
                typed(new FieldKind.Money("JPY", null, null), "10", null),
                typed(new FieldKind.Money("JPY", null, null), "10.5", "Write a whole number, without decimals."),
                typed(new FieldKind.Rating(5), "1", null),
                typed(new FieldKind.Rating(5), "5", null),
                typed(new FieldKind.Rating(5), "6", "This must be from 1 to 5; 6 is not."),
                typed(new FieldKind.Rating(5), "0", "This must be from 1 to 5; 0 is not."),
                typed(new FieldKind.Rating(5), "2.5", "Write a whole number, without decimals."),
                typed(
                        new FieldKind.Date(LocalDate.parse("2026-01-01"), LocalDate.parse("2026-12-31")),
                        "2026-01-01",
                        null),
                typed(
                        new FieldKind.Date(LocalDate.parse("2026-01-01"), LocalDate.parse("2026-12-31")),
                        "2026-12-31",
                        null),
                typed(
                        new FieldKind.Date(LocalDate.parse("2026-01-01"), LocalDate.parse("2026-12-31")),
                        "2025-12-31",
                        "The day must be 1 January 2026 or later and 31 December 2026 or earlier."),
                typed(
                        new FieldKind.Date(LocalDate.parse("2026-01-01"), LocalDate.parse("2026-12-31")),
                        "2027-01-01",
                        "The day must be 1 January 2026 or later and 31 December 2026 or earlier."),
                typed(new FieldKind.Time(LocalTime.parse("09:00"), LocalTime.parse("17:30")), "09:00", null),
                typed(new FieldKind.Time(LocalTime.parse("09:00"), LocalTime.parse("17:30")), "17:30", null),
                typed(
                        new FieldKind.Time(LocalTime.parse("09:00"), LocalTime.parse("17:30")),
                        "08:59",
                        "The time must be 09:00 or later and 17:30 or earlier."),
                typed(
                        new FieldKind.Time(LocalTime.parse("09:00"), LocalTime.parse("17:30")),
                        "17:31",
                        "The time must be 09:00 or later and 17:30 or earlier."),
                typed(several(2, 2), "a,b", null),
                typed(several(2, 2), "a", "Choose at least 2; this is 1."),
                typed(several(2, 2), "a,b,c", "Choose at most 2; this is 3."),
                typed(new FieldKind.Attachment(1, 1, List.of("pdf")), "a 1000000 plan.pdf", null),
                typed(new FieldKind.Attachment(1, 1, List.of("pdf")), "a 1000000 PLAN.PDF", null),
                typed(
                        new FieldKind.Attachment(1, 1, List.of("pdf")),
                        "a 1000001 plan.pdf",
                        "“plan.pdf” is too large; at most 1 MB are taken."),
                typed(
                        new FieldKind.Attachment(1, 1, List.of("pdf", "odt")),
                        "a 1 plan.txt",
                        "“plan.txt” cannot be taken; hand in pdf, odt."),
                typed(new FieldKind.Picture(1), "a 1000000 well.jpeg", null),
                typed(new FieldKind.Picture(1), "a 1 well.gif", "“well.gif” cannot be taken; hand in png, jpg, jpeg."));
    }

    @ParameterizedTest
    @MethodSource("answers")
    void whatIsTypedIsCheckedByItsKind(FieldKind kind, String typed, @Nullable String said) {
        assertThat(problem(kind, typed)).isEqualTo(said);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            1 | At most 1 file fits here.
            2 | At most 2 files fit here.
            """)
    void noMoreFilesAreTakenThanFit(int most, String said) {
        FieldKind kind = new FieldKind.Attachment(most, 1, List.of());
        StringBuilder files = new StringBuilder("a 1 one.pdf");
        for (int i = 1; i < most; i++) {
            files.append("\nb").append(i).append(" 1 more.pdf");
        }
        assertThat(problem(kind, files.toString())).isNull();
        assertThat(problem(kind, files + "\nz 1 last.pdf")).isEqualTo(said);
    }
}
