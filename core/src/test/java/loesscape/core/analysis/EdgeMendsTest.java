package loesscape.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.FieldKind;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Of two items for ranges that meet at an edge, one takes it or leaves it: the edits that are offered, of each sort of edge. */
class EdgeMendsTest {

    private static final FieldKind NUMBER = new FieldKind.Number(0, "", null, null);
    private static final FieldKind DAY = new FieldKind.Date(null, null);
    private static final FieldKind TIME = new FieldKind.Time(null, null);

    private static Operand number(int number) {
        return new Operand.NumberOperand(BigDecimal.valueOf(number));
    }

    private static Operand day(int day) {
        return new Operand.DateOperand(LocalDate.of(2028, 2, day));
    }

    private static Operand time(int hour) {
        return new Operand.TimeOperand(LocalTime.of(hour, 0));
    }

    private static Condition compared(OrderTest test, Operand to) {
        return new Clause.Comparison("f", test, to, null);
    }

    private static Condition between(Operand from, boolean fromIncluded, Operand to, boolean toIncluded) {
        return new Clause.Between("f", false, from, fromIncluded, to, toIncluded, null);
    }

    /** What is told of two texts that follow “f”, and the conditions that the edits offered write. */
    private static List<Finding> found(FieldKind kind, Condition below, Condition above) {
        return LogicFindings.of(EveryFilling.of(
                        CompiledTemplate.compile(Documents.of(
                                Documents.field("f", kind),
                                Documents.text("below").withShown(below),
                                Documents.text("above").withShown(above))),
                        LocalDate.of(2028, 2, 1)))
                .stream()
                .filter(finding -> finding.message().startsWith("Where "))
                .toList();
    }

    private static List<Condition> mended(Finding finding) {
        return finding.mends().stream()
                .map(mend -> (Edit.SetCondition) mend.edit())
                .map(edit -> Objects.requireNonNull(edit.condition()))
                .toList();
    }

    static Stream<Arguments> gaps() {
        return Stream.of(
                Arguments.of(
                        NUMBER,
                        compared(OrderTest.LESS, number(5)),
                        compared(OrderTest.MORE, number(5)),
                        "Where f is 5, neither “below” nor “above” is shown; let one of them take the edge.",
                        compared(OrderTest.AT_MOST, number(5)),
                        compared(OrderTest.AT_LEAST, number(5))),
                Arguments.of(
                        DAY,
                        compared(OrderTest.LESS, day(5)),
                        compared(OrderTest.MORE, day(5)),
                        "Where f is 5 February 2028, neither “below” nor “above” is shown; let one of them take the edge.",
                        compared(OrderTest.AT_MOST, day(5)),
                        compared(OrderTest.AT_LEAST, day(5))),
                Arguments.of(
                        TIME,
                        compared(OrderTest.LESS, time(9)),
                        compared(OrderTest.MORE, time(9)),
                        "Where f is 09:00, neither “below” nor “above” is shown; let one of them take the edge.",
                        compared(OrderTest.AT_MOST, time(9)),
                        compared(OrderTest.AT_LEAST, time(9))),
                Arguments.of(
                        NUMBER,
                        between(number(1), true, number(5), false),
                        between(number(5), false, number(9), true),
                        "Where f is 5, neither “below” nor “above” is shown; let one of them take the edge.",
                        between(number(1), true, number(5), true),
                        between(number(5), true, number(9), true)),
                Arguments.of(
                        DAY,
                        between(day(1), false, day(5), false),
                        between(day(5), false, day(9), false),
                        "Where f is 5 February 2028, neither “below” nor “above” is shown; let one of them take the edge.",
                        between(day(1), false, day(5), true),
                        between(day(5), true, day(9), false)));
    }

    @ParameterizedTest
    @MethodSource("gaps")
    void aGapIsTakenByOneOfThem(
            FieldKind kind,
            Condition below,
            Condition above,
            String message,
            Condition belowTakes,
            Condition aboveTakes) {
        List<Finding> found = found(kind, below, above);
        assertThat(found).extracting(Finding::message).containsExactly(message);
        assertThat(found.getFirst().mends())
                .extracting(Mend::words)
                .containsExactly("Show “below” there too", "Show “above” there too");
        assertThat(mended(found.getFirst())).containsExactly(belowTakes, aboveTakes);
    }

    static Stream<Arguments> overlaps() {
        return Stream.of(
                Arguments.of(
                        NUMBER,
                        compared(OrderTest.AT_MOST, number(5)),
                        compared(OrderTest.AT_LEAST, number(5)),
                        compared(OrderTest.LESS, number(5)),
                        compared(OrderTest.MORE, number(5))),
                Arguments.of(
                        DAY,
                        compared(OrderTest.AT_MOST, day(5)),
                        compared(OrderTest.AT_LEAST, day(5)),
                        compared(OrderTest.LESS, day(5)),
                        compared(OrderTest.MORE, day(5))),
                Arguments.of(
                        TIME,
                        between(time(8), true, time(9), true),
                        between(time(9), true, time(10), true),
                        between(time(8), true, time(9), false),
                        between(time(9), false, time(10), true)));
    }

    @ParameterizedTest
    @MethodSource("overlaps")
    void anOverlapIsLeftToOneOfThem(
            FieldKind kind, Condition below, Condition above, Condition belowLeaves, Condition aboveLeaves) {
        List<Finding> found = found(kind, below, above);
        assertThat(found).hasSize(1);
        assertThat(found.getFirst().message()).contains("both “below” and “above” are shown");
        assertThat(found.getFirst().mends())
                .extracting(Mend::words)
                .containsExactly("Leave “below” out there", "Leave “above” out there");
        assertThat(mended(found.getFirst())).containsExactly(belowLeaves, aboveLeaves);
    }

    @Test
    void whatMeetsIsNotToldOf() {
        assertThat(found(NUMBER, compared(OrderTest.AT_MOST, number(5)), compared(OrderTest.MORE, number(5))))
                .isEmpty();
        // Blank stretches are most often meant.
        assertThat(found(NUMBER, compared(OrderTest.LESS, number(5)), compared(OrderTest.MORE, number(7))))
                .isEmpty();
    }

    /** What asks for this one answer and no other is not moved. */
    @Test
    void anItemForTheEdgeAloneIsNotMoved() {
        List<Finding> found = found(
                NUMBER,
                new Condition.Any(List.of(compared(OrderTest.LESS, number(5)), compared(OrderTest.EQUAL, number(9)))),
                compared(OrderTest.MORE, number(5)));
        assertThat(found).isNotEmpty();
        assertThat(mended(found.getFirst()).getFirst())
                .isEqualTo(new Condition.Any(
                        List.of(compared(OrderTest.AT_MOST, number(5)), compared(OrderTest.EQUAL, number(9)))));
    }
}
