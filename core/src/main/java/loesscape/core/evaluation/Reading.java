package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.model.AnswerType;
import loesscape.core.model.Choice;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;
import loesscape.core.model.WhiteSpace;

/** What a typed answer means to a field. */
public sealed interface Reading {

    /** The value a condition sees: the value read, or blank where none could be. */
    Value value();

    /** The typed answer is a value of the field's kind, or blank. */
    record Read(Value value) implements Reading {

        /** Nothing was typed. */
        static final Read NOTHING = new Read(Value.blank());
    }

    /** The typed answer is no value of the field's kind; {@code message} says how to write one. It counts as blank. */
    record Unreadable(String message) implements Reading {

        @Override
        public Value value() {
            return Value.blank();
        }
    }

    /** What begins an answer in the filler's own words; behind it stand the words. */
    String OTHER = "=";

    /** The message for a choice that cannot be made. */
    String NOT_OFFERED = "This choice is not offered; choose another.";

    /**
     * Reads a typed answer as the given kind: one choice by its identity, several by theirs with commas between, an
     * answer in own words as = and the words (last of several), a time as 14:30, each file on a line of its own as where
     * it is kept, its bytes and its name, a payment as its amount and reference.
     *
     * @param offered what can be chosen; of no meaning for other kinds
     */
    static Reading of(FieldKind kind, String given, Offered offered) {
        return reader(kind).read(given, offered);
    }

    /** How answers of one kind are read. */
    interface Reader {
        Reading read(String typed, Offered offered);
    }

    /** How the answers of a kind are read, picked once for what is read again and again. */
    static Reader reader(FieldKind kind) {
        Reader words = switch (kind) {
            case FieldKind.OneChoice it -> (typed, offered) -> one(it, typed, offered);
            case FieldKind.SeveralChoices it -> (typed, offered) -> several(it, typed, offered);
            case FieldKind.Lookup ignored -> Reading::cell;
            case FieldKind.Payment ignored -> (typed, offered) -> payment(typed);
            case FieldKind.SelfContained it -> alone(it.answer());
        };
        Reader stripped = (given, offered) -> {
            String typed = WhiteSpace.stripped(given);
            return typed.isEmpty() ? Read.NOTHING : words.read(typed, offered);
        };
        return kind.answer() == AnswerType.NUMBER ? number(stripped) : stripped;
    }

    /** Numbers are mostly written in the plainest way, which needs no second look. */
    private static Reader number(Reader other) {
        return (given, offered) -> {
            Reading plain = NumberReading.plain(given);
            return plain == null ? other.read(given, offered) : plain;
        };
    }

    private static Reader alone(AnswerType answer) {
        return switch (answer) {
            case TEXT -> (typed, offered) -> new Read(Value.Text.of(typed));
            case NUMBER -> (typed, offered) -> NumberReading.of(typed);
            case DAY -> (typed, offered) -> DateReading.of(typed);
            case TIME -> (typed, offered) -> TimeReading.of(typed);
            case YES_NO -> (typed, offered) -> yesNo(typed);
            case SIGNATURE -> (typed, offered) -> new Read(new Value.Signed(typed));
            case FILES -> (typed, offered) -> files(typed);
            case CHOICE, CHOICES, PAYMENT -> throw new IllegalStateException("Not read alone: " + answer);
        };
    }

    private static Reading cell(String typed, Offered offered) {
        return offered.contains(typed)
                ? new Read(new Value.Chosen(typed))
                : offered.isEmpty() ? Read.NOTHING : new Unreadable(NOT_OFFERED);
    }

    /** Reads a typed answer of a kind without choices. */
    static Reading of(FieldKind kind, String typed) {
        return of(kind, typed, Offered.NOTHING);
    }

    /** Whether the limits of a kind accept a value of it; blank they do. */
    public static boolean isAccepted(FieldKind kind, Value value) {
        return Checks.of(kind).problem(value) == null;
    }

    /** Reads an answer that was given when it was offered, whether or not it still is. */
    static Reading settled(FieldKind kind, String typed) {
        return of(
                kind,
                typed,
                switch (kind) {
                    case FieldKind.Choosing it ->
                        new Offered(it.offered().stream().map(Choice::id).toList(), false, it.other());
                    case FieldKind.Lookup ignored -> new Offered(List.of(typed), false, false);
                    case FieldKind.Payment ignored -> Offered.NOTHING;
                    case FieldKind.SelfContained ignored -> Offered.NOTHING;
                });
    }

    private static Reading yesNo(String typed) {
        return switch (typed) {
            case FieldKind.YesNo.YES -> new Read(new Value.YesNo(true));
            case FieldKind.YesNo.NO -> new Read(new Value.YesNo(false));
            default -> new Unreadable("Answer yes or no.");
        };
    }

    private static Reading one(FieldKind.OneChoice kind, String typed, Offered offered) {
        if (kind.other() && typed.startsWith(OTHER) && offered.contains(Choice.OTHER)) {
            return Value.Text.of(typed.substring(OTHER.length())) instanceof Value.Text(var words)
                    ? new Read(new Value.Chosen(Choice.OTHER, words))
                    : new Unreadable("Say what else it is.");
        }
        if (offered.isRestricted() && offered.isEmpty() && isAmong(kind, typed)) {
            // Nothing can be chosen any more, so nothing is asked.
            return Read.NOTHING;
        }
        boolean known = offered.contains(typed) && !(kind.other() && typed.equals(Choice.OTHER));
        return known ? new Read(new Value.Chosen(typed)) : new Unreadable(NOT_OFFERED);
    }

    private static boolean isAmong(FieldKind.Choosing kind, String chosen) {
        return (kind.other() && (chosen.equals(Choice.OTHER) || chosen.startsWith(OTHER)))
                || kind.offered().stream().anyMatch(choice -> choice.id().equals(chosen));
    }

    /** Of several choices, those do not count that are not offered as other answers are; the rest do. */
    private static Reading several(FieldKind.SeveralChoices kind, String typed, Offered offered) {
        int other = typed.startsWith(OTHER) ? 0 : typed.indexOf("," + OTHER) + 1;
        boolean hasOther = typed.startsWith(OTHER) || other > 0;
        String named = hasOther ? typed.substring(0, other) : typed;
        Set<String> chosen = new HashSet<>();
        for (String id : named.split(",", -1)) {
            if (!id.isBlank()) {
                chosen.add(id.strip());
            }
        }
        String words = "";
        if (hasOther) {
            if (!(Value.Text.of(typed.substring(other + OTHER.length())) instanceof Value.Text(var text))) {
                return new Unreadable("Say what else it is.");
            }
            words = text;
            chosen.add(Choice.OTHER);
        } else if (chosen.contains(Choice.OTHER) && offered.takesOther()) {
            return new Unreadable("Say what else it is.");
        }
        List<String> ordered = new ArrayList<>();
        for (String id : offered.ids()) {
            if (chosen.remove(id)) {
                ordered.add(id);
            }
        }
        boolean isOutOfDate = offered.isRestricted() && chosen.stream().allMatch(id -> isAmong(kind, id));
        if (!chosen.isEmpty() && !isOutOfDate) {
            return new Unreadable("One of these choices is not offered; choose again.");
        }
        return new Read(
                ordered.isEmpty()
                        ? Value.blank()
                        : new Value.ChosenSet(ordered, ordered.contains(Choice.OTHER) ? words : ""));
    }

    private static Reading files(String typed) {
        List<Value.File> files = new ArrayList<>();
        for (String line : typed.strip().split("\n", -1)) {
            String[] parts = line.strip().split(" ", 3);
            if (parts.length < 3 || !parts[1].matches("\\d{1,9}")) {
                return new Unreadable("This is not a file that was handed in; choose it again.");
            }
            files.add(new Value.File(parts[0], Integer.parseInt(parts[1]), parts[2]));
        }
        return new Read(new Value.Files(files));
    }

    private static Reading payment(String typed) {
        String[] parts = typed.strip().split(" ", 2);
        return parts.length == 2 && parts[0].matches("\\d{1,15}(\\.\\d{1,4})?")
                ? new Read(new Value.Paid(new BigDecimal(parts[0]), parts[1]))
                : new Unreadable("This is not a payment that was made.");
    }
}
