package loesscape.core.trial;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Comparing;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Trial;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import loesscape.core.wording.Part;
import loesscape.core.wording.Sentences;

/**
 * What of a template's logic its trials have tried: every clause met and not met, every clause alone deciding whether its
 * condition is met, both ways (modified condition/decision coverage, ISO/IEC/IEEE 29119-4, where a clause decides if the
 * condition would come out otherwise without any other change), and every edge exactly.
 *
 * @param clauses in document order
 * @param edges by field
 */
public record TrialCoverage(List<TriedClause> clauses, List<TriedEdge> edges) {

    public TrialCoverage {
        clauses = List.copyOf(clauses);
        edges = List.copyOf(edges);
    }

    /**
     * A clause, and how it was tried.
     *
     * @param key of the node that it is about; empty for what belongs to none
     * @param what the decision is about: shown, required, look, …
     * @param clause in words
     * @param isMet whether it was met in a trial
     * @param isNotMet whether it was not met in a trial
     * @param decidesMet whether it decided in a trial in which it was met
     * @param decidesNotMet whether it decided in a trial in which it was not met
     */
    public record TriedClause(
            String key,
            String what,
            String clause,
            boolean isMet,
            boolean isNotMet,
            boolean decidesMet,
            boolean decidesNotMet) {

        /** Whether it was met in one trial and not in another. */
        public boolean isTriedBothWays() {
            return isMet && isNotMet;
        }

        /** Whether it alone decided, both ways. */
        public boolean isDeciding() {
            return decidesMet && decidesNotMet;
        }
    }

    /**
     * A constant that a field is compared with.
     *
     * @param field the key of the field
     * @param operand as conditions name it
     * @param edge in words
     * @param isTried whether exactly this was answered in a trial
     */
    public record TriedEdge(String field, Operand operand, String edge, boolean isTried) {}

    /** How many clauses were tried both ways. */
    public long bothWays() {
        return clauses.stream().filter(TriedClause::isTriedBothWays).count();
    }

    /** How many clauses alone decided, both ways. */
    public long deciding() {
        return clauses.stream().filter(TriedClause::isDeciding).count();
    }

    /** How many edges were tried exactly. */
    public long exactly() {
        return edges.stream().filter(TriedEdge::isTried).count();
    }

    /**
     * What the trials of a template have tried of it.
     *
     * @param today the day for those that name none
     */
    public static TrialCoverage of(CompiledTemplate compiled, LocalDate today) {
        List<Standing> standings = new ArrayList<>();
        for (Trial trial : compiled.template().trials()) {
            LocalDate day = trial.day() == null ? today : trial.day();
            standings.add(
                    compiled.standing(new Answers(trial.answers()), new Context(day, trial.stage(), trial.role())));
        }
        Sentences sentences = new Sentences(compiled.prepared());
        List<StandingClause> all = StandingClause.of(compiled.prepared());
        return new TrialCoverage(
                all.stream()
                        .map(clause -> tried(clause, compiled, standings, sentences))
                        .toList(),
                edges(all, compiled, standings));
    }

    private static TriedClause tried(
            StandingClause clause, CompiledTemplate compiled, List<Standing> standings, Sentences sentences) {
        boolean isMet = false;
        boolean isNotMet = false;
        boolean decidesMet = false;
        boolean decidesNotMet = false;
        for (Standing standing : standings) {
            for (String row : rows(clause, standing)) {
                if (!isAsked(clause, row, compiled, standing)) {
                    continue;
                }
                boolean holds = standing.holds(clause.leaf(), clause.within(), row);
                boolean decides = standing.holds(clause.ifMet(), clause.within(), row)
                        != standing.holds(clause.ifNotMet(), clause.within(), row);
                isMet |= holds;
                isNotMet |= !holds;
                decidesMet |= holds && decides;
                decidesNotMet |= !holds && decides;
            }
        }
        return new TriedClause(
                clause.key(),
                clause.what(),
                words(clause.leaf(), sentences),
                isMet,
                isNotMet,
                decidesMet,
                decidesNotMet);
    }

    /** The rows in which a clause is asked; one without a name for outside of rows. */
    private static List<String> rows(StandingClause clause, Standing standing) {
        return clause.within() == null ? List.of("") : standing.rows(clause.within());
    }

    /** Whether it matters at all: what holds the node is shown, and for all but that, the node too. */
    private static boolean isAsked(StandingClause clause, String row, CompiledTemplate compiled, Standing standing) {
        if (clause.key().isEmpty()) {
            return true;
        }
        String about = clause.what().equals("shown") ? compiled.holder(clause.key()) : clause.key();
        if (about.isEmpty()) {
            return true;
        }
        NodeState state = standing.state()
                .nodes()
                .get(compiled.symbols().rowsAround(about) == null ? about : RowNames.address(about, row));
        return state != null && state.shown();
    }

    private static String words(Condition.Leaf leaf, Sentences sentences) {
        StringBuilder words = new StringBuilder();
        for (Part part : sentences.of(leaf)) {
            words.append(part.text());
        }
        return words.toString();
    }

    private record Edge(String field, Operand operand, Value value) {}

    private static List<TriedEdge> edges(
            List<StandingClause> clauses, CompiledTemplate compiled, List<Standing> standings) {
        Set<Edge> edges = new LinkedHashSet<>();
        for (StandingClause clause : clauses) {
            if (clause.leaf() instanceof Clause one && one instanceof Comparing comparing) {
                comparing.operands().forEach(operand -> edge(one.field(), operand, edges));
            }
        }
        List<TriedEdge> tried = new ArrayList<>();
        for (Edge edge : edges) {
            Field field = compiled.symbols().field(edge.field());
            if (field != null) {
                boolean isTried = standings.stream()
                        .flatMap(standing -> standing.state().answers(edge.field()).stream())
                        .anyMatch(value -> isSame(value, edge.value()));
                tried.add(new TriedEdge(edge.field(), edge.operand(), Display.of(field.kind(), edge.value()), isTried));
            }
        }
        return tried;
    }

    private static void edge(String field, Operand operand, Set<Edge> edges) {
        switch (operand) {
            case Operand.NumberOperand(var number) ->
                edges.add(new Edge(
                        field,
                        new Operand.NumberOperand(number.stripTrailingZeros()),
                        new Value.Number(number.stripTrailingZeros())));
            case Operand.DateOperand(var date) -> edges.add(new Edge(field, operand, new Value.Date(date)));
            case Operand.TimeOperand(var time) -> edges.add(new Edge(field, operand, new Value.Time(time)));
            case Operand.TodayOperand ignored -> {
                // It is another edge every day.
            }
            case Operand.FieldOperand ignored -> {
                // The other side is an answer, and no edge.
            }
            case Operand.FormulaOperand ignored -> {
                // Nor is what a formula gives.
            }
        }
    }

    private static boolean isSame(Value answer, Value edge) {
        if (answer instanceof Value.Number(var one) && edge instanceof Value.Number(var other)) {
            return one.compareTo(other) == 0;
        }
        return answer.equals(edge);
    }
}
