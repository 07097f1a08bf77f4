package loesscape.bench;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.function.Predicate;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Decisions;
import loesscape.core.evaluation.State;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.apache.commons.jexl3.JexlBuilder;
import org.apache.commons.jexl3.JexlEngine;
import org.apache.commons.jexl3.JexlExpression;
import org.apache.commons.jexl3.MapContext;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Warmup;
import org.springframework.expression.Expression;
import org.springframework.expression.spel.SpelCompilerMode;
import org.springframework.expression.spel.SpelParserConfiguration;
import org.springframework.expression.spel.standard.SpelExpressionParser;
import org.springframework.expression.spel.support.StandardEvaluationContext;

/**
 * One full evaluation of 200 fields and 300 conditions: what is shown, what counts, what is required. By hand as closures
 * over an array, by two general expression engines, by the generated code of {@link Decisions}, and as the filler's page
 * gets it, with typed texts read and all states told.
 */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
public class Evaluation {

    private final Template template = Permit.template();
    private final CompiledTemplate compiled = CompiledTemplate.compile(template);
    private final Answers answers = Permit.answers(Permit.FIELDS);
    private final Decisions decisions = Decisions.of(compiled, Context.UNDATED).orElseThrow();
    private final boolean[] shown = new boolean[Permit.FIELDS];
    private final boolean[] required = new boolean[Permit.FIELDS];
    private final BigDecimal[] values = new BigDecimal[Permit.FIELDS];
    private final BigDecimal[] counting = new BigDecimal[Permit.FIELDS];
    private final List<Predicate<BigDecimal[]>> shownByHand = rules(Permit::shown, Evaluation::closure);
    private final List<Predicate<BigDecimal[]>> requiredByHand = rules(Permit::required, Evaluation::closure);

    private final JexlEngine jexl = new JexlBuilder().strict(false).create();
    private final MapContext jexlValues = new MapContext();
    private final List<JexlExpression> shownByJexl = rules(Permit::shown, rule -> jexl.createExpression(jexl(rule)));
    private final List<JexlExpression> requiredByJexl =
            rules(Permit::required, rule -> jexl.createExpression(jexl(rule)));

    private final SpelExpressionParser spel =
            new SpelExpressionParser(new SpelParserConfiguration(SpelCompilerMode.IMMEDIATE, null));
    private final StandardEvaluationContext spelValues = new StandardEvaluationContext();
    private final List<Expression> shownBySpel = rules(Permit::shown, rule -> spel.parseExpression(spel(rule)));
    private final List<Expression> requiredBySpel = rules(Permit::required, rule -> spel.parseExpression(spel(rule)));

    public Evaluation() {
        for (int i = 0; i < Permit.FIELDS; i++) {
            values[i] = Permit.value(i);
            decisions.answer("f" + i, new Value.Number(values[i]));
        }
        check();
    }

    /** All ways decide the same, or nothing is measured. */
    private void check() {
        State state = compiled.evaluate(answers);
        for (boolean[] all : List.of(byHand().clone(), byJexl().clone(), bySpel().clone())) {
            for (int i = 0; i < all.length; i++) {
                if (all[i] != state.of("f" + i).shown()) {
                    throw new IllegalStateException("Decided otherwise: f" + i);
                }
            }
        }
    }

    private static <T> List<T> rules(Function<Integer, Permit.Rule> rules, Function<Permit.Rule, T> make) {
        List<T> made = new ArrayList<>();
        for (int i = 0; i < Permit.FIELDS; i++) {
            Permit.Rule rule = rules.apply(i);
            made.add(rule == null ? null : make.apply(rule));
        }
        return made;
    }

    private static Predicate<BigDecimal[]> closure(Permit.Rule rule) {
        int i = rule.field();
        BigDecimal edge = rule.atLeast();
        BigDecimal thirty = BigDecimal.valueOf(30);
        Predicate<BigDecimal[]> first = all -> all[i] != null && all[i].compareTo(edge) >= 0;
        Predicate<BigDecimal[]> second = all -> all[i + 1] != null && all[i + 1].compareTo(thirty) < 0;
        return rule.either() ? first.or(second) : first.and(second);
    }

    @Benchmark
    public boolean[] byHand() {
        for (int i = 0; i < Permit.FIELDS; i++) {
            Predicate<BigDecimal[]> rule = shownByHand.get(i);
            shown[i] = rule == null || rule.test(counting);
            counting[i] = shown[i] ? values[i] : null;
        }
        for (int i = 0; i < Permit.FIELDS; i++) {
            Predicate<BigDecimal[]> rule = requiredByHand.get(i);
            required[i] = shown[i] && rule != null && rule.test(counting);
        }
        return shown;
    }

    @Benchmark
    public Decisions generated() {
        decisions.decide();
        return decisions;
    }

    @Benchmark
    public State textsReadAndStatesTold() {
        return compiled.evaluate(answers);
    }

    private static String jexl(Permit.Rule rule) {
        return "f%d != null && f%d >= %s %s f%d != null && f%d < 30"
                .formatted(
                        rule.field(),
                        rule.field(),
                        rule.atLeast(),
                        rule.either() ? "||" : "&&",
                        rule.field() + 1,
                        rule.field() + 1);
    }

    @Benchmark
    public boolean[] byJexl() {
        for (int i = 0; i < Permit.FIELDS; i++) {
            JexlExpression rule = shownByJexl.get(i);
            shown[i] = rule == null || (Boolean) rule.evaluate(jexlValues);
            jexlValues.set("f" + i, shown[i] ? values[i] : null);
        }
        for (int i = 0; i < Permit.FIELDS; i++) {
            JexlExpression rule = requiredByJexl.get(i);
            required[i] = shown[i] && rule != null && (Boolean) rule.evaluate(jexlValues);
        }
        return shown;
    }

    private static String spel(Permit.Rule rule) {
        return "#root[%d] != null && #root[%d].compareTo(#edges[%d]) >= 0 %s #root[%d] != null && #root[%d].compareTo(#thirty) < 0"
                .formatted(
                        rule.field(),
                        rule.field(),
                        rule.atLeast().intValue(),
                        rule.either() ? "||" : "&&",
                        rule.field() + 1,
                        rule.field() + 1);
    }

    @Benchmark
    public boolean[] bySpel() {
        if (spelValues.lookupVariable("thirty") == null) {
            BigDecimal[] edges = new BigDecimal[60];
            for (int i = 0; i < edges.length; i++) {
                edges[i] = BigDecimal.valueOf(i);
            }
            spelValues.setVariable("edges", edges);
            spelValues.setVariable("thirty", BigDecimal.valueOf(30));
        }
        for (int i = 0; i < Permit.FIELDS; i++) {
            Expression rule = shownBySpel.get(i);
            shown[i] = rule == null || Boolean.TRUE.equals(rule.getValue(spelValues, counting));
            counting[i] = shown[i] ? values[i] : null;
        }
        for (int i = 0; i < Permit.FIELDS; i++) {
            Expression rule = requiredBySpel.get(i);
            required[i] = shown[i] && rule != null && Boolean.TRUE.equals(rule.getValue(spelValues, counting));
        }
        return shown;
    }
}
