package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Choice;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What a formula gives, as an answer of a kind. */
class WorkedOutTest {

    private static final FieldKind NUMBER = new FieldKind.Number(2, "", null, null);
    private static final FieldKind ONE = FieldKind.OneChoice.of(List.of(Choice.of("a", "A"), Choice.of("b", "B")));
    private static final Offered ONLY_A = new Offered(List.of("a"), true, false);

    private static Arguments gives(FieldKind kind, @Nullable Object result, Value value) {
        return Arguments.of(kind, result, value);
    }

    static Stream<Arguments> results() {
        LocalDate day = LocalDate.of(2027, 2, 28);
        LocalTime time = LocalTime.of(9, 30);
        return Stream.of(
                gives(NUMBER, new BigDecimal("2.5"), new Value.Number(new BigDecimal("2.5"))),
                gives(
                        new FieldKind.Money("JPY", null, null),
                        new BigDecimal("2.5"),
                        new Value.Number(new BigDecimal("3"))),
                gives(new FieldKind.YesNo(), true, new Value.YesNo(true)),
                gives(new FieldKind.YesNo(), false, new Value.YesNo(false)),
                gives(new FieldKind.Date(null, null), day, new Value.Date(day)),
                gives(new FieldKind.Time(null, null), time, new Value.Time(time)),
                gives(new FieldKind.Text("", 0), "oak", Value.Text.of("oak")),
                gives(new FieldKind.Text("", 0), " ", Value.blank()),
                gives(ONE, "a", new Value.Chosen("a")),
                gives(ONE, "b", Value.blank()),
                // Of another kind than its field: nothing.
                gives(NUMBER, null, Value.blank()),
                gives(NUMBER, true, Value.blank()),
                gives(NUMBER, "2", Value.blank()),
                gives(new FieldKind.Text("", 0), new BigDecimal("2"), Value.blank()),
                gives(new FieldKind.Text("", 0), true, Value.blank()),
                gives(new FieldKind.Text("", 0), day, Value.blank()),
                gives(new FieldKind.Text("", 0), time, Value.blank()),
                gives(new FieldKind.Date(null, null), "2027-02-28", Value.blank()),
                gives(new FieldKind.Time(null, null), day, Value.blank()),
                gives(new FieldKind.Date(null, null), time, Value.blank()),
                gives(new FieldKind.YesNo(), "yes", Value.blank()),
                gives(ONE, List.of("a"), Value.blank()));
    }

    @ParameterizedTest
    @MethodSource("results")
    void whatIsNotOfTheKindIsBlank(FieldKind kind, @Nullable Object result, Value value) {
        assertThat(WorkedOut.value(kind, result, ONLY_A)).isEqualTo(value);
    }

    @ParameterizedTest
    @CsvSource({
        "1.005, 2, 1.01",
        "1.004, 2, 1.00",
        "-1.005, 2, -1.01",
        "1.5, 0, 2",
        "-1.5, 0, -2",
        "2.5, 0, 3",
        "7, 2, 7",
        "7.10, 2, 7.10",
        "1E+3, 0, 1E+3",
        "0.004, 2, 0.00",
    })
    void halvesAreRoundedAwayFromZero(String result, int decimals, String value) {
        assertThat(WorkedOut.number(new BigDecimal(result), decimals))
                .isEqualTo(new Value.Number(new BigDecimal(value)));
    }

    @Test
    void aNumberOfMoreDigitsThanThereMayBeIsBlank() {
        int most = Numbers.MOST_DIGITS;
        BigDecimal largest = new BigDecimal("9".repeat(most));
        assertThat(WorkedOut.number(largest, 0)).isEqualTo(new Value.Number(largest));
        assertThat(WorkedOut.number(largest.add(BigDecimal.ONE), 0)).isEqualTo(Value.blank());
        assertThat(WorkedOut.number(new BigDecimal("1E+" + most), 0)).isEqualTo(Value.blank());
        assertThat(WorkedOut.number(new BigDecimal("1E-60"), 2)).isEqualTo(new Value.Number(new BigDecimal("0.00")));
    }
}
