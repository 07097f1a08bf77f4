package loesscape.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.Findings;
import loesscape.core.analysis.LogicFindings;
import loesscape.core.analysis.PromiseVerdict;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Template;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is shown to whoever looks at Loesscape first was looked through as we ask of others. */
class DemoFindingsTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "soil-sample-sheet",
                "soil-sample-series",
                "equipment-loan-agreement",
                "drilling-agreement",
                "borehole-and-well-permit",
                "drainage-consent"
            })
    void everyFindingIsMeantAndEveryPromiseKept(String name) {
        Template template = DemoWorld.load(name);
        EveryFilling every = EveryFilling.of(CompiledTemplate.compile(template), LocalDate.of(2026, 11, 29));
        List<Finding> found = Stream.concat(
                        Findings.of(every.compiled().prepared()).stream(), LogicFindings.of(every).stream())
                .toList();
        assertThat(found).filteredOn(finding -> finding.accepted().isEmpty()).isEmpty();
        assertThat(template.accepted())
                .as("each is still found")
                .allMatch(accepted ->
                        found.stream().anyMatch(finding -> finding.message().equals(accepted.message())));
        assertThat(template.promises())
                .isNotEmpty()
                .allSatisfy(rule -> assertThat(PromiseVerdict.of(rule, every)).isInstanceOf(PromiseVerdict.Kept.class));
    }
}
