package loesscape.core.model;

import org.jspecify.annotations.Nullable;

/**
 * How something looks. A shade is a checked set of text, fill and border colours, and never speaks alone: a mark, words
 * or bold go with it.
 *
 * @param shade the colours
 * @param bold whether the text is bold
 * @param mark a small sign beside the words
 * @param italic whether the text is slanted
 * @param words words that go with the mark; may be empty
 * @param colours colours of the author's own in place of the shade; null for the shade
 */
public record Look(
        @MayBeLeftOut Shade shade,
        @MayBeLeftOut boolean bold,
        @MayBeLeftOut Mark mark,
        @MayBeLeftOut boolean italic,
        @MayBeLeftOut String words,
        @Nullable Colours colours) {

    /** No particular look. */
    public static final Look PLAIN = of(Shade.PLAIN, false, Mark.NONE);

    /** A look of a shade, a mark, and bold or not. */
    public static Look of(Shade shade, boolean bold, Mark mark) {
        return new Look(shade, bold, mark, false, "", null);
    }

    /**
     * Colours of the author's own.
     *
     * @param text as {@code #rrggbb}
     * @param fill as {@code #rrggbb}
     * @param border as {@code #rrggbb}
     * @param despite why the text may be hard to read on its fill (below 4.5 to 1, WCAG 2.2, 1.4.3); empty where it is
     *     readable
     */
    public record Colours(
            String text,
            String fill,
            String border,
            @MayBeLeftOut String despite) {}

    /** A named set of colours, each readable on its own fill (WCAG 2.2, 1.4.3): on the screen as on paper. */
    public enum Shade {
        PLAIN("", "", ""),
        MOSS("#235536", "#dcefe2", "#8db89b"),
        RIVER("#174a70", "#dceaf5", "#8fb4d0"),
        STRAW("#5b4300", "#fbebb8", "#d9bc5a"),
        OCHRE("#6b4300", "#ffe7b3", "#d9a13f"),
        CLAY("#7e2415", "#fbe3df", "#c7644f"),
        STONE("#3b4744", "#e8ece9", "#a9b5b0");

        private final String text;
        private final String fill;
        private final String border;

        Shade(String text, String fill, String border) {
            this.text = text;
            this.fill = fill;
            this.border = border;
        }

        /** Its colours; null for the plain one, which has none of its own. */
        public @Nullable Colours colours() {
            return text.isEmpty() ? null : new Colours(text, fill, border, "");
        }
    }

    /** A small sign that stands beside the words of a band. */
    public enum Mark {
        NONE,
        TICK,
        DROP,
        EYE,
        WARNING,
        STOP
    }
}
