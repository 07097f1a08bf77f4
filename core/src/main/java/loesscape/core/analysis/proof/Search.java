package loesscape.core.analysis.proof;

import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;

/** Looks for answers for which a gate holds, and tells none that were not tried. */
final class Search {

    /** How many examples are tried where what is out of reach decides. */
    private static final int MOST_TRIED = 12;

    private final AnswerVariables variables;
    private final Supplier<Solver> solvers;
    private final Examples examples;
    private final Function<OutOfReach, String> words;

    /**
     * @param words what a rule that is out of reach is called
     */
    Search(AnswerVariables variables, Supplier<Solver> solvers, Function<OutOfReach, String> words) {
        this.variables = variables;
        this.solvers = solvers;
        this.examples = new Examples(variables);
        this.words = words;
    }

    /** Whether a gate can hold, with an example for which what it stands for {@code isSo}. */
    Decision decide(int gate, Predicate<Example> isSo) {
        Question question = new Question(variables, solvers, gate);
        Question.Model model = question.next();
        if (model == null && !question.isOpen()) {
            return new Decision.Impossible();
        }
        for (int tried = 0; model != null && tried < MOST_TRIED; tried++) {
            for (Example example : examples.of(model)) {
                if (isSo.test(example)) {
                    return new Decision.Possible(example);
                }
            }
            model.ruleOut();
            model = question.next();
        }
        List<String> because =
                question.outOfReach().stream().map(words).distinct().toList();
        return new Decision.NotDecided(because.isEmpty() ? List.of("too many conditions that hang together") : because);
    }
}
