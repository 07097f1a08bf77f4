package loesscape.core.model;

import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * A named set of answers to try the document with, and what is to come of them.
 *
 * @param name what its author calls it; unique among the trials of a template
 * @param answers as they would be typed, by address
 * @param stage where the document stands on its way
 * @param role the key of the role that is acting; empty for nobody in particular
 * @param day on which it is looked at; null where it does not matter, and then it is the day on which it is tried
 * @param expected what is to be so then; none where the answers are only kept
 */
public record Trial(
        String name,
        Map<String, String> answers,
        @MayBeLeftOut Stage stage,
        @MayBeLeftOut String role,
        @Nullable LocalDate day,
        @MayBeLeftOut List<Expectation> expected) {

    /** So many trials a template has at most. */
    public static final int MOST = 500;

    public Trial {
        answers = Collections.unmodifiableMap(new TreeMap<>(answers));
        expected = List.copyOf(expected);
    }

    /** Answers of which nothing is expected. */
    public static Trial of(String name, Map<String, String> answers) {
        return new Trial(name, answers, Stage.FILLING, "", null, List.of());
    }

    /** The same trial of which something else is expected. */
    public Trial expecting(List<Expectation> others) {
        return new Trial(name, answers, stage, role, day, others);
    }
}
