package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import loesscape.core.model.Bound;
import loesscape.core.model.FieldKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The answers between two, by halves: among whole numbers and tenths, near nought and far away. */
class HalvingTest {

    private static Halving halving(int decimals) {
        return new Halving(SizeLine.of(new FieldKind.Number(decimals, "", null, null)));
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0, 10, 5",
        "0, 4, 7, 5",
        "0, 4, 6, 5",
        "0, 4, 5, 4",
        "1, 4, 5, 4.5",
        "1, 4, 4.1, 4",
        "1, 4, 4.2, 4.1",
        "0, -10, -4, -7",
        "0, -5, 5, 0",
        // Nought stands between what is below and what is far above it; a hundred beside nought.
        "0, -5, 500, 0",
        "0, 0, 500, 100",
        "0, 0, 100, 50",
        // Far apart, as many digits as lie between.
        "0, 10, 100000000, 100000",
        "0, -100000000, -10, -100000",
        "0, 1000, 99999, 50499",
    })
    void betweenTwo(int decimals, BigDecimal from, BigDecimal to, BigDecimal middle) {
        assertThat(halving(decimals).middle(from, to)).isEqualByComparingTo(middle);
    }

    @Test
    void theAnswerBefore() {
        assertThat(halving(0).before(new BigDecimal("4"))).isEqualByComparingTo("3");
        assertThat(halving(0).before(new BigDecimal("4.5"))).isEqualByComparingTo("4");
        assertThat(halving(1).before(new BigDecimal("4"))).isEqualByComparingTo("3.9");
        assertThat(halving(1).floor(new BigDecimal("-0.05"))).isEqualByComparingTo("-0.1");
    }

    @Test
    void theEndsOfALine() {
        Halving limited = new Halving(SizeLine.of(
                new FieldKind.Number(0, "", new Bound(BigDecimal.ONE, true), new Bound(BigDecimal.TEN, true))));
        assertThat(limited.lowest()).isEqualByComparingTo("1");
        assertThat(limited.highest()).isEqualByComparingTo("10");
        assertThat(halving(0).lowest())
                .isEqualByComparingTo(halving(0).highest().negate());
        Halving days = new Halving(SizeLine.of(new FieldKind.Date(null, LocalDate.of(2026, 1, 1))));
        assertThat(days.lowest()).isEqualByComparingTo(Bound.number(LocalDate.of(1, 1, 1)));
        assertThat(days.highest()).isEqualByComparingTo(Bound.number(LocalDate.of(2026, 1, 1)));
        assertThat(days.floor(new BigDecimal("7.5"))).isEqualByComparingTo("7");
    }
}
