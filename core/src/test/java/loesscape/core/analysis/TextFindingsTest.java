package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Medium;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Phrase;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TextFindingsTest {

    private static final FieldKind NUMBER = new FieldKind.Number(0, "", null, null);
    private static final Condition DEEP = new Clause.Comparison(
            "depth", Clause.Comparison.OrderTest.AT_LEAST, new Clause.Operand.NumberOperand(new BigDecimal(30)), null);

    private static Template template(Notice... notices) {
        return Template.of(
                "T",
                List.of(new Page(
                        "page",
                        "",
                        null,
                        List.of(
                                Section.of("asked", "Asked", List.of(Field.of("depth", "Depth", NUMBER))),
                                Section.of("rows", "Rows", List.of(Field.of("hole", "Hole", NUMBER)))
                                        .withRows(new Section.Rows(0, 3)),
                                Section.of("told", "Told", List.of(notices))))));
    }

    private static List<String> found(Notice... notices) {
        CompiledTemplate compiled = CompiledTemplate.compile(template(notices));
        return Stream.concat(
                        Findings.of(compiled.prepared()).stream(),
                        LogicFindings.of(EveryFilling.of(compiled, LocalDate.of(2026, 11, 1))).stream())
                .map(Finding::message)
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Deep: {depth}                     | ",
                "Deep: {depht}                     | “{depht}” names no field, so it is printed as it stands.",
                "\\{depht}                         | ",
                "[rows: {hole}] {rows}             | ",
                "{hole}                            | “Hole” has an answer in each row; name it inside of “[rows: …]”.",
                "{depth:figure}                    | ",
                "{depth:short}                     | “Depth” cannot be written as “short”, so the braces are printed. There are: figure, words.",
                "[late: too late]                  | “[late: …]” is no phrase yet, so its brackets are printed: say when it stands there.",
                "See {ref:clause}                  | ",
                "See {ref:told}                    | ",
                "See {ref:depth}                   | “{ref:depth}” names no clause, so it is printed as it stands.",
                "See {ref:deeper}                    | The text refers to “Deeper”, which may be left out while the text is there; then a dash stands in the place of its number.",
            })
    void aTextIsLookedThrough(String text, String message) {
        Notice clause = Notice.of("clause", "Clause").withClause(1);
        Notice some = Notice.of("deeper", "Deeper").withClause(1).withShown(DEEP);
        List<String> found = found(clause, some, Notice.of("n", text));
        if (message == null) {
            assertThat(found).isEmpty();
        } else {
            assertThat(found).containsExactly(message);
        }
    }

    @Test
    void aReferenceThatStandsThereOnlyWithItsClauseIsFine() {
        Notice some = Notice.of("deeper", "Deeper").withClause(1).withShown(DEEP);
        Notice phrased = Notice.of("n", "[deep: see {ref:deeper}]").withPhrases(List.of(new Phrase("deep", DEEP)));
        assertThat(found(some, phrased)).isEmpty();
        assertThat(found(some, Notice.of("n", "see {ref:deeper}").withShown(DEEP)))
                .isEmpty();
    }

    @Test
    void aPhraseWithoutWordsIsFound() {
        assertThat(found(Notice.of("n", "Text").withPhrases(List.of(new Phrase("deep", DEEP)))))
                .containsExactly("The phrase “deep” stands nowhere in the text.");
    }

    @Test
    void whatIsSeenNowhereIsFound() {
        Template template = template(Notice.of("n", "Text").withMedium(Medium.DOCUMENT));
        Page page = template.pages().getFirst();
        Template nowhere = template.withPages(List.of(new Page(
                "page",
                "",
                null,
                page.sections().stream()
                        .map(section -> section.key().equals("told") ? section.withMedium(Medium.FILLING) : section)
                        .toList())));
        assertThat(Findings.of(PreparedTemplate.of(nowhere)))
                .extracting(Finding::message)
                .containsExactly("This stands in the document only, and what holds it does not: it is seen nowhere.");
    }
}
