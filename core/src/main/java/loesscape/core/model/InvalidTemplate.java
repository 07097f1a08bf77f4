package loesscape.core.model;

import java.util.List;
import java.util.stream.Collectors;

/** A template that breaks its own rules; the message names the first problems. */
public final class InvalidTemplate extends RuntimeException {

    private static final int NAMED = 3;

    private final transient List<Problem> problems;

    public InvalidTemplate(List<Problem> problems) {
        super(problems.stream()
                .limit(NAMED)
                .map(problem -> problem.path() + ": " + problem.message())
                .collect(Collectors.joining("\n")));
        this.problems = List.copyOf(problems);
    }

    /** Everything that is wrong, at least one. */
    public List<Problem> problems() {
        return problems;
    }
}
