package loesscape.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import loesscape.core.model.Bound;
import loesscape.core.model.FieldKind;
import loesscape.core.model.KindFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What is said of the limits of each kind, and the verbs that conditions about it can have. */
class LimitsTest {

    private static Bound in(String at) {
        return new Bound(new BigDecimal(at), true);
    }

    private static Bound out(String at) {
        return new Bound(new BigDecimal(at), false);
    }

    private static FieldKind several(int least, int most) {
        return new FieldKind.SeveralChoices(
                List.of(), FieldKind.ChoiceLayout.MARKS, FieldKind.ChoiceStyle.PLAIN, false, null, least, most);
    }

    static Stream<Arguments> limits() {
        LocalDate first = LocalDate.of(2026, 11, 1);
        LocalDate last = LocalDate.of(2026, 12, 24);
        return Stream.of(
                Arguments.of(new FieldKind.Number(2, "m", null, null), ""),
                Arguments.of(new FieldKind.Number(2, "m", in("0"), null), "at least 0 m"),
                Arguments.of(new FieldKind.Number(2, "m", out("0"), out("9.5")), "more than 0 m and less than 9.5 m"),
                Arguments.of(new FieldKind.Money("EUR", in("1"), in("5")), "at least € 1.00 and at most € 5.00"),
                Arguments.of(new FieldKind.Rating(7), "from 1 to 7"),
                Arguments.of(new FieldKind.Date(null, null), ""),
                Arguments.of(new FieldKind.Date(first, null), "1 November 2026 or later"),
                Arguments.of(
                        new FieldKind.Date(first, last), "1 November 2026 or later and 24 December 2026 or earlier"),
                Arguments.of(new FieldKind.Time(LocalTime.of(7, 30), null), "07:30 or later"),
                Arguments.of(new FieldKind.Time(null, LocalTime.NOON), "12:00 or earlier"),
                Arguments.of(new FieldKind.Text("", 0), ""),
                Arguments.of(new FieldKind.Text("", 1), "at most 1 character"),
                Arguments.of(new FieldKind.LongText("", 500), "at most 500 characters"),
                Arguments.of(new FieldKind.Email(), "an e-mail address"),
                Arguments.of(new FieldKind.Phone(""), "a telephone number"),
                Arguments.of(new FieldKind.WebAddress(), "a web address"),
                Arguments.of(several(0, 0), ""),
                Arguments.of(several(1, 0), ""),
                Arguments.of(several(2, 1), "at least 2 choices and at most 1 choice"),
                Arguments.of(several(0, 3), "at most 3 choices"),
                Arguments.of(new FieldKind.Attachment(1, 5, List.of()), "at most 1 file and each up to 5 MB"),
                Arguments.of(
                        new FieldKind.Attachment(2, 5, List.of("pdf", "csv")),
                        "at most 2 files and each up to 5 MB and of the kinds pdf, csv"),
                Arguments.of(new FieldKind.Picture(10), "a PNG or JPEG picture up to 10 MB"),
                Arguments.of(new FieldKind.YesNo(), ""),
                Arguments.of(FieldKind.OneChoice.of(List.of()), ""),
                Arguments.of(new FieldKind.Lookup("", "", Map.of()), ""),
                Arguments.of(new FieldKind.Signature(), ""),
                Arguments.of(new FieldKind.Initials(), ""),
                Arguments.of(new FieldKind.DateSigned(), ""),
                Arguments.of(new FieldKind.Payment("EUR", "10"), ""));
    }

    @ParameterizedTest
    @MethodSource("limits")
    void areSaidAsTheyAre(FieldKind kind, String words) {
        assertThat(Limits.words(kind)).isEqualTo(words);
    }

    private static String verbs(KindFacts kind) {
        return Operator.of(kind.starting()).stream()
                .map(verb -> verb.words(kind.starting()) + (verb.metWhenBlank() ? "*" : ""))
                .reduce((all, next) -> all + ", " + next)
                .orElse("");
    }

    /** The verbs for each kind, the likeliest first; those that a blank meets have a star. */
    @Test
    void verbsFitTheKind() {
        String sizes =
                "is at least, is more than, is at most, is less than, equals, does not equal*, is between, is outside, "
                        + "is in the band, is answered, is blank*";
        for (KindFacts kind : List.of(KindFacts.NUMBER, KindFacts.MONEY, KindFacts.RATING)) {
            assertThat(verbs(kind)).as(kind.label()).isEqualTo(sizes);
        }
        assertThat(verbs(KindFacts.DATE))
                .isEqualTo("is on or after, is after, is on or before, is before, is on, is not on*, is between, "
                        + "is outside, is in the band, is answered, is blank*");
        assertThat(verbs(KindFacts.TIME))
                .startsWith("is at or after, is after, is at or before, is before, is at, is not at*");
        assertThat(verbs(KindFacts.LONG_TEXT))
                .isEqualTo("is, is not*, contains, does not contain*, starts with, ends with, matches, "
                        + "has a length that, is answered, is blank*");
        assertThat(verbs(KindFacts.YES_NO)).isEqualTo("is, is not*, is answered, is blank*");
        assertThat(verbs(KindFacts.SEVERAL_CHOICES))
                .isEqualTo("includes, does not include*, includes all of, is exactly, has a number chosen that, "
                        + "is answered, is blank*");
        assertThat(verbs(KindFacts.SIGNATURE)).isEqualTo("is present, is absent*");
        assertThat(verbs(KindFacts.ATTACHMENT)).isEqualTo("is present, is absent*");
        assertThat(verbs(KindFacts.PAYMENT)).isEqualTo("is answered, is blank*");
    }
}
