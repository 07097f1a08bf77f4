package loesscape.core.evaluation;

import com.google.re2j.Pattern;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;
import loesscape.core.evaluation.Test.Seen;
import loesscape.core.expression.Formula;
import loesscape.core.expression.Program;
import loesscape.core.expression.Work;
import loesscape.core.model.Band;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FormulaTypes;
import loesscape.core.model.References;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** Turns conditions into tests over an array of counting values. */
final class ConditionCompiler {

    private final ToIntFunction<String> slot;
    private final Map<String, Field> fields = new HashMap<>();

    /**
     * @param slot where the counting value of a field stands
     */
    ConditionCompiler(Template template, ToIntFunction<String> slot) {
        this.slot = slot;
        template.fields().forEach(field -> fields.put(field.key(), field));
    }

    Test compile(Condition condition) {
        return switch (condition) {
            case Condition.Always() -> seen -> true;
            case Condition.Never() -> seen -> false;
            case Condition.All(var parts) -> enough(tests(parts), parts.size());
            case Condition.Any(var parts) -> enough(tests(parts), 1);
            case Condition.AtLeast(var count, var parts) -> enough(tests(parts), count);
            case Condition.None(var parts) -> {
                Test any = enough(tests(parts), 1);
                yield seen -> !any.holds(seen);
            }
            case Condition.Written(var formula) -> written(formula);
            case Condition.StageIs(var stages) -> {
                Set<Stage> wanted = Set.copyOf(stages);
                yield seen -> wanted.contains(seen.context().stage());
            }
            case Clause clause -> clause(clause);
        };
    }

    private Test[] tests(List<Condition> parts) {
        return parts.stream().map(this::compile).toArray(Test[]::new);
    }

    /** Holds when enough of the tests do; looks no further than it has to. */
    private static Test enough(Test[] tests, int wanted) {
        return seen -> {
            int missing = wanted;
            for (int i = 0; i < tests.length && missing > 0 && missing <= tests.length - i; i++) {
                if (tests[i].holds(seen)) {
                    missing--;
                }
            }
            return missing <= 0;
        };
    }

    /** A formula that is null, is no truth value or does too much is not met. */
    private Test written(String text) {
        List<String> names = List.copyOf(References.fields(new Condition.Written(text)));
        Program program =
                Formula.of(text, FormulaTypes.of(List.copyOf(fields.values()))).compile(names);
        int[] slots = names.stream().mapToInt(slot).toArray();
        return seen -> {
            @Nullable Object[] values = new Object[slots.length];
            for (int i = 0; i < slots.length; i++) {
                values[i] = plain(seen.counting()[slots[i]]);
            }
            try {
                return Boolean.TRUE.equals(program.run(values));
            } catch (Work.TooMuchWork tooMuch) {
                return false;
            }
        };
    }

    /** A value as formulas know it. */
    private static @Nullable Object plain(Value value) {
        return switch (value) {
            case Value.Blank ignored -> null;
            case Value.Text(var text) -> text;
            case Value.Number(var number) -> number;
            case Value.YesNo(var yes) -> yes;
            case Value.Date(var date) -> date;
            case Value.Chosen(var choice) -> choice;
        };
    }

    private interface Answered {
        boolean meets(Value value, Seen seen);
    }

    private Test clause(Clause clause) {
        int field = slot.applyAsInt(clause.field());
        boolean whenBlank = clause.metWhenBlank();
        return switch (clause) {
            case Clause.Comparison it -> {
                OtherSide to = otherSide(it.to());
                IntPredicate order = order(it.test());
                yield answered(field, whenBlank, (value, seen) -> {
                    Value other = to.value(seen);
                    return other.isBlank() ? whenBlank : decide(value, other, order);
                });
            }
            case Clause.Between it -> between(field, whenBlank, it);
            default -> {
                Predicate<Value> met = fixed(clause);
                yield answered(field, whenBlank, (value, seen) -> met.test(value));
            }
        };
    }

    private static Test answered(int field, boolean whenBlank, Answered answered) {
        return seen -> {
            Value value = seen.counting()[field];
            return value.isBlank() ? whenBlank : answered.meets(value, seen);
        };
    }

    private Test between(int field, boolean whenBlank, Clause.Between it) {
        OtherSide from = otherSide(it.from());
        OtherSide to = otherSide(it.to());
        boolean outside = it.outside();
        // Outside, an edge that is “in” belongs to what lies outside.
        boolean fromIncluded = it.fromIncluded() != outside;
        boolean toIncluded = it.toIncluded() != outside;
        IntPredicate above = fromIncluded ? order -> order >= 0 : order -> order > 0;
        IntPredicate below = toIncluded ? order -> order <= 0 : order -> order < 0;
        return answered(field, whenBlank, (value, seen) -> {
            Value low = from.value(seen);
            Value high = to.value(seen);
            if (low.isBlank() || high.isBlank()) {
                return whenBlank;
            }
            return (decide(value, low, above) && decide(value, high, below)) != outside;
        });
    }

    /** What the clause says of a value that is not blank, whatever else is answered. */
    private Predicate<Value> fixed(Clause clause) {
        return switch (clause) {
            case Clause.Answered ignored -> value -> true;
            case Clause.IsBlank ignored -> value -> false;
            case Clause.ChoiceClause it -> choice(it.test() == Clause.ChoiceClause.ChoiceTest.IS, it.choices());
            case Clause.TextClause it -> text(it);
            case Clause.LengthClause it -> {
                IntPredicate order = order(it.test());
                yield value -> value instanceof Value.Text(var text)
                        && order.test(Integer.compare(text.codePointCount(0, text.length()), it.length()));
            }
            case Clause.BandClause it -> bands(it);
            case Clause.Comparison ignored -> throw new IllegalStateException("Not fixed");
            case Clause.Between ignored -> throw new IllegalStateException("Not fixed");
        };
    }

    private Predicate<Value> bands(Clause.BandClause clause) {
        Field field = fields.get(clause.field());
        List<Band> bands = field == null ? List.of() : field.bands();
        Set<String> wanted = Set.copyOf(clause.bands());
        return value -> value instanceof Value.Number(var number)
                && Band.of(bands, number).map(Band::id).filter(wanted::contains).isPresent();
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
        Predicate<String> met = clause.test() == Clause.TextClause.TextTest.MATCHES ? pattern(clause) : words(clause);
        return value -> value instanceof Value.Text(var text) && met.test(text);
    }

    private static Predicate<String> pattern(Clause.TextClause clause) {
        int flags = clause.matchCase() ? 0 : Pattern.CASE_INSENSITIVE;
        Pattern pattern = Pattern.compile(clause.text(), flags);
        return text -> pattern.matcher(text).find();
    }

    private static Predicate<String> words(Clause.TextClause clause) {
        boolean matchCase = clause.matchCase();
        String sought = Texts.comparable(clause.text(), matchCase);
        return answer -> {
            String text = Texts.comparable(answer, matchCase);
            return switch (clause.test()) {
                case IS -> text.equals(sought);
                case IS_NOT -> !text.equals(sought);
                case CONTAINS -> text.contains(sought);
                case DOES_NOT_CONTAIN -> !text.contains(sought);
                case STARTS_WITH -> text.startsWith(sought);
                case ENDS_WITH -> text.endsWith(sought);
                case MATCHES -> throw new IllegalStateException("A pattern is no words");
            };
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

    /** The other side of a comparison; blank where it is not known. */
    private interface OtherSide {
        Value value(Seen seen);
    }

    private OtherSide otherSide(Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand(var number) -> {
                Value fixed = new Value.Number(number);
                yield seen -> fixed;
            }
            case Operand.DateOperand(var date) -> {
                Value fixed = new Value.Date(date);
                yield seen -> fixed;
            }
            case Operand.FieldOperand(var field) -> {
                int other = slot.applyAsInt(field);
                yield seen -> seen.counting()[other];
            }
            case Operand.TodayOperand(var days) ->
                seen -> {
                    LocalDate today = seen.context().today();
                    return today == null ? Value.blank() : new Value.Date(today.plusDays(days));
                };
        };
    }

    /** Compares two values; those of different kinds cannot be compared and so never meet a clause. */
    private static boolean decide(Value left, Value right, IntPredicate order) {
        if (left instanceof Value.Number(var a) && right instanceof Value.Number(var b)) {
            return order.test(a.compareTo(b));
        }
        return left instanceof Value.Date(var a) && right instanceof Value.Date(var b) && order.test(a.compareTo(b));
    }
}
