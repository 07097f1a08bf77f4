package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Other names, other leaves and none in conditions. */
class ReferencesTest {

    private static final Condition A = new Clause.Answered("a");
    private static final Condition B = new Clause.Answered("b");

    private static Arguments renamed(Condition one, Condition other) {
        return Arguments.of(one, other);
    }

    private static Operand number() {
        return new Operand.NumberOperand(BigDecimal.ONE);
    }

    static Stream<Arguments> conditions() {
        return Stream.of(
                renamed(new Condition.Always(), new Condition.Always()),
                renamed(new Condition.Never(), new Condition.Never()),
                renamed(A, new Clause.Answered("a_")),
                renamed(new Condition.Written("a > 1"), new Condition.Written("(a > 1)")),
                renamed(new Condition.StageIs(List.of(Stage.PRINT)), new Condition.StageIs(List.of(Stage.PRINT))),
                renamed(new Condition.RoleIs(List.of("owner")), new Condition.RoleIs(List.of("owner"))),
                renamed(new Condition.Shared("a"), new Condition.Shared("a_")),
                renamed(
                        new Condition.OfRows("r", Condition.OfRows.Quantity.NO, A, true),
                        new Condition.OfRows("r_", Condition.OfRows.Quantity.NO, new Clause.Answered("a_"), true)),
                renamed(
                        new Condition.RowCount("r", OrderTest.LESS, 2),
                        new Condition.RowCount("r_", OrderTest.LESS, 2)),
                renamed(
                        new Condition.Total("a", OrderTest.LESS, new Operand.FieldOperand("b"), true),
                        new Condition.Total("a_", OrderTest.LESS, new Operand.FieldOperand("b_"), true)),
                renamed(
                        new Clause.Comparison("a", OrderTest.LESS, new Operand.FormulaOperand("b + 1"), null),
                        new Clause.Comparison("a_", OrderTest.LESS, new Operand.FormulaOperand("(b + 1)"), null)),
                renamed(
                        new Clause.Between("a", true, number(), true, new Operand.FieldOperand("b"), false, null),
                        new Clause.Between("a_", true, number(), true, new Operand.FieldOperand("b_"), false, null)),
                renamed(
                        new Condition.AtLeast(1, List.of(A, B)),
                        new Condition.AtLeast(1, List.of(new Clause.Answered("a_"), new Clause.Answered("b_")))));
    }

    @ParameterizedTest
    @MethodSource("conditions")
    void everyNameIsAnother(Condition one, Condition other) {
        assertThat(References.rename(one, key -> key + "_", formula -> "(" + formula + ")"))
                .isEqualTo(other);
    }

    @Test
    void whatIsLeftOfAGroupStaysAndAGroupOfNothingGoes() {
        References.LeafRewriting withoutB = leaf -> leaf.equals(B) ? null : leaf;
        assertThat(References.rewrite(null, withoutB)).isNull();
        assertThat(References.rewrite(B, withoutB)).isNull();
        assertThat(References.rewrite(A, withoutB)).isEqualTo(A);
        assertThat(References.rewrite(new Condition.All(List.of(A, B)), withoutB))
                .isEqualTo(new Condition.All(List.of(A)));
        assertThat(References.rewrite(new Condition.All(List.of(B, new Condition.Any(List.of(B)))), withoutB))
                .isNull();
        assertThat(References.rewrite(new Condition.OfRows("r", Condition.OfRows.Quantity.ANY, B, null), withoutB))
                .isNull();
        assertThat(References.rewrite(new Condition.OfRows("r", Condition.OfRows.Quantity.ANY, A, null), withoutB))
                .isEqualTo(new Condition.OfRows("r", Condition.OfRows.Quantity.ANY, A, null));
    }

    @Test
    void expectationsStandAtOtherAddresses() {
        List<Expectation> all = List.of(
                new Expectation.Is("a", Aspect.SHOWN, true),
                new Expectation.Counts("a", "5"),
                new Expectation.Offered("a", List.of("c")),
                new Expectation.Looks("a", Look.PLAIN),
                new Expectation.Tells("a", "low"),
                new Expectation.Refuses("a", true),
                new Expectation.TakesPart("a", true),
                new Expectation.Finishes(true));
        assertThat(all.stream().map(it -> it.at(address -> address + "@r1")).toList())
                .isEqualTo(List.of(
                        new Expectation.Is("a@r1", Aspect.SHOWN, true),
                        new Expectation.Counts("a@r1", "5"),
                        new Expectation.Offered("a@r1", List.of("c")),
                        new Expectation.Looks("a@r1", Look.PLAIN),
                        new Expectation.Tells("a@r1", "low"),
                        new Expectation.Refuses("a@r1", true),
                        new Expectation.TakesPart("a", true),
                        new Expectation.Finishes(true)));
    }
}
