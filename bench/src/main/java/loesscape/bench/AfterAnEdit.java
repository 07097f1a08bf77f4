package loesscape.bench;

import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.TimeUnit;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.LogicFindings;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.State;
import loesscape.core.model.Aspect;
import loesscape.core.model.Clause;
import loesscape.core.model.Template;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.Warmup;

/** All findings of 1,000 fields and 1,333 conditions after one edit, where those before it are known. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 5, time = 3)
@Fork(1)
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
public class AfterAnEdit {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);
    private static final int FIELDS = 1_000;

    private final Answers answers = Permit.answers(FIELDS);
    private Template edited = Permit.template(FIELDS, 1_333);
    private CompiledTemplate compiled = CompiledTemplate.compile(edited);
    private EveryFilling every = EveryFilling.of(compiled, TODAY);
    private int next;

    @Setup
    public void everythingIsFound() {
        LogicFindings.of(every);
    }

    /** Another field's condition each time, on top of all edits before. */
    @Setup(Level.Invocation)
    public void oneMoreEdit() {
        next = (next + 7) % FIELDS;
        int field = Math.max(1, next);
        edited = Editing.apply(
                edited,
                new Edit.SetCondition(
                        List.of("f" + field), List.of(Aspect.SHOWN), new Clause.Answered("f" + next * 31 % field)));
        compiled = CompiledTemplate.compile(edited);
    }

    @Benchmark
    public List<Finding> findings() {
        every = every.next(compiled, TODAY);
        return LogicFindings.of(every);
    }

    @Benchmark
    public State oneEvaluation() {
        return compiled.evaluate(answers);
    }
}
