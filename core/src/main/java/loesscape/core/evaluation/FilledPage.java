package loesscape.core.evaluation;

import java.util.List;
import loesscape.core.model.Lettering;
import loesscape.core.model.Look;
import loesscape.core.model.Overlay;
import loesscape.core.model.Place;
import loesscape.core.model.SheetPage;

/**
 * A page of a PDF with what was written on it.
 *
 * @param key of the page of the document
 * @param sheet the page of the PDF
 * @param inks what stands on it, in the order of its questions; what covers comes first
 */
public record FilledPage(String key, SheetPage sheet, List<Ink> inks) {

    public FilledPage {
        inks = List.copyOf(inks);
    }

    /** What stands at a place. */
    public sealed interface Ink {

        /** Where. */
        Place place();

        /** What it answers, for those who cannot see where it stands; may be empty. */
        String label();

        /** An answer, text or indicator in words. */
        record Lettered(Place place, String label, String text, Look look) implements Ink {}

        /** The mark of a choice that was chosen. */
        record Ticked(Place place, String label, String choice, Lettering.Tick tick) implements Ink {}

        /**
         * A signature or initials.
         *
         * @param signed see {@link Content.Line.Signature#signed()}
         * @param role the key of the role that signs; empty for whoever fills in
         */
        record SignedHere(Place place, String label, String signed, String role) implements Ink {}

        /**
         * A picture.
         *
         * @param picture its name beside the template; empty where a file that was handed in stands there
         * @param file the identity of that file; empty for none
         */
        record PicturedHere(Place place, String label, String picture, String file) implements Ink {}

        /**
         * Something over printed words.
         *
         * @param words what stands on a cover; may be empty
         */
        record Drawn(Place place, String label, Overlay.OverlayShape shape, String words) implements Ink {}
    }
}
