package loesscape.bench;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Session;
import loesscape.core.evaluation.State;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand.NumberOperand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Evaluation against the least that could do: the same conditions written by hand as closures over an array of values
 * that were read already. And one changed answer against evaluating the whole.
 */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
public class Evaluation {

    private static final int FIELDS = 200;
    private static final int CONDITIONS = 300;
    private static final int MANY = 5_000;
    private static final int FOLLOWERS = 20;

    private final CompiledTemplate permit = CompiledTemplate.compile(template(FIELDS, CONDITIONS));
    private final Answers answers = answers(FIELDS);
    private final Context context = Context.UNDATED;
    private final List<Predicate<Object[]>> closures = closures();
    private final Object[] values = values();

    private final CompiledTemplate large = CompiledTemplate.compile(followers());
    private final Answers largeAnswers = answers(MANY);
    private final Session session = large.session(largeAnswers, context);
    private int turn;

    /** 200 fields, 300 conditions, all of it, typed texts read and states made. */
    @Benchmark
    public State whole() {
        return permit.evaluate(answers, context);
    }

    /** The same conditions by hand; nothing is read, nothing is told but how many hold. */
    @Benchmark
    public int byHand() {
        int holding = 0;
        for (Predicate<Object[]> closure : closures) {
            holding += closure.test(values) ? 1 : 0;
        }
        return holding;
    }

    /** 5,000 fields, all of them. */
    @Benchmark
    public State wholeOfMany() {
        return large.evaluate(largeAnswers, context);
    }

    /** 5,000 fields, one changed answer that 20 follow. */
    @Benchmark
    public java.util.Map<String, NodeState> oneOfMany() {
        return session.answer("f0", (turn++ & 1) == 0 ? "5" : "50");
    }

    private static Answers answers(int count) {
        java.util.Map<String, String> typed = new java.util.HashMap<>();
        for (int i = 0; i < count; i++) {
            typed.put("f" + i, Integer.toString(i * 7 % 60));
        }
        return new Answers(typed);
    }

    private static Condition condition(int i) {
        Condition first =
                new Clause.Comparison("f" + i, OrderTest.AT_LEAST, new NumberOperand(BigDecimal.valueOf(i % 60)), null);
        Condition second =
                new Clause.Comparison("f" + (i + 1), OrderTest.LESS, new NumberOperand(BigDecimal.valueOf(30)), null);
        return i % 2 == 0 ? new Condition.Any(List.of(first, second)) : new Condition.All(List.of(first, second));
    }

    /** Conditions look at fields further up, so that chains form; the first hundred carry two of them. */
    private static Template template(int fields, int conditions) {
        List<Item> items = new ArrayList<>();
        int left = conditions;
        for (int i = 0; i < fields; i++) {
            Condition shown = i >= 3 && left-- > 0 ? condition(i / 2) : null;
            Condition required = i >= 3 && i < conditions - fields + 6 && left-- > 0 ? condition(i / 3) : null;
            items.add(field("f" + i).withShown(shown).withRequired(required));
        }
        return template(items);
    }

    private static Template followers() {
        List<Item> items = new ArrayList<>();
        Clause follows = new Clause.Comparison("f0", OrderTest.MORE, new NumberOperand(BigDecimal.TEN), null);
        for (int i = 0; i < MANY; i++) {
            items.add(i > 0 && i <= FOLLOWERS ? field("f" + i).withShown(follows) : field("f" + i));
        }
        return template(items);
    }

    private static Template template(List<Item> items) {
        return Template.of("T", List.of(new Page("p", "", null, List.of(Section.of("s", "", items)))));
    }

    private static Field field(String key) {
        return Field.of(key, key, new FieldKind.Number(2, "", null, null));
    }

    private static List<Predicate<Object[]>> closures() {
        List<Predicate<Object[]>> closures = new ArrayList<>();
        for (int n = 0; n < CONDITIONS; n++) {
            int i = n % (FIELDS - 1);
            BigDecimal edge = BigDecimal.valueOf(i % 60);
            BigDecimal thirty = BigDecimal.valueOf(30);
            Predicate<Object[]> first = all -> all[i] instanceof BigDecimal it && it.compareTo(edge) >= 0;
            Predicate<Object[]> second = all -> all[i + 1] instanceof BigDecimal it && it.compareTo(thirty) < 0;
            closures.add(i % 2 == 0 ? first.or(second) : first.and(second));
        }
        return closures;
    }

    private static Object[] values() {
        Object[] values = new Object[FIELDS];
        for (int i = 0; i < FIELDS; i++) {
            values[i] = BigDecimal.valueOf(i * 7 % 60);
        }
        return values;
    }
}
