package loesscape.core.model;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A question with its answer.
 *
 * @param key unique in the template; the name of the answer in files and exports
 * @param label the question
 * @param help a line that helps to answer; may be empty
 * @param width how much of the row the field takes
 * @param kind what kind of answer it takes
 * @param shown when the field is shown; null for always
 * @param required when an answer is asked for; null for never
 * @param editable when it can be answered; null for always, otherwise it is locked
 * @param bands how the field looks by the range its own number lies in; empty for always plain
 */
public record Field(
        String key,
        String label,
        @MayBeLeftOut String help,
        @MayBeLeftOut Width width,
        FieldKind kind,
        @Nullable Condition shown,
        @Nullable Condition required,
        @Nullable Condition editable,
        @MayBeLeftOut List<Band> bands)
        implements Item {

    /** The part of a row that a field takes. */
    public enum Width {
        FULL,
        HALF,
        THIRD
    }

    public Field {
        bands = List.copyOf(bands);
    }

    /** The most characters of a label that serves as a name. */
    private static final int LONGEST_NAME = 28;

    /** The label where it is short; otherwise the words of the key, so that a long question has a handy name. */
    @Override
    public String name() {
        return label.length() <= LONGEST_NAME ? label : Keys.words(key);
    }

    /** This field with another label. */
    public Field withLabel(String label) {
        return new Field(key, label, help, width, kind, shown, required, editable, bands);
    }

    /** This field with another help line. */
    public Field withHelp(String help) {
        return new Field(key, label, help, width, kind, shown, required, editable, bands);
    }

    /** This field with another width. */
    public Field withWidth(Width width) {
        return new Field(key, label, help, width, kind, shown, required, editable, bands);
    }

    /** This field with another kind of answer. */
    public Field withKind(FieldKind kind) {
        return new Field(key, label, help, width, kind, shown, required, editable, bands);
    }

    /** This field with another condition for when it is shown. */
    public Field withShown(@Nullable Condition shown) {
        return new Field(key, label, help, width, kind, shown, required, editable, bands);
    }

    /** This field with another condition for when it is required. */
    public Field withRequired(@Nullable Condition required) {
        return new Field(key, label, help, width, kind, shown, required, editable, bands);
    }

    /** This field with another condition for when it can be answered. */
    public Field withEditable(@Nullable Condition editable) {
        return new Field(key, label, help, width, kind, shown, required, editable, bands);
    }

    /** This field with other bands. */
    public Field withBands(List<Band> bands) {
        return new Field(key, label, help, width, kind, shown, required, editable, bands);
    }
}
