package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** How much of what people write goes on paper. */
class AllowanceTest {

    @Test
    void usualTextsFitWhole() {
        Allowance allowance = new Allowance();
        String text = "Dyke Road 4\n3100 Veldhollow\n\n" + "word ".repeat(2_000);
        assertThat(allowance.take(text)).isEqualTo(new Allowance.Fitting(text, 0));
        assertThat(allowance.take("")).isEqualTo(new Allowance.Fitting("", 0));
    }

    @Test
    void oneTakesNoMoreThanItsShare() {
        Allowance.Fitting letters = new Allowance().take("x".repeat(60_000));
        assertThat(letters.shown()).hasSize(50_000);
        assertThat(letters.rest()).isEqualTo(10_000);
        Allowance.Fitting lines = new Allowance().take("a\r\n".repeat(5_000));
        assertThat(lines.shown().lines().count()).isBetween(400L, 1_001L);
        assertThat(lines.shown().length() + lines.rest()).isEqualTo(15_000);
    }

    @Test
    void allTogetherTakeNoMoreThanThereIs() {
        Allowance letters = new Allowance();
        assertThat(IntStream.range(0, 30)
                        .map(i -> letters.take("x".repeat(40_000)).shown().length())
                        .sum())
                .isBetween(399_000, 400_000);
        assertThat(letters.take("more")).isEqualTo(new Allowance.Fitting("", 4));
        Allowance lines = new Allowance();
        assertThat(IntStream.range(0, 30)
                        .mapToLong(i -> lines.take("\n".repeat(900)).shown().length())
                        .sum())
                .isBetween(3_900L, 4_000L);
        Allowance cells = new Allowance();
        IntStream.range(0, 10_000).forEach(i -> cells.take("A cell"));
        assertThat(cells.take("x".repeat(50_000)).rest()).isZero();
    }

    @Test
    void aCharacterIsNotCutApart() {
        Allowance.Fitting fitting = new Allowance().take("x".repeat(49_999) + "\uD83C\uDF31");
        assertThat(fitting.shown()).hasSize(49_999);
        assertThat(fitting.rest()).isEqualTo(2);
    }
}
