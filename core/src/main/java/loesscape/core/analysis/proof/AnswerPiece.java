package loesscape.core.analysis.proof;

import java.util.List;
import loesscape.core.model.Condition;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * A part of all the answers to a field, of which its document tells no two apart.
 *
 * @param shape what kind of part it is
 * @param words what an author calls it: between 30 and 100 m
 * @param condition met by these answers and no others; of several choices, by those that have this one among them
 * @param typed one of these answers as it would be typed; empty for blank
 * @param others further ones, such as the first and the last
 * @param isWhole whether these are all of them, or the first and the last are among them
 * @param low its lower edge, which belongs to it where it is exactly that; null for none
 * @param high its upper edge, which belongs to it where it is exactly that; null for none
 */
public record AnswerPiece(
        PieceShape shape,
        String words,
        Condition condition,
        String typed,
        List<String> others,
        boolean isWhole,
        @Nullable Value low,
        @Nullable Value high) {

    /** Kinds of parts. */
    public enum PieceShape {
        BLANK,
        /** One answer, at which something changes or may change. */
        EXACTLY,
        /** What lies between two edges, below the lowest or above the highest. */
        BETWEEN,
        /** A choice, or a cell of a list; several where nothing tells these apart. */
        CHOICE,
        /** Cells of a list that are none of those told apart. */
        OTHERS,
        /** Answers for which one stands. */
        LIKE,
        /** What the field does not take. */
        REFUSED
    }

    public AnswerPiece {
        others = List.copyOf(others);
    }

    /** Whether these answers are an answer that the field takes. */
    public boolean isAnswered() {
        return switch (shape) {
            case BLANK, REFUSED -> false;
            case EXACTLY, BETWEEN, CHOICE, OTHERS, LIKE -> true;
        };
    }
}
