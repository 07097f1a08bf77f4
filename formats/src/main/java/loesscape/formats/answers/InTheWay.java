package loesscape.formats.answers;

import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Field;
import loesscape.core.model.SymbolTable;

/** What is in the way of a finished document, as those are told who see neither its fields nor their places. */
public final class InTheWay {

    private InTheWay() {}

    /** An obstacle with the question it is about, its row and what stands there. */
    public static String told(SymbolTable symbols, State.Obstacle obstacle, Answers answers) {
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
