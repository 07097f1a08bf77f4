package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.LookupList;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import loesscape.core.translation.AsCondition;
import loesscape.core.translation.AsFormula;
import loesscape.core.wording.Part;
import loesscape.core.wording.Sentences;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Days that lie in bands, and lists that are filtered by choices. */
class BandsAndFiltersTest {

    private static final LocalDate EDGE = LocalDate.of(2026, 12, 31);
    private static final List<Band> YEARS = List.of(
            Band.of("now", "This year", Look.PLAIN, Bound.of(EDGE, true)),
            Band.of(
                    "next",
                    "Next year",
                    Look.of(Look.Shade.OCHRE, true, Look.Mark.NONE),
                    Bound.of(EDGE.plusYears(1), true)),
            Band.of("later", "Later", Look.of(Look.Shade.CLAY, true, Look.Mark.WARNING), null));
    private static final Clause LATE = new Clause.BandClause("end", List.of("next", "later"), null);

    private static Template template(List<LookupList> lists, Item... items) {
        return new Template(
                "T",
                "",
                List.of(new Page("p", "", null, List.of(Section.of("s", "S", List.of(items))))),
                List.of(),
                List.of(),
                lists,
                List.of(),
                PageSettings.PLAIN,
                List.of(),
                List.of());
    }

    private static Template dated() {
        return template(
                List.of(),
                Field.of("end", "End", new FieldKind.Date(null, null)).withBands(YEARS),
                Indicator.of("sign", "When", "end", YEARS),
                Field.of("why", "Why so late?", new FieldKind.Text("", 0)).withShown(LATE));
    }

    @ParameterizedTest
    @CsvSource({
        "2026-12-31,now,false",
        "2027-01-01,next,true",
        "2027-12-31,next,true",
        "2028-01-01,later,true",
        "0900-01-01,now,false",
        "'',,false"
    })
    void aDayLiesInABand(String typed, String band, boolean asked) {
        assertThat(Validation.of(dated())).isEmpty();
        State state = CompiledTemplate.compile(dated()).evaluate(new Answers(Map.of("end", typed)));
        NodeState.FieldState end = (NodeState.FieldState) state.of("end");
        assertThat(end.band()).isEqualTo(band);
        assertThat(((NodeState.IndicatorState) state.of("sign")).band()).isEqualTo(band);
        assertThat(state.of("why").shown()).isEqualTo(asked);
    }

    @Test
    void bandsOfDaysAreSaidAndWrittenWithTheirDays() {
        Template template = dated();
        assertThat(new AsFormula(PreparedTemplate.of(template)).of(LATE))
                .isEqualTo("@\"2026-12-31\" < end and @\"2027-12-31\" >= end or @\"2027-12-31\" < end");
        assertThat(new AsCondition(PreparedTemplate.of(template))
                        .of(new AsFormula(PreparedTemplate.of(template)).of(LATE)))
                .isEqualTo(LATE);
        String said = new Sentences(PreparedTemplate.of(template))
                        .of(template.nodes().stream()
                                .filter(node -> node.key().equals("sign"))
                                .findFirst()
                                .orElseThrow())
                        .stream()
                        .flatMap(sentence -> sentence.parts().stream())
                        .map(Part::text)
                        .collect(Collectors.joining());
        assertThat(said).contains("This year up to").contains("2026").doesNotContain("20818");
    }

    @Test
    void aBandEndsOnWhatItsFieldHolds() {
        Field number =
                Field.of("n", "N", new FieldKind.Number(0, "", null, null)).withBands(YEARS);
        Field day = Field.of("d", "D", new FieldKind.Date(null, null))
                .withBands(List.of(
                        Band.of("a", "A", Look.PLAIN, new Bound(BigDecimal.TEN, true)),
                        Band.of("b", "B", Look.PLAIN, null)));
        Field text = Field.of("t", "T", new FieldKind.Text("", 0)).withBands(YEARS);
        assertThat(Validation.of(template(List.of(), number, day, text)))
                .extracting(problem -> problem.message())
                .contains(
                        "A band of “N” ends at a number.",
                        "A band of “D” ends on a day.",
                        "Only numbers, amounts of money, ratings and dates have bands.");
        Field limited = Field.of("n", "N", new FieldKind.Number(0, "", Bound.of(EDGE, true), null));
        assertThat(Validation.of(template(List.of(), limited)))
                .singleElement()
                .satisfies(problem -> assertThat(problem.message()).contains("not days"));
    }

    @Test
    void anotherKindKeepsBandsThatFitIt() {
        Template template = dated();
        assertThatThrownBy(
                        () -> Editing.apply(template, new Edit.SetKind("end", new FieldKind.Number(0, "", null, null))))
                .isInstanceOf(Refusal.class);
        Template free = template(
                List.of(),
                Field.of("end", "End", new FieldKind.Date(null, null)).withBands(YEARS));
        Template after = Editing.apply(free, new Edit.SetKind("end", new FieldKind.Number(0, "", null, null)));
        assertThat(after.fields().getFirst().bands()).isEmpty();
        assertThat(Editing.apply(free, new Edit.SetKind("end", new FieldKind.Date(EDGE, null)))
                        .fields()
                        .getFirst()
                        .bands())
                .isEqualTo(YEARS);
    }

    /** What a cell may say to mean a choice, whatever its label is by now. */
    @ParameterizedTest
    @CsvSource({"House well", "house well", "HW-1", " hw-1 ", "house_well"})
    void aListIsFilteredByTheChoiceAndNotByItsWords(String cell) {
        LookupList pumps = new LookupList(
                "pumps",
                "Pumps",
                List.of(new LookupList.Column("use", "Use", false), new LookupList.Column("pump", "Pump", false)),
                List.of(List.of(cell, "Hand pump"), List.of("Irrigation", "Motor pump"), List.of("house", "None")),
                null);
        FieldKind.OneChoice uses = FieldKind.OneChoice.of(
                List.of(new Choice("house_well", "House well", "HW-1"), new Choice("irrigation", "Irrigation", "")));
        Template before = template(
                List.of(pumps),
                Field.of("use", "Use", uses),
                Field.of("pump", "Pump", new FieldKind.Lookup("pumps", "pump", Map.of("use", "use"))));
        Template renamed = Editing.apply(
                Editing.apply(before, new Edit.RelabelChoice("use", "house_well", "Well at the house")),
                new Edit.RelabelChoice("use", "irrigation", "Watering fields"));
        for (Template template : List.of(before, renamed)) {
            assertThat(offered(template, "house_well")).containsExactly("Hand pump");
            assertThat(offered(template, "irrigation")).containsExactly("Motor pump");
        }
    }

    private static List<String> offered(Template template, String use) {
        State state = CompiledTemplate.compile(template).evaluate(new Answers(Map.of("use", use)));
        return Objects.requireNonNull(((NodeState.FieldState) state.of("pump")).offered());
    }
}
