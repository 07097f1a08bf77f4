package loesscape.core.evaluation;

import static loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import static loesscape.core.model.Clause.Comparison.OrderTest;
import static loesscape.core.model.Clause.SetClause.SetTest;
import static loesscape.core.model.Clause.TextClause.TextTest;
import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Band;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Look;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What every clause says of a blank, as its author left it and as they set it. */
class BlankRulesTest {

    private static final Operand TEN = new Operand.NumberOperand(BigDecimal.TEN);
    private static final Operand TWENTY = new Operand.NumberOperand(BigDecimal.valueOf(20));

    interface Make {
        Condition of(@Nullable Boolean whenBlank);
    }

    private static Arguments rule(String words, boolean metWhenBlank, Make make) {
        return Arguments.of(words, metWhenBlank, make);
    }

    static Stream<Arguments> rules() {
        return Stream.of(
                rule("choice is", false, it -> new Clause.ChoiceClause("c", ChoiceTest.IS, List.of("a"), it)),
                rule("choice is not", true, it -> new Clause.ChoiceClause("c", ChoiceTest.IS_NOT, List.of("a"), it)),
                rule("is one of", false, it -> new Clause.ChoiceClause("c", ChoiceTest.IS, List.of("a", "b"), it)),
                rule("is none of", true, it -> new Clause.ChoiceClause("c", ChoiceTest.IS_NOT, List.of("a", "b"), it)),
                rule("text is", false, it -> new Clause.TextClause("t", TextTest.IS, "x", false, it)),
                rule("text is not", true, it -> new Clause.TextClause("t", TextTest.IS_NOT, "x", false, it)),
                rule("contains", false, it -> new Clause.TextClause("t", TextTest.CONTAINS, "x", false, it)),
                rule(
                        "does not contain",
                        true,
                        it -> new Clause.TextClause("t", TextTest.DOES_NOT_CONTAIN, "x", false, it)),
                rule("=", false, it -> new Clause.Comparison("n", OrderTest.EQUAL, TEN, it)),
                rule("≠", true, it -> new Clause.Comparison("n", OrderTest.NOT_EQUAL, TEN, it)),
                rule("<", false, it -> new Clause.Comparison("n", OrderTest.LESS, TEN, it)),
                rule("≤", false, it -> new Clause.Comparison("n", OrderTest.AT_MOST, TEN, it)),
                rule(">", false, it -> new Clause.Comparison("n", OrderTest.MORE, TEN, it)),
                rule("≥", false, it -> new Clause.Comparison("n", OrderTest.AT_LEAST, TEN, it)),
                rule("between", false, it -> new Clause.Between("n", false, TEN, true, TWENTY, true, it)),
                rule("outside", false, it -> new Clause.Between("n", true, TEN, true, TWENTY, true, it)),
                rule("starts with", false, it -> new Clause.TextClause("t", TextTest.STARTS_WITH, "x", false, it)),
                rule("ends with", false, it -> new Clause.TextClause("t", TextTest.ENDS_WITH, "x", false, it)),
                rule("matches", false, it -> new Clause.TextClause("t", TextTest.MATCHES, "x", false, it)),
                rule("length =", false, it -> new Clause.LengthClause("t", OrderTest.EQUAL, 3, it)),
                rule("length ≠", true, it -> new Clause.LengthClause("t", OrderTest.NOT_EQUAL, 3, it)),
                rule("length <", false, it -> new Clause.LengthClause("t", OrderTest.LESS, 3, it)),
                rule("in band", false, it -> new Clause.BandClause("n", List.of("low"), it)),
                rule("includes", false, it -> new Clause.SetClause("m", SetTest.INCLUDES, List.of("a"), it)),
                rule(
                        "does not include",
                        true,
                        it -> new Clause.SetClause("m", SetTest.DOES_NOT_INCLUDE, List.of("a"), it)),
                rule(
                        "includes all of",
                        false,
                        it -> new Clause.SetClause("m", SetTest.INCLUDES_ALL, List.of("a", "b"), it)),
                rule("is exactly", false, it -> new Clause.SetClause("m", SetTest.IS_EXACTLY, List.of("a"), it)),
                rule("number chosen <", false, it -> new Clause.CountClause("m", OrderTest.LESS, 5, it)),
                rule("number chosen ≠", true, it -> new Clause.CountClause("m", OrderTest.NOT_EQUAL, 1, it)),
                rule(
                        "on or after today",
                        false,
                        it -> new Clause.Comparison("d", OrderTest.AT_LEAST, new Operand.TodayOperand(0), it)),
                rule(
                        "= another field",
                        false,
                        it -> new Clause.Comparison("n", OrderTest.EQUAL, new Operand.FieldOperand("o"), it)),
                rule(
                        "≠ another field",
                        true,
                        it -> new Clause.Comparison("n", OrderTest.NOT_EQUAL, new Operand.FieldOperand("o"), it)),
                rule(
                        "any row where",
                        false,
                        it -> new Condition.OfRows("rows", Condition.OfRows.Quantity.ANY, new Clause.IsBlank("r"), it)),
                rule(
                        "every row where",
                        false,
                        it -> new Condition.OfRows(
                                "rows", Condition.OfRows.Quantity.EVERY, new Clause.IsBlank("r"), it)),
                rule(
                        "no row where",
                        true,
                        it -> new Condition.OfRows("rows", Condition.OfRows.Quantity.NO, new Clause.Answered("r"), it)),
                rule("total ≤", false, it -> new Condition.Total("r", OrderTest.AT_MOST, TEN, it)),
                rule("total ≠", true, it -> new Condition.Total("r", OrderTest.NOT_EQUAL, TEN, it)),
                rule("is answered", false, it -> new Clause.Answered("n")),
                rule("is blank", true, it -> new Clause.IsBlank("n")));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @MethodSource("rules")
    void blankMeetsOnlyTheNegativeClausesUnlessTheirAuthorSaysOtherwise(String words, boolean met, Make make) {
        assertThat(holdsWhenBlank(make.of(null))).isEqualTo(met);
        if (!words.startsWith("is answered") && !words.startsWith("is blank")) {
            assertThat(holdsWhenBlank(make.of(true))).isTrue();
            assertThat(holdsWhenBlank(make.of(false))).isFalse();
        }
    }

    private static boolean holdsWhenBlank(Condition clause) {
        Section section = Section.of(
                "s",
                "",
                List.of(
                        field("c", FieldKind.OneChoice.of(List.of(Choice.of("a", "A"), Choice.of("b", "B")))),
                        field("m", FieldKind.SeveralChoices.of(List.of(Choice.of("a", "A"), Choice.of("b", "B")))),
                        field("d", new FieldKind.Date(null, null)),
                        field("o", new FieldKind.Number(2, "", null, null)),
                        Section.of("rows", "", List.of(field("r", new FieldKind.Number(2, "", null, null))))
                                .withRows(new Section.Rows(0, 5)),
                        field("t", new FieldKind.Text("", 0)),
                        field("n", new FieldKind.Number(2, "", null, null))
                                .withBands(List.of(Band.of("low", "", Look.PLAIN, null))),
                        field("follower", new FieldKind.YesNo()).withShown(clause)));
        Template template = Documents.onePage(section);
        return CompiledTemplate.compile(template)
                .evaluate(Answers.NONE)
                .of("follower")
                .shown();
    }

    private static Field field(String key, FieldKind kind) {
        return Field.of(key, key, kind);
    }
}
