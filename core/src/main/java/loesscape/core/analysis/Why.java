package loesscape.core.analysis;

import java.util.List;
import loesscape.core.model.Aspect;

/**
 * Why a node stands as it does.
 *
 * @param reasons one for each condition, formula and list of choices of the node, in the order of its file
 * @param foldedIn the names of the page and sections it stands in that are folded themselves, the outermost first
 * @param ways the smallest changes of answers that would open what is folded, locked or closed now
 */
public record Why(List<Reason> reasons, List<String> foldedIn, List<Way> ways) {

    /**
     * What one thing about a node rests on.
     *
     * @param what the thing, in words: shown, required, look, checks, value, …
     * @param says the condition or formula with what it saw
     */
    public record Reason(String what, Explained says) {}

    /**
     * A condition or formula with what it saw.
     *
     * @param text in words
     * @param holds whether it holds now; of a formula, whether it gives anything
     * @param seen what stood in the fields it looks at itself
     * @param parts what it is joined of; empty for a single clause
     * @param blank which part of a formula gives nothing, in a sentence; empty where it gives something
     */
    public record Explained(String text, boolean holds, List<SeenAnswer> seen, List<Explained> parts, String blank) {

        Explained(String text, boolean holds, List<SeenAnswer> seen, List<Explained> parts) {
            this(text, holds, seen, parts, "");
        }
    }

    /**
     * What a clause saw.
     *
     * @param key of the field or repeating section
     * @param name what its author calls it
     * @param value what stands there, in words; empty for blank
     * @param counts whether it counts; what is folded does not
     */
    public record SeenAnswer(String key, String name, String value, boolean counts) {}

    /**
     * Changes of answers that together open something.
     *
     * @param opens what is opened: shown, editable or open
     * @param changes one after the other; as few as do
     */
    public record Way(Aspect opens, List<AnswerChange> changes) {}

    /**
     * One changed answer.
     *
     * @param address of the field
     * @param typed what is to be typed there; empty for taking the answer away
     * @param words in words, such as "Purpose is Irrigation"
     */
    public record AnswerChange(String address, String typed, String words) {}
}
