package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/**
 * A picture in the document: always the same, or the one that was given as an answer.
 *
 * @param key unique in the template
 * @param label what the picture shows, for those who cannot see it; may be empty for mere ornament
 * @param file the picture, by the name of its file beside the template; the stand-in where a field is followed. May be
 *     empty, and then nothing stands there
 * @param follows the key of a picture field whose answer is shown; empty for none
 * @param shown when it is shown; null for always
 * @param folding how it folds
 */
public record Picture(
        String key,
        @MayBeLeftOut String label,
        @MayBeLeftOut String file,
        @MayBeLeftOut String follows,
        @Nullable Condition shown,
        @MayBeLeftOut Folding folding)
        implements Item {

    @Override
    public String name() {
        return label.isEmpty() ? "Picture" : label;
    }

    @Override
    public Picture withShown(@Nullable Condition shown) {
        return new Picture(key, label, file, follows, shown, folding);
    }
}
