package loesscape.core.analysis;

import java.util.List;
import loesscape.core.analysis.proof.Example;

/**
 * What another version of a template does otherwise for those who fill it in. Of what is not named, all is the same for all
 * answers that both versions accept.
 *
 * @param added pages, sections, items and roles that only the later version has, in its order
 * @param removed those that only the earlier one has, in its order
 * @param changed what stands otherwise for some answers
 * @param rewritten what is said or asked otherwise, whatever is answered
 * @param open of what it cannot be said whether it is the same
 */
public record VersionDifference(
        List<OnlyInOne> added,
        List<OnlyInOne> removed,
        List<Changed> changed,
        List<Rewritten> rewritten,
        List<Undecided> open) {

    public VersionDifference {
        added = List.copyOf(added);
        removed = List.copyOf(removed);
        changed = List.copyOf(changed);
        rewritten = List.copyOf(rewritten);
        open = List.copyOf(open);
    }

    /** Whether nobody who fills it in notices anything. */
    public boolean isNothing() {
        return added.isEmpty() && removed.isEmpty() && changed.isEmpty() && rewritten.isEmpty() && open.isEmpty();
    }

    /** A page, section, item or role. */
    public record OnlyInOne(String key, String name) {}

    /**
     * Something that stands otherwise for some answers.
     *
     * @param key in the later version; empty for the document as a whole
     * @param name what its author calls it
     * @param what is otherwise: shown, required, look, …
     * @param example answers for which it is, which were tried in both
     * @param answers the same in words
     * @param before how it stands for them in the earlier version, in words
     * @param after how it stands for them in the later one, in words
     */
    public record Changed(
            String key, String name, String what, Example example, String answers, String before, String after) {}

    /**
     * Something that is written otherwise.
     *
     * @param what is written otherwise: label, text, choices, …
     * @param before in words; empty where it is too much to be told
     * @param after in words; empty where it is too much to be told
     */
    public record Rewritten(String key, String name, String what, String before, String after) {}

    /**
     * Something of which it cannot be said whether it is the same.
     *
     * @param because the rules that are out of reach, in words
     */
    public record Undecided(String key, String name, String what, List<String> because) {

        public Undecided {
            because = List.copyOf(because);
        }
    }
}
