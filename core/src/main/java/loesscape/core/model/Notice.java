package loesscape.core.model;

import java.util.List;
import loesscape.core.prose.Prose;
import org.jspecify.annotations.Nullable;

/**
 * A text for the reader.
 *
 * @param key unique in the template
 * @param text written as {@link loesscape.core.prose.Prose} says
 * @param phrases when the words in brackets stand in it, by their names
 * @param clause 0 for a text without a number; otherwise how deep its number is counted, 1 to {@link #DEEPEST_CLAUSE}
 * @param medium whether it is told while filling, in the document, or both
 * @param shown when the notice is shown; null for always
 * @param looks how it looks, the first whose condition holds; plain where none does
 * @param folding how it folds
 */
public record Notice(
        String key,
        String text,
        @MayBeLeftOut List<Phrase> phrases,
        @MayBeLeftOut int clause,
        @MayBeLeftOut Medium medium,
        @Nullable Condition shown,
        @MayBeLeftOut List<LookRule> looks,
        @MayBeLeftOut Folding folding)
        implements Item {

    /** How deep clauses are counted in each other: 1, (a), (i). */
    public static final int DEEPEST_CLAUSE = 3;

    private static final int WORDS_IN_NAME = 6;

    public Notice {
        phrases = List.copyOf(phrases);
        looks = List.copyOf(looks);
    }

    /** A notice that is always shown. */
    public static Notice of(String key, String text) {
        return new Notice(key, text, List.of(), 0, Medium.BOTH, null, List.of(), Folding.PLAIN);
    }

    @Override
    public String name() {
        String plain = Prose.of(text).plain().strip();
        String[] words = plain.split("\\s+", WORDS_IN_NAME + 1);
        if (words.length <= WORDS_IN_NAME) {
            return plain.isEmpty() ? "Empty notice" : String.join(" ", words);
        }
        return String.join(" ", List.of(words).subList(0, WORDS_IN_NAME)) + " …";
    }

    /** This notice with another text. */
    public Notice withText(String text) {
        return new Notice(key, text, phrases, clause, medium, shown, looks, folding);
    }

    @Override
    public Notice withShown(@Nullable Condition shown) {
        return new Notice(key, text, phrases, clause, medium, shown, looks, folding);
    }

    /** This notice with other looks. */
    public Notice withLooks(List<LookRule> looks) {
        return new Notice(key, text, phrases, clause, medium, shown, looks, folding);
    }

    /** This notice folding in another way. */
    public Notice withFolding(Folding folding) {
        return new Notice(key, text, phrases, clause, medium, shown, looks, folding);
    }

    /** This notice under another key. */
    public Notice withKey(String key) {
        return new Notice(key, text, phrases, clause, medium, shown, looks, folding);
    }

    /** This notice with other phrases. */
    public Notice withPhrases(List<Phrase> phrases) {
        return new Notice(key, text, phrases, clause, medium, shown, looks, folding);
    }

    /** This notice as a clause of some depth, or none. */
    public Notice withClause(int clause) {
        return new Notice(key, text, phrases, clause, medium, shown, looks, folding);
    }

    /** This notice told elsewhere. */
    public Notice withMedium(Medium medium) {
        return new Notice(key, text, phrases, clause, medium, shown, looks, folding);
    }
}
