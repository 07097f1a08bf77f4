package loesscape.bench;

import java.util.concurrent.TimeUnit;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Decisions;
import loesscape.core.model.Template;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Warmup;

/** Making 200 fields and 300 conditions ready: checked and compiled, and with generated code besides. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
public class Compiling {

    private final Template template = Permit.template();

    @Benchmark
    public CompiledTemplate compiled() {
        return CompiledTemplate.compile(template);
    }

    @Benchmark
    public Decisions withGeneratedCode() {
        return Decisions.of(CompiledTemplate.compile(template), Context.UNDATED).orElseThrow();
    }
}
