package loesscape.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.NodeState.IndicatorState;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Indicator;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The acidity classes of the sample sheet against their source: Soil Science Division Staff, Soil Survey Manual, USDA
 * Agriculture Handbook 18 (2017), chapter 3, table of reaction classes. Values from memory.
 */
class SoilReactionTest {

    private final Template sheet = DemoWorld.load("soil-sample-sheet");
    private final CompiledTemplate compiled = CompiledTemplate.compile(sheet);
    private final Indicator classes = sheet.nodes().stream()
            .filter(Indicator.class::isInstance)
            .map(Indicator.class::cast)
            .findFirst()
            .orElseThrow();

    @ParameterizedTest
    @CsvSource({
        "Ultra acid, 3.0, 3.4",
        "Extremely acid, 3.5, 4.4",
        "Very strongly acid, 4.5, 5.0",
        "Strongly acid, 5.1, 5.5",
        "Moderately acid, 5.6, 6.0",
        "Slightly acid, 6.1, 6.5",
        "Neutral, 6.6, 7.3",
        "Slightly alkaline, 7.4, 7.8",
        "Moderately alkaline, 7.9, 8.4",
        "Strongly alkaline, 8.5, 9.0",
        "Very strongly alkaline, 9.1, 10.0"
    })
    void everyPublishedClassHoldsItsValuesToOneDecimal(String name, BigDecimal from, BigDecimal to) {
        for (BigDecimal ph = from; ph.compareTo(to) <= 0; ph = ph.add(new BigDecimal("0.1"))) {
            assertThat(label(ph)).as("pH %s", ph).isEqualTo(name);
        }
    }

    @Test
    void everyValueOfOneDecimalMeetsExactlyOneClass() {
        List<String> labels = new ArrayList<>();
        for (int tenths = 30; tenths <= 100; tenths++) {
            BigDecimal ph = BigDecimal.valueOf(tenths, 1);
            long holding = 0;
            for (int i = 0; i < classes.bands().size(); i++) {
                Bound lower = i == 0 ? null : classes.bands().get(i - 1).upTo();
                Bound upper = classes.bands().get(i).upTo();
                boolean above = lower == null || !lower.holdsBelow(ph);
                boolean below = upper == null || upper.holdsBelow(ph);
                holding += above && below ? 1 : 0;
            }
            assertThat(holding).as("pH %s", ph).isEqualTo(1);
            labels.add(label(ph));
        }
        assertThat(labels.stream().distinct()).hasSize(11);
    }

    /**
     * The classes are published to one decimal: between 4.4 and 4.5 the table says nothing, and the bands must. They
     * put what lies between two classes into the one further from neutral, as the open ends of the table do (below 3.5
     * is ultra acid, above 9.0 very strongly alkaline).
     */
    @Test
    void aValueBetweenTwoPublishedClassesBelongsToTheOneFurtherFromNeutral() {
        assertThat(label(new BigDecimal("4.44"))).isEqualTo("Extremely acid");
        assertThat(label(new BigDecimal("4.45"))).isEqualTo("Extremely acid");
        assertThat(label(new BigDecimal("4.50"))).isEqualTo("Very strongly acid");
        assertThat(label(new BigDecimal("3.49"))).isEqualTo("Ultra acid");
        assertThat(label(new BigDecimal("7.35"))).isEqualTo("Slightly alkaline");
        assertThat(label(new BigDecimal("9.01"))).isEqualTo("Very strongly alkaline");
    }

    private String label(BigDecimal ph) {
        IndicatorState state =
                (IndicatorState) compiled.evaluate(Answers.NONE.with(classes.follows(), ph.toPlainString()))
                        .of(classes.key());
        return classes.bands().stream()
                .filter(band -> band.id().equals(state.band()))
                .map(Band::label)
                .findFirst()
                .orElse("nothing");
    }
}
