package loesscape.formats.answers;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Field;
import loesscape.core.model.SymbolTable;

/** What is in the way of a finished document, as those are told who see neither its fields nor their places. */
public final class InTheWay {

    private InTheWay() {}

    /** A sentence for all questions that are not answered, and one for each obstacle that is another. */
    public static List<String> told(SymbolTable symbols, List<State.Obstacle> obstacles, Answers answers) {
        List<String> sentences = new ArrayList<>();
        List<String> missing = new ArrayList<>();
        for (State.Obstacle obstacle : obstacles) {
            if (obstacle.message().equals(State.Obstacle.MISSING)) {
                missing.add(question(symbols, obstacle.key()));
            } else {
                sentences.add(told(symbols, obstacle, answers));
            }
        }
        if (!missing.isEmpty()) {
            sentences.addFirst("Not answered yet: %s.".formatted(String.join(", ", missing)));
        }
        return sentences;
    }

    /** An obstacle with the question it is about, its row and what stands there. */
    private static String told(SymbolTable symbols, State.Obstacle obstacle, Answers answers) {
        if (obstacle.key().isEmpty()) {
            return obstacle.message();
        }
        String typed = answers.typed().getOrDefault(obstacle.key(), "");
        return "%s%s: %s"
                .formatted(
                        question(symbols, obstacle.key()),
                        typed.isBlank() ? "" : " (“" + typed + "”)",
                        obstacle.message());
    }

    /** The question at an address, by its label and row. */
    public static String question(SymbolTable symbols, String address) {
        Field field = symbols.field(RowNames.key(address));
        String row = RowNames.row(address).replaceFirst("^r", "");
        return "“%s”%s".formatted(field == null ? address : field.label(), row.isEmpty() ? "" : " in row " + row);
    }
}
