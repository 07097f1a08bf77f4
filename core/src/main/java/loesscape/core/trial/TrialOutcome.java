package loesscape.core.trial;

import java.util.List;
import loesscape.core.model.Trial;

/**
 * What came of a trial.
 *
 * @param trial what was tried
 * @param missed what is otherwise than was expected, in the order in which it was expected; empty where all came so
 */
public record TrialOutcome(Trial trial, List<Missed> missed) {

    public TrialOutcome {
        missed = List.copyOf(missed);
    }

    /** Whether all came as it was expected. */
    public boolean isPassed() {
        return missed.isEmpty();
    }

    /**
     * Something that came otherwise.
     *
     * @param address of what it is about; empty for the document as a whole
     * @param about what it is called
     * @param expected in words
     * @param actual in words
     * @param because the sentence that decides it; empty where none does
     */
    public record Missed(String address, String about, String expected, String actual, String because) {}
}
