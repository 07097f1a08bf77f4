package loesscape.core.wording;

import java.util.List;
import java.util.stream.Collectors;
import loesscape.core.model.Aspect;

/**
 * One sentence of the margin.
 *
 * @param aspects the aspects whose condition this sentence tells; all driven by the same condition. Empty where the
 *     sentence tells something else, such as limits or bands
 * @param parts the sentence, piece by piece, white space included
 */
public record Sentence(List<Aspect> aspects, List<Part> parts) {

    public Sentence {
        aspects = List.copyOf(aspects);
        parts = List.copyOf(parts);
    }

    /** The sentence as plain text. */
    public String text() {
        return parts.stream().map(Part::text).collect(Collectors.joining());
    }
}
