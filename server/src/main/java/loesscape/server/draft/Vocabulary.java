package loesscape.server.draft;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.model.KindFacts;
import loesscape.core.wording.Operator;

/**
 * The verbs a clause can have.
 *
 * @param operators for each kind of field, by its name in JSON, the verbs in the order in which they are offered
 */
public record Vocabulary(Map<String, List<Verb>> operators) {

    /** A verb with its words, and whether a blank meets it where the author does not say otherwise. */
    public record Verb(Operator operator, String words, boolean metWhenBlank) {}

    /** The verbs for every kind of field there is. */
    static Vocabulary all() {
        Map<String, List<Verb>> operators = new LinkedHashMap<>();
        Arrays.stream(KindFacts.values())
                .forEach(facts -> operators.put(
                        facts.key(),
                        Operator.of(facts.starting()).stream()
                                .map(operator ->
                                        new Verb(operator, operator.words(facts.starting()), operator.metWhenBlank()))
                                .toList()));
        return new Vocabulary(operators);
    }
}
