package loesscape.core.analysis.proof;

import java.util.List;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Answers to one field that no rule tells apart, with one of them to stand for all.
 *
 * @param typed what would be typed for it; empty for blank
 * @param value what is read from it; null where nobody knows an answer that lies in it, which is so of texts only
 * @param position where it lies among the edges of its field: even between two of them, odd at one; below 0 for what has
 *     no order
 * @param others further answers that lie in it, for where two fields are compared
 */
public record Region(String typed, @Nullable Value value, int position, List<String> others) {

    public Region {
        others = List.copyOf(others);
    }

    /** No answer. */
    static final Region BLANK = new Region("", Value.blank(), -1, List.of());

    /** Texts of which nothing is known but that they are none of the others. */
    static final Region UNKNOWN = new Region("", null, -1, List.of());

    static Region of(String typed, Value value) {
        return new Region(typed, value, -1, List.of());
    }

    /** Whether there is no answer. */
    public boolean isBlank() {
        return value != null && value.isBlank();
    }

    /** Whether it is one answer alone: an edge, or what lies between two that are neighbours but for it. */
    public boolean isSingle() {
        return position >= 0 && others.isEmpty();
    }

    /** Whether it lies exactly at an edge. */
    boolean isEdge() {
        return position >= 0 && position % 2 == 1;
    }
}
