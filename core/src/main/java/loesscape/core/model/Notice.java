package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A text for the reader. Where it says <code>{key}</code>, the answer to that field stands in its place.
 *
 * @param key unique in the template
 * @param text plain text; a blank line starts a new paragraph
 * @param shown when the notice is shown; null for always
 * @param looks how it looks, the first whose condition holds; plain where none does
 * @param folding how it folds
 */
public record Notice(
        String key,
        String text,
        @Nullable Condition shown,
        @MayBeLeftOut List<LookRule> looks,
        @MayBeLeftOut Folding folding)
        implements Item {

    private static final int WORDS_IN_NAME = 6;

    public Notice {
        looks = List.copyOf(looks);
    }

    /** A notice that is always shown. */
    public static Notice of(String key, String text) {
        return new Notice(key, text, null, List.of(), Folding.PLAIN);
    }

    @Override
    public String name() {
        String[] words = text.strip().split("\\s+", WORDS_IN_NAME + 1);
        if (words.length <= WORDS_IN_NAME) {
            return text.isBlank() ? "Empty notice" : String.join(" ", words);
        }
        return String.join(" ", List.of(words).subList(0, WORDS_IN_NAME)) + " …";
    }

    /** This notice with another text. */
    public Notice withText(String text) {
        return new Notice(key, text, shown, looks, folding);
    }

    @Override
    public Notice withShown(@Nullable Condition shown) {
        return new Notice(key, text, shown, looks, folding);
    }

    /** This notice with other looks. */
    public Notice withLooks(List<LookRule> looks) {
        return new Notice(key, text, shown, looks, folding);
    }

    /** This notice folding in another way. */
    public Notice withFolding(Folding folding) {
        return new Notice(key, text, shown, looks, folding);
    }

    /** This notice under another key. */
    public Notice withKey(String key) {
        return new Notice(key, text, shown, looks, folding);
    }
}
