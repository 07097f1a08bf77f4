package loesscape.core.analysis.proof;

import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.wording.Sentences;

/** What rules that are out of reach are called. */
final class RuleWords {

    private final PreparedTemplate prepared;

    RuleWords(PreparedTemplate prepared) {
        this.prepared = prepared;
    }

    String of(OutOfReach rule) {
        return switch (rule) {
            case OutOfReach.Rule(var condition) -> of(condition);
            case OutOfReach.Cells(var key) -> "what is offered for “%s”".formatted(name(key));
            case OutOfReach.Amount(var key) -> "the amount to be paid for “%s”".formatted(name(key));
            case OutOfReach.WorkedOut(var key) -> "the value worked out for “%s”".formatted(name(key));
        };
    }

    /** Whether a rule can be a rule of this template: all that it names is there. */
    boolean knows(OutOfReach rule) {
        return !(rule instanceof OutOfReach.Rule(var condition))
                || prepared.symbols().sources(condition).stream()
                        .allMatch(key -> prepared.symbols().field(key) != null
                                || prepared.symbols().repeating(key) != null);
    }

    private String of(Condition condition) {
        StringBuilder words = new StringBuilder();
        new Sentences(prepared).of(condition).forEach(part -> words.append(part.text()));
        return words.toString();
    }

    private String name(String key) {
        Field field = prepared.symbols().field(key);
        return field == null ? key : field.name();
    }
}
