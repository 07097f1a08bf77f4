package loesscape.core.model;

import java.util.Locale;
import java.util.Set;

/**
 * How the document lies on its pages.
 *
 * @param spacing how far its items stand apart
 * @param paper what it is printed on
 * @param numbering what carries a number
 * @param language what its texts are written in, as an IETF language tag (BCP 47) such as {@code de} or {@code ar};
 *     empty for English
 */
public record PageSettings(
        @MayBeLeftOut Spacing spacing,
        @MayBeLeftOut Paper paper,
        @MayBeLeftOut Numbering numbering,
        @MayBeLeftOut String language) {

    /** How a document lies where its author says nothing of it. */
    public static final PageSettings PLAIN = new PageSettings(Spacing.NORMAL, Paper.A4, Numbering.SECTIONS, "");

    /** Languages that are mostly written from right to left (Unicode CLDR, layout orientation; from memory). */
    private static final Set<String> RIGHT_TO_LEFT =
            Set.of("ar", "arc", "ckb", "dv", "fa", "he", "ks", "nqo", "ps", "sd", "syr", "ug", "ur", "yi");

    /** How far items stand apart. */
    public enum Spacing {
        NORMAL,
        COMPACT,
        ROOMY
    }

    /** What is printed on. */
    public enum Paper {
        A4,
        LETTER
    }

    /** What carries a number. */
    public enum Numbering {
        /** All sections, those that are folded too, so that no number changes while it is filled in. */
        SECTIONS,
        /** The sections that the document has in the end. */
        SHOWN_SECTIONS,
        NONE
    }

    /** Whether its language is written from right to left. */
    public boolean isRightToLeft() {
        return RIGHT_TO_LEFT.contains(language.split("-", 2)[0].toLowerCase(Locale.ROOT));
    }
}
