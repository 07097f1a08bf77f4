package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Clause.TextClause.TextTest;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What clauses say of blanks where their author says nothing (docs/meaning.md: only the negative ones are met), and where
 * they say so; and that another field or rule changes nothing else.
 */
class ClauseTest {

    private static final Operand TEN = new Operand.NumberOperand(BigDecimal.TEN);
    private static final List<String> A = List.of("a");

    /** Makes a leaf with what it says of blanks. */
    interface Ruled {
        Condition.Leaf with(@Nullable Boolean whenBlank);
    }

    private static Arguments usually(boolean met, Ruled ruled) {
        return Arguments.of(ruled.with(null).toString(), met, ruled);
    }

    static Stream<Arguments> leaves() {
        return Stream.of(
                usually(false, it -> new Clause.ChoiceClause("f", ChoiceTest.IS, A, it)),
                usually(true, it -> new Clause.ChoiceClause("f", ChoiceTest.IS_NOT, A, it)),
                usually(false, it -> new Clause.SetClause("f", SetTest.INCLUDES, A, it)),
                usually(true, it -> new Clause.SetClause("f", SetTest.DOES_NOT_INCLUDE, A, it)),
                usually(false, it -> new Clause.SetClause("f", SetTest.INCLUDES_ALL, A, it)),
                usually(false, it -> new Clause.SetClause("f", SetTest.IS_EXACTLY, A, it)),
                usually(false, it -> new Clause.CountClause("f", OrderTest.LESS, 1, it)),
                usually(true, it -> new Clause.CountClause("f", OrderTest.NOT_EQUAL, 1, it)),
                usually(false, it -> new Clause.TextClause("f", TextTest.IS, "x", false, it)),
                usually(true, it -> new Clause.TextClause("f", TextTest.IS_NOT, "x", false, it)),
                usually(false, it -> new Clause.TextClause("f", TextTest.CONTAINS, "x", false, it)),
                usually(true, it -> new Clause.TextClause("f", TextTest.DOES_NOT_CONTAIN, "x", true, it)),
                usually(false, it -> new Clause.TextClause("f", TextTest.STARTS_WITH, "x", false, it)),
                usually(false, it -> new Clause.TextClause("f", TextTest.ENDS_WITH, "x", false, it)),
                usually(false, it -> new Clause.TextClause("f", TextTest.MATCHES, "x", false, it)),
                usually(false, it -> new Clause.LengthClause("f", OrderTest.EQUAL, 1, it)),
                usually(true, it -> new Clause.LengthClause("f", OrderTest.NOT_EQUAL, 1, it)),
                usually(false, it -> new Clause.BandClause("f", A, it)),
                usually(false, it -> new Clause.Comparison("f", OrderTest.EQUAL, TEN, it)),
                usually(true, it -> new Clause.Comparison("f", OrderTest.NOT_EQUAL, TEN, it)),
                usually(false, it -> new Clause.Comparison("f", OrderTest.AT_MOST, TEN, it)),
                usually(false, it -> new Clause.Between("f", false, TEN, true, TEN, false, it)),
                usually(false, it -> new Clause.Between("f", true, TEN, true, TEN, false, it)),
                usually(false, it -> new Condition.Total("f", OrderTest.LESS, TEN, it)),
                usually(true, it -> new Condition.Total("f", OrderTest.NOT_EQUAL, TEN, it)),
                usually(false, it -> rows(Condition.OfRows.Quantity.ANY, it)),
                usually(false, it -> rows(Condition.OfRows.Quantity.EVERY, it)),
                usually(true, it -> rows(Condition.OfRows.Quantity.NO, it)));
    }

    private static Condition.OfRows rows(Condition.OfRows.Quantity quantity, @Nullable Boolean whenBlank) {
        return new Condition.OfRows("rows", quantity, new Clause.Answered("f"), whenBlank);
    }

    private static boolean metWhenBlank(Condition.Leaf leaf) {
        return switch (leaf) {
            case Clause it -> it.metWhenBlank();
            case Condition.Total it -> it.metWhenBlank();
            case Condition.OfRows it -> it.metWhenBlank();
            default -> throw new IllegalArgumentException(leaf.toString());
        };
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("leaves")
    void blankMeetsTheNegativeOnesUnlessTheirAuthorSaysOtherwise(String words, boolean met, Ruled ruled) {
        assertThat(metWhenBlank(ruled.with(null))).as(words).isEqualTo(met);
        assertThat(metWhenBlank(ruled.with(true))).isTrue();
        assertThat(metWhenBlank(ruled.with(false))).isFalse();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("leaves")
    void anotherFieldOrRuleChangesNothingElse(String words, boolean met, Ruled ruled) {
        if (ruled.with(null) instanceof Clause clause) {
            Clause renamed = clause.withField("g");
            assertThat(renamed.field()).isEqualTo("g");
            assertThat(renamed).hasToString(words.replace("field=f", "field=g"));
            assertThat(renamed.withField("f")).isEqualTo(clause);
            assertThat(clause.withRule(true)).isEqualTo(ruled.with(true));
            assertThat(clause.withRule(false)).isEqualTo(ruled.with(false));
            assertThat(clause.withRule(null)).isEqualTo(clause);
            assertThat(clause.usuallyMetWhenBlank()).isEqualTo(met);
            assertThat(clause.withRule(!met).usuallyMetWhenBlank()).isEqualTo(met);
        }
    }

    @Test
    void whatAsksForAnAnswerAloneHasNoRule() {
        assertThat(new Clause.Answered("f").metWhenBlank()).isFalse();
        assertThat(new Clause.IsBlank("f").metWhenBlank()).isTrue();
        assertThat(new Clause.Answered("f").withField("g")).isEqualTo(new Clause.Answered("g"));
        assertThat(new Clause.IsBlank("f").withField("g")).isEqualTo(new Clause.IsBlank("g"));
        assertThat(new Clause.Answered("f").withRule(true)).isEqualTo(new Clause.Answered("f"));
        assertThat(new Clause.IsBlank("f").withRule(false)).isEqualTo(new Clause.IsBlank("f"));
    }

    @Test
    void onlyAnAnswerOnTheOtherSideCanBeBlank() {
        assertThat(new Operand.FieldOperand("f").canBeBlank()).isTrue();
        assertThat(Stream.of(
                                TEN,
                                new Operand.DateOperand(LocalDate.EPOCH),
                                new Operand.TimeOperand(LocalTime.NOON),
                                new Operand.FormulaOperand("f"),
                                new Operand.TodayOperand(0))
                        .map(Operand::canBeBlank))
                .containsOnly(false);
    }

    private static boolean isEmpty(Operand from, boolean fromIncluded, Operand to, boolean toIncluded) {
        return new Clause.Between("f", false, from, fromIncluded, to, toIncluded, null).isEmpty();
    }

    static Stream<Arguments> edges() {
        return Stream.of(
                Arguments.of(TEN, new Operand.NumberOperand(new BigDecimal("10.5"))),
                Arguments.of(
                        new Operand.DateOperand(LocalDate.EPOCH), new Operand.DateOperand(LocalDate.EPOCH.plusDays(1))),
                Arguments.of(new Operand.TimeOperand(LocalTime.NOON), new Operand.TimeOperand(LocalTime.MAX)),
                Arguments.of(new Operand.TodayOperand(-1), new Operand.TodayOperand(2)));
    }

    @ParameterizedTest
    @MethodSource("edges")
    void aRangeIsEmptyWhereNothingCanLieInIt(Operand low, Operand high) {
        assertThat(isEmpty(low, false, high, false)).isFalse();
        assertThat(isEmpty(low, true, low, true)).isFalse();
        assertThat(isEmpty(low, true, low, false)).isTrue();
        assertThat(isEmpty(low, false, low, true)).isTrue();
        assertThat(isEmpty(high, true, low, true)).isTrue();
        assertThat(isEmpty(high, true, new Operand.FieldOperand("g"), true)).isFalse();
    }

    @Test
    void otherSidesTakeThePlacesOfThoseThereWere() {
        Operand two = new Operand.NumberOperand(BigDecimal.TWO);
        Operand one = new Operand.NumberOperand(BigDecimal.ONE);
        Clause.Comparison comparison = new Clause.Comparison("f", OrderTest.LESS, TEN, true);
        assertThat(comparison.operands()).containsExactly(TEN);
        assertThat(comparison.withOperands(List.of(two)))
                .isEqualTo(new Clause.Comparison("f", OrderTest.LESS, two, true));
        Clause.Between between = new Clause.Between("f", true, one, true, TEN, false, false);
        assertThat(between.operands()).containsExactly(one, TEN);
        assertThat(between.withOperands(List.of(two, one)))
                .isEqualTo(new Clause.Between("f", true, two, true, one, false, false));
        Condition.Total total = new Condition.Total("f", OrderTest.LESS, TEN, true);
        assertThat(total.operands()).containsExactly(TEN);
        assertThat(total.withOperands(List.of(two))).isEqualTo(new Condition.Total("f", OrderTest.LESS, two, true));
    }

    @Test
    void groupsOfOthersAreOfTheSameKind() {
        Condition a = new Clause.Answered("a");
        Condition b = new Clause.Answered("b");
        assertThat(new Condition.All(List.of(a, b)).of(List.of(b))).isEqualTo(new Condition.All(List.of(b)));
        assertThat(new Condition.Any(List.of(a, b)).of(List.of(b))).isEqualTo(new Condition.Any(List.of(b)));
        assertThat(new Condition.None(List.of(a, b)).of(List.of(b))).isEqualTo(new Condition.None(List.of(b)));
        assertThat(new Condition.AtLeast(2, List.of(a, b, a)).of(List.of(b)))
                .isEqualTo(new Condition.AtLeast(1, List.of(b)));
        assertThat(new Condition.AtLeast(2, List.of(a, b, a)).of(List.of(b, a, b)))
                .isEqualTo(new Condition.AtLeast(2, List.of(b, a, b)));
    }
}
