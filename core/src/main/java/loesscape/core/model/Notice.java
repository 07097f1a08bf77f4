package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/**
 * A text for the reader.
 *
 * @param key unique in the template
 * @param text plain text; a blank line starts a new paragraph
 * @param shown when the notice is shown; null for always
 */
public record Notice(String key, String text, @Nullable Condition shown) implements Item {

    private static final int WORDS_IN_NAME = 6;

    @Override
    public String name() {
        String[] words = text.strip().split("\\s+", WORDS_IN_NAME + 1);
        if (words.length <= WORDS_IN_NAME) {
            return text.isBlank() ? "Empty notice" : String.join(" ", words);
        }
        return String.join(" ", java.util.Arrays.copyOf(words, WORDS_IN_NAME)) + " …";
    }
}
