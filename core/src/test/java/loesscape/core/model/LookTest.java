package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Objects;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Shades can be read: text on its fill (WCAG 2.2, 1.4.3), and on the paper that stands around it. */
class LookTest {

    private static final String PAPER = "#ffffff";

    @ParameterizedTest
    @EnumSource(mode = EnumSource.Mode.EXCLUDE, names = "PLAIN")
    void aShadeIsReadable(Look.Shade shade) {
        Look.Colours colours = Objects.requireNonNull(shade.colours());
        assertThat(Contrast.of(colours.text(), colours.fill())).isGreaterThanOrEqualTo(Contrast.LEAST);
        assertThat(Contrast.of(colours.text(), PAPER)).isGreaterThanOrEqualTo(Contrast.LEAST);
        assertThat(Contrast.isColour(colours.border())).isTrue();
    }

    @ParameterizedTest
    @EnumSource(names = "PLAIN")
    void thePlainOneHasNoColoursOfItsOwn(Look.Shade shade) {
        assertThat(shade.colours()).isNull();
    }
}
