package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.analysis.proof.Region;
import loesscape.core.editing.Edit;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Node;
import loesscape.core.model.References;
import loesscape.core.model.Value;

/** How a range of an answer that ends at an edge takes the edge in, or leaves it out. */
final class EdgeMends {

    private final Field field;
    private final Region edge;
    private final boolean takes;

    private EdgeMends(Field field, Region edge, boolean takes) {
        this.field = field;
        this.edge = edge;
        this.takes = takes;
    }

    /** The edits by which one of some nodes takes the edge in; none for a node that names no such edge itself. */
    static List<Mend> taking(Field field, Region edge, List<Node> nodes) {
        return new EdgeMends(field, edge, true).mends(nodes);
    }

    /** The edits by which one of some nodes leaves the edge out. */
    static List<Mend> leaving(Field field, Region edge, List<Node> nodes) {
        return new EdgeMends(field, edge, false).mends(nodes);
    }

    private List<Mend> mends(List<Node> nodes) {
        List<Mend> mends = new ArrayList<>();
        for (Node node : nodes) {
            Condition before = node.shown();
            Condition after = References.rewrite(before, this::moved);
            if (before != null && after != null && !after.equals(before)) {
                mends.add(new Mend(
                        (takes ? "Show “%s” there too" : "Leave “%s” out there").formatted(node.name()),
                        new Edit.SetCondition(List.of(node.key()), List.of(Aspect.SHOWN), after)));
            }
        }
        return mends;
    }

    private Condition moved(Condition.Leaf leaf) {
        return switch (leaf) {
            case Clause.Comparison it
            when it.field().equals(field.key()) && isEdge(it.to()) ->
                new Clause.Comparison(it.field(), moved(it.test()), it.to(), it.whenBlank());
            case Clause.Between it
            when it.field().equals(field.key()) && !it.outside() ->
                new Clause.Between(
                        it.field(),
                        false,
                        it.from(),
                        isEdge(it.from()) ? takes : it.fromIncluded(),
                        it.to(),
                        isEdge(it.to()) ? takes : it.toIncluded(),
                        it.whenBlank());
            case Condition.Leaf other -> other;
        };
    }

    private OrderTest moved(OrderTest test) {
        return switch (test) {
            case LESS, AT_MOST -> takes ? OrderTest.AT_MOST : OrderTest.LESS;
            case MORE, AT_LEAST -> takes ? OrderTest.AT_LEAST : OrderTest.MORE;
            case EQUAL -> test;
            case NOT_EQUAL -> test;
        };
    }

    private boolean isEdge(Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand(var number) ->
                edge.value() instanceof Value.Number(var at) && at.compareTo(number) == 0;
            case Operand.DateOperand(var date) -> edge.value() instanceof Value.Date(var at) && at.equals(date);
            case Operand.TimeOperand(var time) -> edge.value() instanceof Value.Time(var at) && at.equals(time);
            case Operand.FieldOperand ignored -> false;
            case Operand.FormulaOperand ignored -> false;
            case Operand.TodayOperand ignored -> false;
        };
    }
}
