package loesscape.formats.paper;

import java.util.List;
import loesscape.formats.picture.SafePicture;
import org.jspecify.annotations.Nullable;

/**
 * How the paper of an organisation looks.
 *
 * @param organisation its name; may be empty
 * @param letterhead the lines beneath it at the head of the first page, such as its address; may be empty
 * @param footer what stands at the foot of every page before the page number; empty for what tells the document apart
 * @param accent the colour of rules and headings as {@code #rrggbb}; empty for the usual one
 * @param typeface what text is set in
 * @param logo at the head of the first page; null for none
 */
public record Theme(
        String organisation,
        List<String> letterhead,
        String footer,
        String accent,
        Typeface typeface,
        @Nullable SafePicture logo) {

    /** No organisation in particular. */
    public static final Theme PLAIN = new Theme("", List.of(), "", "", Typeface.SANS, null);

    /** What text is set in. */
    public enum Typeface {
        SANS,
        SERIF
    }

    public Theme {
        letterhead = List.copyOf(letterhead);
    }
}
