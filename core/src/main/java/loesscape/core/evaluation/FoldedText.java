package loesscape.core.evaluation;

import java.text.Normalizer;
import java.util.Locale;
import loesscape.core.model.WhiteSpace;

/** Text as it is compared: without regard to case or to how accents are composed. */
final class FoldedText {

    private FoldedText() {}

    /** A form in which texts are compared: composed (NFC) and trimmed, and folded unless case is told apart. */
    static String comparable(String text, boolean matchCase) {
        return matchCase ? WhiteSpace.stripped(Normalizer.normalize(text, Normalizer.Form.NFC)) : comparable(text);
    }

    /**
     * A form that is equal for texts that differ only in case: composed (NFC), trimmed and in upper case, so that ß meets
     * SS and final sigma meets Σ. It is what {@code upper case} makes in formulas. The root locale keeps the Turkish
     * dotted and dotless i apart from the reader's language.
     */
    static String comparable(String text) {
        return WhiteSpace.stripped(Normalizer.normalize(text, Normalizer.Form.NFC))
                .toUpperCase(Locale.ROOT);
    }
}
