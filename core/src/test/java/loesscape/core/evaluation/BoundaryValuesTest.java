package loesscape.core.evaluation;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.testing.Documents;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Three values at every boundary: just below it, on it, just above it (ISO/IEC/IEEE 29119-4:2021, 5.2.3, boundary value
 * analysis with three values).
 */
class BoundaryValuesTest {

    @ParameterizedTest
    @CsvSource({
        "EQUAL, no, yes, no",
        "NOT_EQUAL, yes, no, yes",
        "LESS, yes, no, no",
        "AT_MOST, yes, yes, no",
        "MORE, no, no, yes",
        "AT_LEAST, no, yes, yes"
    })
    void comparisonsAtTheirBoundary(OrderTest test, String below, String on, String above) {
        Condition number = new Clause.Comparison("n", test, number("30"), null);
        assertThat(shown(number, "n", "29.99")).isEqualTo(below.equals("yes"));
        assertThat(shown(number, "n", "30.00")).isEqualTo(on.equals("yes"));
        assertThat(shown(number, "n", "30.01")).isEqualTo(above.equals("yes"));
        Condition date = new Clause.Comparison("d", test, new Operand.DateOperand(LocalDate.of(2028, 2, 29)), null);
        assertThat(shown(date, "d", "2028-02-28")).isEqualTo(below.equals("yes"));
        assertThat(shown(date, "d", "2028-02-29")).isEqualTo(on.equals("yes"));
        assertThat(shown(date, "d", "2028-03-01")).isEqualTo(above.equals("yes"));
        Condition time = new Clause.Comparison("t", test, new Operand.TimeOperand(LocalTime.of(12, 0)), null);
        assertThat(shown(time, "t", "11:59")).isEqualTo(below.equals("yes"));
        assertThat(shown(time, "t", "12:00:00")).isEqualTo(on.equals("yes"));
        assertThat(shown(time, "t", "12:01")).isEqualTo(above.equals("yes"));
        Condition rating = new Clause.Comparison("g", test, number("3"), null);
        assertThat(shown(rating, "g", "2")).isEqualTo(below.equals("yes"));
        assertThat(shown(rating, "g", "3")).isEqualTo(on.equals("yes"));
        assertThat(shown(rating, "g", "4")).isEqualTo(above.equals("yes"));
        Condition rows = new Condition.RowCount("rows", test, 2);
        assertThat(shown(rows, "rows", "r1")).isEqualTo(below.equals("yes"));
        assertThat(shown(rows, "rows", "r1,r2")).isEqualTo(on.equals("yes"));
        assertThat(shown(rows, "rows", "r1,r2,r3")).isEqualTo(above.equals("yes"));
        Condition length = new Clause.LengthClause("s1", test, 3, null);
        assertThat(shown(length, "s1", "ab")).isEqualTo(below.equals("yes"));
        assertThat(shown(length, "s1", "ab\uD83C\uDF31")).isEqualTo(on.equals("yes"));
        assertThat(shown(length, "s1", "abcd")).isEqualTo(above.equals("yes"));
        Condition chosen = new Clause.CountClause("m", test, 2, null);
        assertThat(shown(chosen, "m", "a")).isEqualTo(below.equals("yes"));
        assertThat(shown(chosen, "m", "a,b")).isEqualTo(on.equals("yes"));
        assertThat(shown(chosen, "m", "a,b,c")).isEqualTo(above.equals("yes"));
    }

    @ParameterizedTest
    @CsvSource({
        "true, true, no yes yes yes yes no",
        "true, false, no yes yes yes no no",
        "false, true, no no yes yes yes no",
        "false, false, no no yes yes no no"
    })
    void betweenAtBothBoundaries(boolean fromIncluded, boolean toIncluded, String met) {
        Condition between = new Clause.Between("n", false, number("10"), fromIncluded, number("20"), toIncluded, null);
        String[] values = {"9.99", "10", "10.01", "19.99", "20", "20.01"};
        String[] wanted = met.split(" ", -1);
        for (int i = 0; i < values.length; i++) {
            assertThat(shown(between, "n", values[i])).as(values[i]).isEqualTo(wanted[i].equals("yes"));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "true, true, yes yes no no yes yes",
        "true, false, yes yes no no no yes",
        "false, true, yes no no no yes yes",
        "false, false, yes no no no no yes"
    })
    void outsideAtBothBoundaries(boolean fromIncluded, boolean toIncluded, String met) {
        Condition outside = new Clause.Between("n", true, number("10"), fromIncluded, number("20"), toIncluded, null);
        String[] values = {"9.99", "10", "10.01", "19.99", "20", "20.01"};
        String[] wanted = met.split(" ", -1);
        for (int i = 0; i < values.length; i++) {
            assertThat(shown(outside, "n", values[i])).as(values[i]).isEqualTo(wanted[i].equals("yes"));
        }
    }

    @ParameterizedTest
    @CsvSource({"true, low low high", "false, low high high"})
    void bandsAtTheirEdgeNeitherOverlapNorLeaveAGap(boolean included, String wanted) {
        Band low = Band.of("low", "", Look.PLAIN, new Bound(BigDecimal.valueOf(30), included));
        Band high = Band.of("high", "", Look.PLAIN, null);
        String[] values = {"29.99", "30", "30.01"};
        for (int i = 0; i < values.length; i++) {
            assertThat(Band.of(List.of(low, high), new BigDecimal(values[i])))
                    .map(Band::id)
                    .hasValue(wanted.split(" ", -1)[i]);
        }
    }

    @ParameterizedTest
    @CsvSource({"true, no yes yes", "false, no no yes"})
    void limitsAtTheirEdge(boolean included, String accepted) {
        FieldKind kind = new FieldKind.Number(2, "", new Bound(BigDecimal.ZERO, included), null);
        String[] values = {"-0.01", "0", "0.01"};
        for (int i = 0; i < values.length; i++) {
            NodeState state = state(template(field("n", kind)), "n", values[i]).of("n");
            assertThat(((NodeState.FieldState) state).problem() == null)
                    .as(values[i])
                    .isEqualTo(accepted.split(" ", -1)[i].equals("yes"));
        }
    }

    private static Operand number(String number) {
        return new Operand.NumberOperand(new BigDecimal(number));
    }

    private static boolean shown(Condition condition, String key, String typed) {
        List<Choice> choices = List.of(Choice.of("a", "A"), Choice.of("b", "B"), Choice.of("c", "C"));
        Template template = template(
                field("n", new FieldKind.Number(2, "", null, null)),
                field("t", new FieldKind.Time(null, null)),
                field("g", new FieldKind.Rating(5)),
                field("s1", new FieldKind.Text("", 0)),
                field("m", FieldKind.SeveralChoices.of(choices)),
                Section.of("rows", "", List.of()).withRows(new Section.Rows(0, 5)),
                field("d", new FieldKind.Date(null, null)),
                field("follower", new FieldKind.YesNo()).withShown(condition));
        return state(template, key, typed).of("follower").shown();
    }

    private static State state(Template template, String key, String typed) {
        return CompiledTemplate.compile(template).evaluate(Answers.NONE.with(key, typed));
    }

    private static Template template(Item... fields) {
        Section section = Section.of("s", "", List.of(fields));
        return Documents.onePage(section);
    }

    private static Field field(String key, FieldKind kind) {
        return Field.of(key, key, kind);
    }
}
