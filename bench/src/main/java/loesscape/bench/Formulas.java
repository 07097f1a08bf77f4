package loesscape.bench;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.LogicFindings;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.State;
import loesscape.core.model.Aspect;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand.NumberOperand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Item;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.reach.Reach;
import loesscape.core.reach.ReachTable;
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

/**
 * A document that works much out: in each of forty sections a fee of a depth by whether it is urgent, a duration of two days, an
 * area of two lengths, and five conditions on these. What holds for every filling of it, anew and after an edit, and the table of
 * what one answer reaches.
 */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 3, time = 3)
@Fork(1)
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
public class Formulas {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);
    private static final int SECTIONS = 40;

    private final CompiledTemplate compiled = CompiledTemplate.compile(template());

    private static Template template() {
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < SECTIONS; i++) {
            sections.add(Section.of("s" + i, "Section " + i, items(i)));
        }
        return Template.of("Worked out", List.of(new Page("p", "", null, sections)));
    }

    private static List<Item> items(int i) {
        return List.of(
                number("depth" + i, 400),
                Field.of("urgent" + i, "Urgent", new FieldKind.YesNo()),
                worked(
                        "fee" + i,
                        "if urgent%1$d = true then 200 + 3 * depth%1$d else 100 + 2 * depth%1$d".formatted(i)),
                Field.of("begun" + i, "Begun", new FieldKind.Date(null, null)),
                Field.of("ended" + i, "Ended", new FieldKind.Date(null, null)),
                number("width" + i, 100),
                number("length" + i, 100),
                note("a" + i, new Condition.Written("fee%d > 700".formatted(i))),
                note("b" + i, new Condition.Written("ended%1$d - begun%1$d > @\"P30D\"".formatted(i))),
                note("c" + i, new Condition.Written("ended%1$d - begun%1$d > @\"P60D\"".formatted(i))),
                note("d" + i, new Condition.Written("width%1$d * length%1$d > 500".formatted(i))),
                note("e" + i, new Clause.Comparison("depth" + i, OrderTest.MORE, at(200), null)));
    }

    private static NumberOperand at(int number) {
        return new NumberOperand(BigDecimal.valueOf(number));
    }

    private static Field number(String key, int most) {
        return Field.of(
                key,
                key,
                new FieldKind.Number(
                        0, "m", new Bound(BigDecimal.ZERO, true), new Bound(BigDecimal.valueOf(most), true)));
    }

    private static Field worked(String key, String formula) {
        return Field.of(key, key, new FieldKind.Number(0, "", null, null))
                .withValue(new FieldValue.WorkedOut(formula, false));
    }

    private static Field note(String key, Condition shown) {
        return Field.of(key, key, new FieldKind.Text("", 0)).withShown(shown);
    }

    @Benchmark
    public State oneEvaluation() {
        return compiled.evaluate(Answers.NONE);
    }

    @Benchmark
    public List<Finding> allFindings() {
        return LogicFindings.of(EveryFilling.of(compiled, TODAY));
    }

    /** What an edit costs: a state of its own, for nothing else is to be edited before each call. */
    @org.openjdk.jmh.annotations.State(Scope.Benchmark)
    public static class OneMoreEdit {

        private Template edited = template();
        private CompiledTemplate compiled = CompiledTemplate.compile(edited);
        private EveryFilling every = EveryFilling.of(compiled, TODAY);
        private int edits;

        @Setup
        public void everythingIsFound() {
            LogicFindings.of(every);
        }

        /** Of another section each time. */
        @Setup(Level.Invocation)
        public void oneMoreEdit() {
            edits++;
            edited = Editing.apply(
                    edited,
                    new Edit.SetCondition(
                            List.of("e" + edits * 7 % SECTIONS),
                            List.of(Aspect.SHOWN),
                            new Clause.Comparison(
                                    "depth" + edits * 7 % SECTIONS, OrderTest.MORE, at(1 + edits * 13 % 390), null)));
            compiled = CompiledTemplate.compile(edited);
        }
    }

    /** All findings after one more edit, where those before it are known. */
    @Benchmark
    public List<Finding> afterAnEdit(OneMoreEdit edit) {
        edit.every = edit.every.next(edit.compiled, TODAY);
        return LogicFindings.of(edit.every);
    }

    @Benchmark
    public ReachTable reachHeld() {
        return Reach.of(compiled, "depth7", List.of(), Set.of(), TODAY).held(Answers.NONE, Context.filling(TODAY));
    }

    @Benchmark
    public ReachTable reachForAll() {
        return Reach.of(compiled, "depth7", List.of(), Set.of(), TODAY).forAll();
    }

    @Benchmark
    public EveryFilling madeReady() {
        return EveryFilling.of(compiled, TODAY);
    }
}
