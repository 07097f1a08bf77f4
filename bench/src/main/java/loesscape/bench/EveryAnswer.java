package loesscape.bench;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.LogicFindings;
import loesscape.core.analysis.PromiseVerdict;
import loesscape.core.analysis.VersionComparison;
import loesscape.core.analysis.VersionDifference;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.State;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.Template;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Warmup;

/** 1,000 fields and 1,333 conditions: what holds for every possible filling, beside one evaluation of one filling. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 3)
@Fork(1)
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
public class EveryAnswer {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);
    private static final int FIELDS = 1_000;
    private static final int CONDITIONS = 1_333;

    private final CompiledTemplate compiled = CompiledTemplate.compile(Permit.template(FIELDS, CONDITIONS));
    private final Answers answers = Permit.answers(FIELDS);
    private final EveryFilling every = EveryFilling.of(compiled, TODAY);
    private final Template later = Editing.apply(
            compiled.template(),
            new Edit.SetCondition(List.of("f500"), List.of(Aspect.SHOWN), new Clause.Answered("f3")));
    private int next;

    @Benchmark
    public State oneEvaluation() {
        return compiled.evaluate(answers);
    }

    @Benchmark
    public EveryFilling madeReady() {
        return EveryFilling.of(compiled, TODAY);
    }

    @Benchmark
    public List<Finding> allFindings() {
        return LogicFindings.of(EveryFilling.of(compiled, TODAY));
    }

    /** One promise, another one each time. */
    @Benchmark
    public PromiseVerdict onePromise() {
        next = (next + 7) % FIELDS;
        return PromiseVerdict.of(
                new PromiseRule(
                        new Clause.Answered("f" + (next + 1) % FIELDS),
                        new Promised.NodeIs("f" + next, Aspect.SHOWN, true)),
                every);
    }

    /** What a version in which one item has another condition does otherwise, the preparing of both included. */
    @Benchmark
    public VersionDifference difference() {
        return VersionComparison.of(compiled.template(), later, Map.of(), TODAY);
    }

    /** One question with its example, another one each time. */
    @Benchmark
    public Decision oneQuestion() {
        next = (next + 7) % FIELDS;
        return every.decide(List.of(new Claim.Shows("f" + next, true)));
    }
}
