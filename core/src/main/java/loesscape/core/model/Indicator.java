package loesscape.core.model;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Shows how the answer to a field stands: the band in which its number lies, the choice that was made, or whether there
 * is an answer. Bands and choices show nothing while the answer is blank.
 *
 * @param key unique in the template
 * @param label the heading above the indicator; may be empty
 * @param follows the key of the field it follows
 * @param bands the ranges, lowest first; empty unless it follows a number
 * @param choices what it shows for each choice; empty unless it follows choices
 * @param presence what it shows of the mere presence of an answer; null unless it follows that
 * @param shown when the indicator is shown; null for always
 * @param folding how it folds
 */
public record Indicator(
        String key,
        @MayBeLeftOut String label,
        String follows,
        @MayBeLeftOut List<Band> bands,
        @MayBeLeftOut List<ChoiceSign> choices,
        @Nullable Presence presence,
        @Nullable Condition shown,
        @MayBeLeftOut Folding folding)
        implements Item {

    /** The identity of the sign for an answer that is there. */
    public static final String ANSWERED = "answered";

    /** The identity of the sign for an answer that is not there. */
    public static final String BLANK = "blank";

    /** Stands for the identity of what it shows where it shows nothing. */
    public static final String NOTHING = "";

    /** What is shown for one choice; the first of several chosen ones that has a sign. */
    public record ChoiceSign(String choice, Sign sign) {}

    /** What is shown while there is an answer, and while there is none. */
    public record Presence(Sign answered, Sign blank) {}

    public Indicator {
        bands = List.copyOf(bands);
        choices = List.copyOf(choices);
    }

    /** An indicator of bands that is always shown. */
    public static Indicator of(String key, String label, String follows, List<Band> bands) {
        return new Indicator(key, label, follows, bands, List.of(), null, null, Folding.PLAIN);
    }

    @Override
    public String name() {
        return label.isEmpty() ? "Indicator" : label;
    }

    /** What it shows under an identity: that of a band or a choice, {@link ANSWERED} or {@link BLANK}. */
    public Optional<Sign> sign(String id) {
        if (presence != null) {
            return Optional.of(id.equals(ANSWERED) ? presence.answered() : presence.blank());
        }
        Optional<Sign> band = bands.stream()
                .filter(each -> each.id().equals(id))
                .map(each -> new Sign(each.label(), each.look(), each.picture()))
                .findFirst();
        return band.isPresent()
                ? band
                : choices.stream()
                        .filter(each -> each.choice().equals(id))
                        .map(ChoiceSign::sign)
                        .findFirst();
    }

    /** This indicator with another heading. */
    public Indicator withLabel(String label) {
        return new Indicator(key, label, follows, bands, choices, presence, shown, folding);
    }

    /** This indicator following another field. */
    public Indicator withFollows(String follows) {
        return new Indicator(key, label, follows, bands, choices, presence, shown, folding);
    }

    /** This indicator with bands. */
    public Indicator withBands(List<Band> bands) {
        return new Indicator(key, label, follows, bands, choices, presence, shown, folding);
    }

    /** This indicator with signs for choices. */
    public Indicator withChoices(List<ChoiceSign> choices) {
        return new Indicator(key, label, follows, bands, choices, presence, shown, folding);
    }

    /** This indicator with signs for the presence of an answer. */
    public Indicator withPresence(@Nullable Presence presence) {
        return new Indicator(key, label, follows, bands, choices, presence, shown, folding);
    }

    @Override
    public Indicator withShown(@Nullable Condition shown) {
        return new Indicator(key, label, follows, bands, choices, presence, shown, folding);
    }

    /** This indicator folding in another way. */
    public Indicator withFolding(Folding folding) {
        return new Indicator(key, label, follows, bands, choices, presence, shown, folding);
    }

    /** This indicator under another key. */
    public Indicator withKey(String key) {
        return new Indicator(key, label, follows, bands, choices, presence, shown, folding);
    }
}
