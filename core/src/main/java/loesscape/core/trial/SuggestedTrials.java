package loesscape.core.trial;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.Example;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Clause;
import loesscape.core.model.Node;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.trial.TrialCoverage.TriedClause;
import loesscape.core.trial.TrialCoverage.TriedEdge;
import org.jspecify.annotations.Nullable;

/**
 * Suggests trials for what those of a template have not tried: every clause alone deciding, met and not met, and every edge
 * exactly ({@link TrialCoverage}). As much as goes together is tried in one; what is possible for no answers is left out. Each
 * expects what comes of it now, for its author to look at.
 */
public final class SuggestedTrials {

    /** How many questions are asked at most, so that a large template is not waited for. */
    private static final int MOST_QUESTIONS = 1_500;

    private final EveryFilling every;
    private final CompiledTemplate compiled;
    private final List<String> impossible = new ArrayList<>();
    private int questions;

    private SuggestedTrials(EveryFilling every) {
        this.every = every;
        this.compiled = every.compiled();
    }

    /**
     * Something that is to be tried.
     *
     * @param claims what has to be so for that at the same time
     */
    private record Goal(String words, List<Claim> claims) {}

    /**
     * A trial that is suggested.
     *
     * @param trial with what comes of it now
     * @param tries what it tries that no other has tried, in words
     */
    public record SuggestedTrial(Trial trial, List<String> tries) {
        public SuggestedTrial {
            tries = List.copyOf(tries);
        }
    }

    /**
     * What is suggested.
     *
     * @param trials beside those that there are
     * @param impossible what no answers can try, in words, such as that something required in the same case as it is shown is
     *     shown and not required
     * @param isWhole whether all that can be tried is tried with these; otherwise there are more than a template takes, or than
     *     are looked for at once
     */
    public record Suggestions(List<SuggestedTrial> trials, List<String> impossible, boolean isWhole) {
        public Suggestions {
            trials = List.copyOf(trials);
            impossible = List.copyOf(impossible);
        }
    }

    /**
     * Trials beside those that there are.
     *
     * @param today the day for those that name none
     */
    public static Suggestions of(EveryFilling every, LocalDate today) {
        return new SuggestedTrials(every).trials(TrialCoverage.of(every.compiled(), today));
    }

    private Suggestions trials(TrialCoverage coverage) {
        List<Goal> open = goals(coverage);
        List<SuggestedTrial> suggested = new ArrayList<>();
        Template named = compiled.template();
        while (!open.isEmpty() && questions < MOST_QUESTIONS && named.trials().size() < Trial.MOST) {
            List<String> tries = new ArrayList<>();
            Example example = tried(open, tries);
            if (example == null) {
                continue;
            }
            Answers answers = new Answers(example.answers());
            String name = TrialRecording.name(CompiledTemplate.ofValid(named), answers, example.context());
            Trial trial = TrialRecording.of(name, compiled, answers, example.context());
            suggested.add(new SuggestedTrial(trial, tries));
            named = Editing.apply(named, new Edit.PutTrials(List.of(trial)));
        }
        return new Suggestions(suggested, impossible, open.isEmpty());
    }

    /** Takes the first goal, and all others that can be tried with it; null where nobody can try the first. */
    private @Nullable Example tried(List<Goal> open, List<String> tries) {
        Goal begun = open.removeFirst();
        List<Claim> together = new ArrayList<>(begun.claims());
        Decision decision = ask(together);
        if (!(decision instanceof Decision.Possible(var first))) {
            if (decision instanceof Decision.Impossible) {
                impossible.add(begun.words());
            }
            return null;
        }
        Example example = first;
        tries.add(begun.words());
        for (Goal goal : List.copyOf(open)) {
            List<Claim> more = new ArrayList<>(together);
            more.addAll(goal.claims());
            if (every.areSo(goal.claims(), example)) {
                open.remove(goal);
                tries.add(goal.words());
                together = more;
            } else if (questions < MOST_QUESTIONS && ask(more) instanceof Decision.Possible(var larger)) {
                open.remove(goal);
                tries.add(goal.words());
                together = more;
                example = larger;
            }
        }
        return example;
    }

    private Decision ask(List<Claim> claims) {
        questions++;
        return every.decide(claims);
    }

    private List<Goal> goals(TrialCoverage coverage) {
        List<Goal> goals = new ArrayList<>();
        List<StandingClause> clauses = StandingClause.of(compiled.prepared());
        for (int i = 0; i < clauses.size(); i++) {
            StandingClause clause = clauses.get(i);
            TriedClause tried = coverage.clauses().get(i);
            if (!tried.decidesMet()) {
                goals.add(deciding(clause, tried.clause(), true));
            }
            if (!tried.decidesNotMet()) {
                goals.add(deciding(clause, tried.clause(), false));
            }
        }
        for (TriedEdge edge : coverage.edges()) {
            if (!edge.isTried()) {
                goals.add(new Goal(
                        "%s exactly %s".formatted(name(edge.field()), edge.edge()),
                        List.of(new Claim.Meets(
                                new Clause.Comparison(
                                        edge.field(), Clause.Comparison.OrderTest.EQUAL, edge.operand(), null),
                                compiled.symbols().rowsAround(edge.field()),
                                true))));
            }
        }
        return goals;
    }

    private Goal deciding(StandingClause clause, String words, boolean met) {
        List<Claim> claims = new ArrayList<>();
        if (!clause.key().isEmpty()) {
            claims.add(
                    clause.what().equals("shown")
                            ? new Claim.Stands(clause.key())
                            : new Claim.Shows(clause.key(), true));
        }
        claims.add(new Claim.Meets(clause.leaf(), clause.within(), met));
        claims.add(new Claim.Differ(clause.ifMet(), clause.ifNotMet(), clause.within()));
        String about = clause.key().isEmpty() ? clause.what() : "%s, %s".formatted(name(clause.key()), clause.what());
        return new Goal("%s: “%s” %s decides".formatted(about, words, met ? "met" : "not met"), claims);
    }

    private String name(String key) {
        Node node = compiled.node(key);
        return node == null ? key : node.name();
    }
}
