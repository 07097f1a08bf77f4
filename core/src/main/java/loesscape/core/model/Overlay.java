package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/**
 * What is drawn over the printed words of a page: they are struck out, ringed, or covered.
 *
 * @param key unique in the template
 * @param label what its author calls it; may be empty
 * @param shape what is drawn
 * @param words what stands on a cover; may be empty
 * @param shown when it is drawn; null for always
 */
public record Overlay(
        String key,
        @MayBeLeftOut String label,
        @MayBeLeftOut OverlayShape shape,
        @MayBeLeftOut String words,
        @Nullable Condition shown)
        implements Item {

    /** What is drawn. */
    public enum OverlayShape {
        /** A line through printed words. */
        STROKE,
        /** A line around one of printed alternatives. */
        RING,
        /** A white block over what does not apply. */
        COVER
    }

    @Override
    public String name() {
        if (!label.isEmpty()) {
            return label;
        }
        return switch (shape) {
            case STROKE -> "Stroke";
            case RING -> "Ring";
            case COVER -> "Cover";
        };
    }

    @Override
    public Overlay withShown(@Nullable Condition shown) {
        return new Overlay(key, label, shape, words, shown);
    }
}
