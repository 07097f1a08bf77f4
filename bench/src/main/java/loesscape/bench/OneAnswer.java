package loesscape.bench;

import java.util.Map;
import java.util.concurrent.TimeUnit;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Session;
import loesscape.core.evaluation.State;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.Warmup;

/** One changed answer that 20 fields follow, against evaluating all of the document. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
public class OneAnswer {

    @Param({"100", "1000", "5000"})
    private int items;

    private CompiledTemplate compiled;
    private Answers answers;
    private Session session;
    private int turn;

    @Setup
    public void compile() {
        compiled = CompiledTemplate.compile(Permit.followers(items));
        answers = Permit.answers(items);
        session = compiled.session(answers, Context.UNDATED);
    }

    @Benchmark
    public State all() {
        return compiled.evaluate(answers);
    }

    @Benchmark
    public Map<String, NodeState> one() {
        return session.answer("f0", (turn++ & 1) == 0 ? "5" : "50");
    }
}
