package loesscape.core.evaluation;

import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;

/** What a typed answer means to a field. */
public sealed interface Reading {

    /** The value a condition sees: the value read, or blank where none could be. */
    Value value();

    /** The typed answer is a value of the field's kind, or blank. */
    record Read(Value value) implements Reading {}

    /** The typed answer is no value of the field's kind; {@code message} says how to write one. It counts as blank. */
    record Unreadable(String message) implements Reading {

        @Override
        public Value value() {
            return Value.blank();
        }
    }

    /** Reads a typed answer as the given kind. */
    static Reading of(FieldKind kind, String typed) {
        if (typed.isBlank()) {
            return new Read(Value.blank());
        }
        return switch (kind) {
            case FieldKind.Text ignored -> new Read(Value.Text.of(typed));
            case FieldKind.LongText ignored -> new Read(Value.Text.of(typed));
            case FieldKind.Email() -> new Read(Value.Text.of(typed));
            case FieldKind.Phone ignored -> new Read(Value.Text.of(typed));
            case FieldKind.WebAddress() -> new Read(Value.Text.of(typed));
            case FieldKind.Number ignored -> NumberReading.of(typed);
            case FieldKind.Money ignored -> NumberReading.of(typed);
            case FieldKind.Date ignored -> DateReading.of(typed);
            case FieldKind.YesNo() -> yesNo(typed);
            case FieldKind.OneChoice one ->
                one.choices().stream().anyMatch(choice -> choice.id().equals(typed))
                        ? new Read(new Value.Chosen(typed))
                        : new Unreadable("This choice is not offered; choose another.");
        };
    }

    private static Reading yesNo(String typed) {
        return switch (typed) {
            case FieldKind.YesNo.YES -> new Read(new Value.YesNo(true));
            case FieldKind.YesNo.NO -> new Read(new Value.YesNo(false));
            default -> new Unreadable("Answer yes or no.");
        };
    }
}
