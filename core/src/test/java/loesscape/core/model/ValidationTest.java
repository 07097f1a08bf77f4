package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import loesscape.core.testing.Documents;
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
        Template template = Documents.onePage(section);
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
    void whatRefersToNothingOrToWhatCannotBeSeenIsToldWithItsPlace() {
        FieldKind number = new FieldKind.Number(0, "", null, null);
        Section rows = Section.of("rows", "", List.of(field("inside", number))).withRows(new Section.Rows(2, 1));
        Item[] items = {
            rows,
            field("a", TEXT).withShown(new Clause.Answered("inside")),
            field("b", TEXT).withRole("nobody"),
            field("c", TEXT).withShown(new Condition.Shared("nothing")),
            field("d", number).withValue(new FieldValue.WorkedOut("inside + 1", false)),
            field("e", number).withValue(new FieldValue.WorkedOut("\"text\"", false)),
            field("f", new FieldKind.Lookup("nowhere", "x", Map.of())),
            field("g", new FieldKind.Signature()).withValue(new FieldValue.WorkedOut("1", false)),
            field("h", TEXT).withShown(new Condition.RowCount("a", Clause.Comparison.OrderTest.MORE, -1)),
            field("i", TEXT).withChecks(List.of(new Check(new Condition.Never(), " "))),
            field("j", TEXT).withLooks(List.of(new LookRule(new Condition.Always(), Look.PLAIN, LookRule.Extent.ROW))),
            field("k", TEXT).withShown(new Condition.RoleIs(List.of("nobody"))),
            Indicator.of("l", "", "a", List.of()),
            new Picture("m", "", "../secret", "a", null, Folding.PLAIN)
        };
        Section section = Section.of("s", "", List.of(items));
        assertThat(Validation.of(Documents.onePage(section)))
                .extracting(problem -> problem.path().replace("/pages/0/sections/0/items", ""))
                .containsExactly(
                        "/0/rows",
                        "/1/shown/field",
                        "/2/role",
                        "/3/shown/condition",
                        "/4/value/formula",
                        "/5/value/formula",
                        "/6/kind/list",
                        "/7/value",
                        "/8/shown/section",
                        "/8/shown/count",
                        "/9/checks/0/message",
                        "/10/looks/0/extent",
                        "/11/shown/roles/0",
                        "/12",
                        "/13/file",
                        "/13/follows");
    }

    @Test
    void circlesThroughValuesAndChoicesAreNamedAndThoseBetweenOtherAspectsAreNone() {
        FieldKind number = new FieldKind.Number(0, "", null, null);
        assertThat(Validation.of(template(
                        field("a", number).withValue(new FieldValue.WorkedOut("b + 1", true)),
                        field("b", number).withValue(new FieldValue.WorkedOut("a + 1", true)))))
                .singleElement()
                .satisfies(problem -> {
                    assertThat(problem.path()).isEqualTo("/pages/0/sections/0/items/0/value/formula");
                    assertThat(problem.message()).contains("“a” waits for “b”, “b” waits for “a”");
                });
        assertThat(Validation.of(template(
                        field("a", TEXT)
                                .withRequired(new Clause.IsBlank("b"))
                                .withChecks(List.of(new Check(new Clause.Answered("b"), "One of them."))),
                        field("b", TEXT).withRequired(new Clause.IsBlank("a")).withEditable(new Clause.IsBlank("a")))))
                .isEmpty();
    }

    /** The value is that of four general-purpose libraries alike for WCAG 2.2, contrast ratio. */
    @Test
    void coloursThatCannotBeReadAreRefusedUnlessThereIsAReason() {
        assertThat(Contrast.of("#777777", "#FFFFFF")).isEqualTo(4.478089453577214, within(1e-12));
        assertThat(Contrast.of("#000000", "#ffffff")).isEqualTo(21, within(1e-12));
        assertThat(Validation.of(coloured("#777777", "")))
                .singleElement()
                .satisfies(problem -> assertThat(problem.message())
                        .startsWith("Text in #777777 on #ffffff has a contrast of 4.48 to 1; 4.5 is the least"));
        assertThat(Validation.of(coloured("#767676", ""))).isEmpty();
        assertThat(Validation.of(coloured("#777777", "The colours of the board.")))
                .isEmpty();
        assertThat(Validation.of(coloured("red", ""))).hasSize(1);
    }

    private static Template coloured(String text, String despite) {
        Look look = new Look(
                Look.Shade.PLAIN,
                true,
                Look.Mark.NONE,
                false,
                "",
                new Look.Colours(text, "#ffffff", "#ffffff", despite));
        return template(
                field("a", TEXT).withLooks(List.of(new LookRule(new Condition.Always(), look, LookRule.Extent.ITEM))));
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
        Template template = Documents.onePage(section);
        assertThat(Validation.of(template)).hasSize(1);
    }

    private static Template template(Field... fields) {
        Section section = Section.of("s", "", List.of(fields));
        return Documents.onePage(section);
    }

    private static Field field(String key, FieldKind kind) {
        return Field.of(key, key, kind);
    }
}
