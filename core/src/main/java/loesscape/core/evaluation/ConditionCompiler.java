package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;

/** Turns conditions into tests over an array of counting values. */
final class ConditionCompiler {

    private final ToIntFunction<String> slot;

    /**
     * @param slot where the counting value of a field stands
     */
    ConditionCompiler(ToIntFunction<String> slot) {
        this.slot = slot;
    }

    Test compile(Condition condition) {
        return switch (condition) {
            case Condition.Always() -> counting -> true;
            case Condition.Never() -> counting -> false;
            case Condition.All(var parts) ->
                all(parts.stream().map(this::compile).toArray(Test[]::new));
            case Condition.Any(var parts) ->
                any(parts.stream().map(this::compile).toArray(Test[]::new));
            case Clause clause -> clause(clause);
        };
    }

    private static Test all(Test[] tests) {
        return counting -> {
            for (Test test : tests) {
                if (!test.holds(counting)) {
                    return false;
                }
            }
            return true;
        };
    }

    private static Test any(Test[] tests) {
        return counting -> {
            for (Test test : tests) {
                if (test.holds(counting)) {
                    return true;
                }
            }
            return false;
        };
    }

    private Test clause(Clause clause) {
        int field = slot.applyAsInt(clause.field());
        boolean whenBlank = clause.metWhenBlank();
        Predicate<Value> answered = answered(clause);
        return counting -> {
            Value value = counting[field];
            return value.isBlank() ? whenBlank : answered.test(value);
        };
    }

    /** What the clause says of a value that is not blank. */
    private static Predicate<Value> answered(Clause clause) {
        return switch (clause) {
            case Clause.Answered ignored -> value -> true;
            case Clause.IsBlank ignored -> value -> false;
            case Clause.ChoiceClause it -> choice(it.test() == Clause.ChoiceClause.ChoiceTest.IS, it.choices());
            case Clause.TextClause it -> text(it);
            case Clause.Comparison it -> {
                IntPredicate order = order(it.test());
                Order to = Order.to(it.to());
                yield value -> to.decide(value, order);
            }
            case Clause.Between it -> {
                Order from = Order.to(it.from());
                Order to = Order.to(it.to());
                IntPredicate above = it.fromIncluded() ? order -> order >= 0 : order -> order > 0;
                IntPredicate below = it.toIncluded() ? order -> order <= 0 : order -> order < 0;
                yield value -> from.decide(value, above) && to.decide(value, below);
            }
        };
    }

    private static Predicate<Value> choice(boolean is, List<String> choices) {
        Set<String> named = Set.copyOf(choices);
        return value -> switch (value) {
            case Value.Chosen(var choice) -> named.contains(choice) == is;
            case Value.YesNo(var yes) -> named.contains(yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO) == is;
            default -> false;
        };
    }

    private static Predicate<Value> text(Clause.TextClause clause) {
        String sought = Texts.comparable(clause.text());
        return value -> value instanceof Value.Text(var text)
                && switch (clause.test()) {
                    case IS -> Texts.comparable(text).equals(sought);
                    case IS_NOT -> !Texts.comparable(text).equals(sought);
                    case CONTAINS -> Texts.comparable(text).contains(sought);
                    case DOES_NOT_CONTAIN -> !Texts.comparable(text).contains(sought);
                };
    }

    private static IntPredicate order(Clause.Comparison.OrderTest test) {
        return switch (test) {
            case EQUAL -> order -> order == 0;
            case NOT_EQUAL -> order -> order != 0;
            case LESS -> order -> order < 0;
            case AT_MOST -> order -> order <= 0;
            case MORE -> order -> order > 0;
            case AT_LEAST -> order -> order >= 0;
        };
    }

    /** Compares a value with a fixed one; values of another kind cannot be compared and so never meet a clause. */
    private interface Order {

        boolean decide(Value value, IntPredicate order);

        static Order to(Operand operand) {
            return switch (operand) {
                case Operand.NumberOperand(BigDecimal to) ->
                    (value, order) -> value instanceof Value.Number(var number) && order.test(number.compareTo(to));
                case Operand.DateOperand(LocalDate to) ->
                    (value, order) -> value instanceof Value.Date(var date) && order.test(date.compareTo(to));
            };
        }
    }
}
