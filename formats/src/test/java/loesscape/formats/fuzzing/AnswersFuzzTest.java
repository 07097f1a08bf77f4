package loesscape.formats.fuzzing;

import static org.assertj.core.api.Assertions.assertThat;

import com.code_intelligence.jazzer.junit.FuzzTest;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Template;
import loesscape.formats.answers.AnswerMatching;
import loesscape.formats.answers.AnswersBrought;
import loesscape.formats.answers.GivenAnswers;
import loesscape.formats.answers.UnreadableAnswers;
import loesscape.formats.template.TemplateFile;

/** Files with answers, of any bytes: they are read, belong to questions or are told, and the document stands; or are refused. */
class AnswersFuzzTest {

    private static final Template TEMPLATE = TemplateFile.read("""
            {"formatVersion": 2, "title": "Wells", "pages": [{"key": "page", "title": "", "sections": [
              {"key": "section", "title": "", "items": [
                {"type": "field", "key": "owner", "label": "Owner", "kind": {"type": "text"}},
                {"type": "field", "key": "depth", "label": "Depth", "kind": {"type": "number"}},
                {"type": "field", "key": "dry", "label": "Is it dry?", "kind": {"type": "yesNo"}},
                {"type": "field", "key": "drilled", "label": "Drilled on", "kind": {"type": "date"}},
                {"type": "field", "key": "purpose", "label": "Purpose", "kind": {"type": "oneChoice", "other": true,
                  "choices": [{"id": "c1", "label": "Irrigation"}]}},
                {"type": "field", "key": "near", "label": "What is near?", "kind": {"type": "severalChoices", "other": true,
                  "choices": [{"id": "dike", "label": "Dike"}, {"id": "main", "label": "Gas main"}]}}]},
              {"key": "samples", "title": "", "rows": {"most": 9}, "items": [
                {"type": "field", "key": "ph", "label": "pH", "kind": {"type": "number", "decimals": 1}}]}]}]}
            """);

    private static final CompiledTemplate COMPILED = CompiledTemplate.compile(TEMPLATE);
    private static final AnswerMatching MATCHING = AnswerMatching.of(COMPILED.prepared());

    @FuzzTest(maxDuration = "2m")
    void areReadOrRefused(byte[] file) {
        try {
            for (GivenAnswers given : AnswersBrought.read(file)) {
                AnswerMatching.Matched matched = MATCHING.match(given);
                assertThat(matched.unmatched().size())
                        .isLessThanOrEqualTo(given.values().size());
                COMPILED.evaluate(matched.answers(), Context.UNDATED);
            }
        } catch (UnreadableAnswers refused) {
            assertThat(refused.getMessage()).isNotBlank();
        }
    }
}
