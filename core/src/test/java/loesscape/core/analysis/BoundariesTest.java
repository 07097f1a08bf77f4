package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Look;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Value;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;

/** What is worth typing to make a condition change its mind, of each kind of clause (boundary values: ISO/IEC/IEEE 29119-4). */
class BoundariesTest {

    private static final Context TODAY = Context.filling(LocalDate.of(2028, 2, 29));

    private static final FieldKind NUMBER = new FieldKind.Number(1, "m", null, null);
    private static final FieldKind DAY = new FieldKind.Date(null, null);
    private static final FieldKind TIME = new FieldKind.Time(null, null);
    private static final FieldKind TEXT = new FieldKind.Text("", 0);
    private static final List<Choice> SOILS =
            List.of(Choice.of("clay", "Clay"), Choice.of("loess", "Loess"), Choice.of("sand", "Sand"));

    private static List<String> typed(Field field, Condition... conditions) {
        Map<String, Value> others = Map.of(
                "number", new Value.Number(new BigDecimal("7")),
                "day", new Value.Date(LocalDate.of(2028, 1, 1)),
                "time", new Value.Time(LocalTime.of(8, 0)));
        return Boundaries.of(
                field,
                List.of(conditions),
                PreparedTemplate.of(Documents.of(field)).symbols(),
                TODAY,
                key -> others.getOrDefault(key, Value.blank()));
    }

    private static List<String> typed(FieldKind kind, Condition... conditions) {
        return typed(Documents.field("f", kind), conditions);
    }

    private static Condition compared(Operand to) {
        return new Clause.Comparison("f", OrderTest.MORE, to, null);
    }

    private static Operand number(String number) {
        return new Operand.NumberOperand(new BigDecimal(number));
    }

    @Test
    void anEdgeOfNumbersAndItsNeighboursBySoManyDecimals() {
        assertThat(typed(NUMBER, compared(number("30")))).containsExactly("30", "30.1", "29.9", "");
        assertThat(typed(new FieldKind.Number(0, "", null, null), compared(number("30"))))
                .containsExactly("30", "31", "29", "");
        assertThat(typed(new FieldKind.Rating(5), compared(number("3")))).containsExactly("3", "4", "2", "");
        assertThat(typed(new FieldKind.Money("EUR", null, null), compared(number("30"))))
                .containsExactly("30", "30.01", "29.99", "");
        assertThat(typed(new FieldKind.Money("JPY", null, null), compared(number("30"))))
                .containsExactly("30", "31", "29", "");
    }

    @Test
    void bothEdgesOfWhatLiesBetween() {
        assertThat(typed(NUMBER, new Clause.Between("f", false, number("1"), true, number("2"), true, null)))
                .containsExactly("1", "1.1", "0.9", "2", "2.1", "1.9", "");
    }

    @Test
    void daysAndTheDaysBesideThem() {
        assertThat(typed(DAY, compared(new Operand.DateOperand(LocalDate.of(2026, 12, 31)))))
                .containsExactly("2026-12-31", "2027-01-01", "2026-12-30", "");
        assertThat(typed(DAY, compared(new Operand.TodayOperand(1))))
                .containsExactly("2028-03-01", "2028-03-02", "2028-02-29", "");
        assertThat(Boundaries.of(
                        Documents.field("f", DAY),
                        List.of(compared(new Operand.TodayOperand(1))),
                        PreparedTemplate.of(Documents.of(Documents.field("f", DAY)))
                                .symbols(),
                        Context.UNDATED,
                        key -> Value.blank()))
                .containsExactly("2026-01-01", "");
    }

    @Test
    void timesAndTheMinutesBesideThem() {
        assertThat(typed(TIME, compared(new Operand.TimeOperand(LocalTime.of(12, 30)))))
                .containsExactly("12:30", "12:29", "12:31", "");
    }

    @Test
    void whatStandsInTheFieldThatItIsComparedWith() {
        assertThat(typed(NUMBER, compared(new Operand.FieldOperand("number")))).containsExactly("7", "7.1", "6.9", "");
        assertThat(typed(DAY, compared(new Operand.FieldOperand("day"))))
                .containsExactly("2028-01-01", "2028-01-02", "2027-12-31", "");
        assertThat(typed(TIME, compared(new Operand.FieldOperand("time"))))
                .containsExactly("08:00", "07:59", "08:01", "");
        assertThat(typed(NUMBER, compared(new Operand.FieldOperand("blank")))).containsExactly("1", "");
        assertThat(typed(NUMBER, compared(new Operand.FormulaOperand("2 * 3")))).containsExactly("1", "");
    }

    @Test
    void theUpperEdgesOfBands() {
        Field numbers = Documents.field("f", NUMBER)
                .withBands(List.of(
                        Band.of("low", "Low", Look.PLAIN, new Bound(BigDecimal.TEN, true)),
                        Band.of("high", "High", Look.PLAIN, null)));
        assertThat(typed(numbers, new Clause.BandClause("f", List.of("low"), null)))
                .containsExactly("10", "10.1", "9.9", "");
        Field days = Documents.field("f", DAY)
                .withBands(List.of(
                        Band.of("early", "Early", Look.PLAIN, Bound.of(LocalDate.of(2028, 1, 31), true)),
                        Band.of("late", "Late", Look.PLAIN, null)));
        assertThat(typed(days, new Clause.BandClause("f", List.of("late"), null)))
                .containsExactly("2028-01-31", "2028-02-01", "2028-01-30", "");
    }

    @Test
    void everyChoiceButOther() {
        FieldKind one = FieldKind.OneChoice.of(SOILS);
        assertThat(typed(one)).containsExactly("clay", "loess", "sand", "");
        FieldKind many = FieldKind.OneChoice.of(IntStream.range(0, 60)
                .mapToObj(i -> Choice.of("c" + i, "C " + i))
                .toList());
        assertThat(typed(many)).hasSize(51);
        assertThat(typed(many, new Clause.ChoiceClause("f", Clause.ChoiceClause.ChoiceTest.IS, List.of("c59"), null)))
                .hasSize(52)
                .contains("c59");
    }

    @Test
    void choicesTogetherAndAllOthersTogether() {
        FieldKind several = FieldKind.SeveralChoices.of(SOILS);
        assertThat(typed(
                        several,
                        new Clause.SetClause(
                                "f", Clause.SetClause.SetTest.INCLUDES_ALL, List.of("clay", "sand"), null)))
                .containsExactly("clay", "loess", "sand", "clay,sand", "");
        assertThat(typed(several, new Clause.SetClause("f", Clause.SetClause.SetTest.INCLUDES, List.of("clay"), null)))
                .containsExactly("clay", "loess", "sand", "loess,sand", "");
    }

    @Test
    void soManyChoicesOneMoreAndOneLess() {
        FieldKind several = FieldKind.SeveralChoices.of(SOILS);
        assertThat(typed(several, new Clause.CountClause("f", OrderTest.AT_LEAST, 2, null)))
                .containsExactly("clay", "loess", "sand", "clay,loess", "clay,loess,sand", "");
        assertThat(typed(several, new Clause.CountClause("f", OrderTest.AT_LEAST, 0, null)))
                .containsExactly("clay", "loess", "sand", "");
        assertThat(typed(several, new Clause.CountClause("f", OrderTest.AT_LEAST, 5, null)))
                .containsExactly("clay", "loess", "sand", "");
    }

    @Test
    void aTextAndOneBesideIt() {
        assertThat(typed(TEXT, new Clause.TextClause("f", Clause.TextClause.TextTest.STARTS_WITH, " NL ", false, null)))
                .containsExactly("NL", "NL?", "");
        assertThat(typed(TEXT, new Clause.LengthClause("f", OrderTest.AT_LEAST, 3, null)))
                .containsExactly("xx", "xxx", "xxxx", "");
        assertThat(typed(TEXT, new Clause.LengthClause("f", OrderTest.AT_LEAST, 0, null)))
                .containsExactly("x", "");
        assertThat(typed(TEXT, new Clause.LengthClause("f", OrderTest.AT_LEAST, 5_000, null)))
                .containsExactly("x", "");
    }

    @Test
    void anyAnswerAndNone() {
        assertThat(typed(TEXT, new Clause.Answered("f"))).containsExactly("x", "");
        assertThat(typed(TEXT, new Clause.IsBlank("f"))).containsExactly("x", "");
        assertThat(typed(TEXT, new Clause.Answered("other"))).containsExactly("x", "");
        assertThat(typed(new FieldKind.Signature())).containsExactly("x", "");
    }

    private static String words(FieldKind kind, String typed) {
        return Boundaries.words(Field.of("f", "Fee", kind), typed);
    }

    @Test
    void aChangedAnswerIsToldInWords() {
        assertThat(words(NUMBER, "")).isEqualTo("Fee is blank");
        assertThat(words(NUMBER, "30")).isEqualTo("Fee is 30 m");
        assertThat(words(DAY, "2028-02-29")).isEqualTo("Fee is 29 February 2028");
        assertThat(words(FieldKind.OneChoice.of(SOILS), "loess")).isEqualTo("Fee is Loess");
        assertThat(words(new FieldKind.YesNo(), "yes")).isEqualTo("Fee is Yes");
        assertThat(words(FieldKind.SeveralChoices.of(SOILS), "clay,sand")).isEqualTo("Fee is Clay, Sand");
        assertThat(words(TEXT, "x")).isEqualTo("Fee is answered");
        assertThat(words(TEXT, "NL")).isEqualTo("Fee is “NL”");
        assertThat(words(TEXT, "xxxxx")).isEqualTo("Fee is “xxxxx”");
        assertThat(words(TEXT, "x".repeat(301))).isEqualTo("Fee is 301 characters long");
        assertThat(words(TEXT, "xxxxxxy")).isEqualTo("Fee is “xxxxxxy”");
        assertThat(words(TIME, "12:30")).isEqualTo("Fee is 12:30");
    }
}
