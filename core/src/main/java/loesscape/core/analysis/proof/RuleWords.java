package loesscape.core.analysis.proof;

import java.util.List;
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
            case OutOfReach.Rule(var condition) -> of(condition) + hint(condition);
            case OutOfReach.Cells(var key) -> "what is offered for “%s”".formatted(name(key));
            case OutOfReach.Amount(var key) -> "the amount to be paid for “%s”".formatted(name(key));
            case OutOfReach.WorkedOut(var key) -> "the value worked out for “%s”".formatted(name(key)) + hint(key);
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

    private String hint(Condition condition) {
        FormulaRule.Met rule = condition instanceof Condition.Leaf leaf ? FormulaRule.of(leaf) : null;
        return rule == null ? "" : hint(rule);
    }

    private String hint(String key) {
        return FormulaRule.workedOut(prepared).stream()
                .filter(rule -> rule.field().key().equals(key))
                .findFirst()
                .map(this::hint)
                .orElse("");
    }

    /** What would have to be known of two numbers for a rule to be decided. */
    private String hint(FormulaRule rule) {
        List<Field> fields = TwoFields.limitsWanted(rule, prepared.symbols());
        return fields.isEmpty()
                ? ""
                : " (which is decided where %s)"
                        .formatted(
                                fields.size() == 1
                                        ? "“%s” has limits"
                                                .formatted(fields.getFirst().name())
                                        : "“%s” and “%s” have limits"
                                                .formatted(
                                                        fields.getFirst().name(),
                                                        fields.getLast().name()));
    }

    private String name(String key) {
        Field field = prepared.symbols().field(key);
        return field == null ? key : field.name();
    }
}
