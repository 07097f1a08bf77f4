package loesscape.formats.paper;

import java.text.MessageFormat;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;
import java.util.ResourceBundle;
import loesscape.formats.export.RecordHeading;

/**
 * What the paper itself says, in the language of the document where these words are known in it, otherwise in English.
 * Dates are written as the Unicode CLDR has them.
 */
public final class PaperWords {

    private final ResourceBundle words;
    private final Locale language;

    /** The words for a document in a language; empty for English. */
    public PaperWords(String tag) {
        language = Locale.forLanguageTag(tag.isEmpty() ? "en-GB" : tag);
        words = ResourceBundle.getBundle(
                "loesscape.formats.paper.words.words",
                language,
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
    }

    /** The language in which these words are, which is not the document's where that one is not known. */
    public String language() {
        return words.getLocale().getLanguage().isEmpty() ? "en" : language.toLanguageTag();
    }

    /** The words of a name among the resources. */
    public String of(String key) {
        return words.getString(key);
    }

    /** The same with something in them. */
    public String of(String key, String what) {
        return new MessageFormat(words.getString(key), language).format(new Object[] {what});
    }

    /** What tells a record from others; one of no release by its number and when it was made. */
    public String record(RecordHeading heading) {
        if (heading.release() == 0) {
            return heading.number() + " · " + moment(heading.finished());
        }
        return new MessageFormat(words.getString("record"), language).format(new Object[] {
            Integer.toString(heading.number()), Integer.toString(heading.release()), moment(heading.finished())
        });
    }

    private String moment(Instant at) {
        Locale written = words.getLocale().getLanguage().isEmpty() ? Locale.UK : language;
        return DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG)
                        .withLocale(written)
                        .withZone(ZoneOffset.UTC)
                        .format(at)
                + DateTimeFormatter.ofPattern(", HH:mm 'UTC'", Locale.ROOT)
                        .withZone(ZoneOffset.UTC)
                        .format(at);
    }
}
