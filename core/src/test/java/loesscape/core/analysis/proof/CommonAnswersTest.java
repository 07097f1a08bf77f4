package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.testing.Documents;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What two versions of a field both take: of each kind, whichever of the two is the narrower. */
class CommonAnswersTest {

    private static final LocalDate EARLY = LocalDate.of(2026, 1, 1);
    private static final LocalDate LATE = LocalDate.of(2026, 12, 31);
    private static final LocalTime MORNING = LocalTime.of(8, 0);
    private static final LocalTime EVENING = LocalTime.of(20, 0);

    private static @Nullable Bound in(int at) {
        return new Bound(BigDecimal.valueOf(at), true);
    }

    private static @Nullable Bound out(int at) {
        return new Bound(BigDecimal.valueOf(at), false);
    }

    private static FieldKind number(int decimals, @Nullable Bound lower, @Nullable Bound upper) {
        return new FieldKind.Number(decimals, "m", lower, upper);
    }

    private static FieldKind one(boolean other, String... choices) {
        FieldKind.OneChoice plain = FieldKind.OneChoice.of(choices(choices));
        return new FieldKind.OneChoice(plain.choices(), plain.layout(), plain.style(), other, null);
    }

    private static FieldKind several(boolean other, int least, int most, String... choices) {
        FieldKind.SeveralChoices plain = FieldKind.SeveralChoices.of(choices(choices));
        return new FieldKind.SeveralChoices(plain.choices(), plain.layout(), plain.style(), other, null, least, most);
    }

    private static List<Choice> choices(String... ids) {
        return Stream.of(ids).map(id -> Choice.of(id, id)).toList();
    }

    static Stream<Arguments> kinds() {
        return Stream.of(
                Arguments.of(number(2, in(0), in(9)), number(0, in(1), in(8)), number(0, in(1), in(8))),
                Arguments.of(number(1, in(0), in(9)), number(1, out(0), out(9)), number(1, out(0), out(9))),
                Arguments.of(number(1, null, in(9)), number(1, in(0), null), number(1, in(0), in(9))),
                Arguments.of(number(1, null, null), number(1, null, null), number(1, null, null)),
                Arguments.of(
                        new FieldKind.Money("EUR", in(0), in(5)),
                        new FieldKind.Money("EUR", in(2), in(9)),
                        new FieldKind.Money("EUR", in(2), in(5))),
                Arguments.of(new FieldKind.Rating(5), new FieldKind.Rating(3), new FieldKind.Rating(3)),
                Arguments.of(
                        new FieldKind.Date(EARLY, null),
                        new FieldKind.Date(null, LATE),
                        new FieldKind.Date(EARLY, LATE)),
                Arguments.of(
                        new FieldKind.Date(EARLY, LATE),
                        new FieldKind.Date(EARLY.plusDays(1), LATE.minusDays(1)),
                        new FieldKind.Date(EARLY.plusDays(1), LATE.minusDays(1))),
                Arguments.of(
                        new FieldKind.Time(MORNING, null),
                        new FieldKind.Time(null, EVENING),
                        new FieldKind.Time(MORNING, EVENING)),
                Arguments.of(
                        new FieldKind.Time(MORNING, EVENING),
                        new FieldKind.Time(MORNING.plusHours(1), EVENING.minusHours(1)),
                        new FieldKind.Time(MORNING.plusHours(1), EVENING.minusHours(1))),
                Arguments.of(new FieldKind.Text("", 0), new FieldKind.Text("", 9), new FieldKind.Text("", 9)),
                Arguments.of(new FieldKind.Text("", 5), new FieldKind.Text("", 9), new FieldKind.Text("", 5)),
                Arguments.of(
                        new FieldKind.LongText("", 80), new FieldKind.LongText("", 0), new FieldKind.LongText("", 80)),
                Arguments.of(one(true, "a", "b"), one(true, "b", "c"), one(true, "b")),
                Arguments.of(one(true, "a"), one(false, "a"), one(false, "a")),
                Arguments.of(
                        several(true, 1, 0, "a", "b", "c"),
                        several(false, 2, 2, "a", "c"),
                        several(false, 2, 2, "a", "c")),
                Arguments.of(
                        several(true, 0, 3, "a", "b", "c"),
                        several(true, 0, 2, "a", "b", "c"),
                        several(true, 0, 2, "a", "b", "c")),
                Arguments.of(new FieldKind.YesNo(), new FieldKind.YesNo(), new FieldKind.YesNo()),
                Arguments.of(new FieldKind.Email(), new FieldKind.Email(), new FieldKind.Email()));
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void bothTakeWhatTheNarrowerTakes(FieldKind one, FieldKind other, FieldKind both) {
        assertThat(CommonAnswers.areAlike(Documents.field("f", one), Documents.field("f", other)))
                .isTrue();
        assertThat(CommonAnswers.of(Documents.field("f", one), Documents.field("f", other))
                        .kind())
                .isEqualTo(both);
        assertThat(CommonAnswers.of(Documents.field("f", other), Documents.field("f", one))
                        .kind())
                .isEqualTo(both);
    }

    @Test
    void answersOfOtherKindsAreNotAlike() {
        Field text = Documents.field("f", new FieldKind.Text("", 0));
        Field euro = Documents.field("f", new FieldKind.Money("EUR", null, null));
        assertThat(CommonAnswers.areAlike(text, euro)).isFalse();
        assertThat(CommonAnswers.areAlike(euro, text)).isFalse();
        assertThat(CommonAnswers.areAlike(euro, Documents.field("f", new FieldKind.Money("CHF", null, null))))
                .isFalse();
        Field worked = euro.withValue(new FieldValue.WorkedOut("1", false));
        assertThat(CommonAnswers.areAlike(euro, worked)).isFalse();
        assertThat(CommonAnswers.areAlike(worked, euro)).isFalse();
        assertThat(CommonAnswers.areAlike(worked, worked)).isTrue();
    }
}
