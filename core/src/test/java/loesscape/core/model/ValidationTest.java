package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Templates that break a rule are told where and how to mend it. */
class ValidationTest {

    private static final FieldKind TEXT = new FieldKind.Text("", 0);

    @Test
    void aCircleOfConditionsIsNamedLinkByLink() {
        Template template = template(
                field("a", TEXT).withShown(new Clause.Answered("b")),
                field("b", TEXT).withShown(new Clause.Answered("c")),
                field("c", TEXT)
                        .withShown(new Condition.Any(List.of(new Condition.Always(), new Clause.IsBlank("a")))));
        assertThat(Validation.of(template))
                .extracting(Problem::path, Problem::message)
                .containsExactly(tuple(
                        "/pages/0/sections/0/items/0/shown",
                        "These go round in a circle: “a” waits for “b”, “b” waits for “c”, “c” waits for “a”."
                                + " Take one of these conditions away."));
    }

    @Test
    void aSectionCannotWaitForAFieldInside() {
        Section section = Section.of("s", "S", List.of(field("a", TEXT))).withShown(new Clause.Answered("a"));
        Template template = Template.of("T", List.of(new Page("p", "", null, List.of(section))));
        assertThat(Validation.of(template))
                .singleElement()
                .extracting(Problem::message)
                .asString()
                .contains("“S” waits for “a”", "“a” waits for “S”");
    }

    @Test
    void requiredAndEditableMayFollowEachOther() {
        Template template = template(
                field("a", TEXT).withRequired(new Clause.IsBlank("b")),
                field("b", TEXT).withRequired(new Clause.IsBlank("a")).withEditable(new Clause.Answered("a")));
        assertThat(Validation.of(template)).isEmpty();
    }

    @Test
    void everyProblemIsToldWithItsPath() {
        Bound ten = new Bound(BigDecimal.TEN, false);
        Template template = template(
                field("a", TEXT).withShown(new Clause.Answered("nowhere")),
                field("a", new FieldKind.Number(0, "", ten, ten)),
                field("if", FieldKind.OneChoice.of(List.of())),
                field("b", TEXT)
                        .withRequired(
                                new Clause.ChoiceClause("a", Clause.ChoiceClause.ChoiceTest.IS, List.of("x"), null)),
                field("m", new FieldKind.Money("XYZ", null, null)));
        assertThat(Validation.of(template))
                .extracting(problem -> problem.path().replace("/pages/0/sections/0/items", ""))
                .containsExactlyInAnyOrder(
                        "/0/shown/field",
                        "/1/key",
                        "/1/kind/upper",
                        "/2/key",
                        "/2/kind/choices",
                        "/3/required",
                        "/4/kind/currency");
    }

    @Test
    void formulasAndPatternsThatAreNotUnderstoodAreToldWithTheirPlace() {
        Template template = template(
                field("a", TEXT),
                field("b", TEXT).withShown(new Condition.Written("a = 5")),
                field("c", TEXT).withShown(new Condition.Written("a + \"x\"")),
                field("d", TEXT).withShown(new Condition.Written("nothing")),
                field("e", TEXT)
                        .withShown(new Clause.TextClause("a", Clause.TextClause.TextTest.MATCHES, "[a-", false, null)),
                field("f", TEXT).withShown(new Condition.AtLeast(3, List.of(new Clause.Answered("a")))),
                field("g", TEXT).withShown(new Condition.Written("b")),
                field("h", TEXT).withShown(new Clause.BandClause("a", List.of("low"), null)));
        assertThat(Validation.of(template))
                .extracting(
                        problem -> problem.path().replace("/pages/0/sections/0/items", "") + " " + problem.message())
                .containsExactly(
                        "/1/shown/formula At character 1: Text cannot be compared with a number.",
                        "/2/shown/formula A condition is true or false; this formula gives text.",
                        "/3/shown/formula At character 1: There is no field “nothing”.",
                        "/4/shown/text This pattern is not understood: missing closing ].",
                        "/5/shown/count At least 1 and at most all of the conditions have to hold.",
                        "/6/shown/formula A condition is true or false; this formula gives text.",
                        "/7/shown/bands/0 “a” has no band “low”.");
    }

    @Test
    void aCircleThroughAFormulaIsNamed() {
        Template template = template(
                field("a", TEXT).withShown(new Condition.Written("b != null")),
                field("b", TEXT).withShown(new Clause.Answered("a")));
        assertThat(Validation.of(template))
                .extracting(Problem::message)
                .singleElement()
                .asString()
                .contains("circle");
    }

    @Test
    void bandsMustRise() {
        Field field = field("n", new FieldKind.Number(0, "", null, null))
                .withBands(List.of(
                        Band.of("one", "", Look.PLAIN, new Bound(BigDecimal.TEN, true)),
                        Band.of("two", "", Look.PLAIN, new Bound(BigDecimal.TEN, false)),
                        Band.of("three", "", Look.PLAIN, new Bound(BigDecimal.valueOf(12), false))));
        assertThat(Validation.of(template(field)))
                .extracting(Problem::message)
                .containsExactly(
                        "Each band ends above the one before; 10 does not lie above 10.",
                        "The last band has no end; leave out its upTo.");
    }

    @Test
    void aChainOfTenThousandConditionsIsCheckedWithoutExhaustingTheStack() {
        List<Item> items = new ArrayList<>();
        int count = Validation.MOST_NODES - 2;
        for (int i = 0; i < count; i++) {
            items.add(field("f" + i, TEXT).withShown(new Clause.Answered("f" + (i + 1) % count)));
        }
        Section section = Section.of("s", "", items);
        Template template = Template.of("T", List.of(new Page("p", "", null, List.of(section))));
        assertThat(Validation.of(template)).hasSize(1);
    }

    private static Template template(Field... fields) {
        Section section = Section.of("s", "", List.of(fields));
        return Template.of("T", List.of(new Page("p", "", null, List.of(section))));
    }

    private static Field field(String key, FieldKind kind) {
        return Field.of(key, key, kind);
    }
}
