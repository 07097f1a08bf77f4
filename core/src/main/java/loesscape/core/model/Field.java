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
 * @param role the key of the role that answers it; empty for whoever fills in
 * @param shown when the field is shown; null for always
 * @param required when an answer is asked for; null for never
 * @param editable when it can be answered; null for always, otherwise it is locked
 * @param value where its value comes from before anybody answers; null for blank
 * @param bands how the field looks by the range its own number lies in; empty for always plain
 * @param looks how it looks, the first whose condition holds; where none does, by its bands
 * @param checks when an answer is not accepted, beyond the limits of its kind
 * @param folding how it folds
 * @param medium whether its answer stands in the document too; never in the document alone, for it has to be asked
 */
public record Field(
        String key,
        String label,
        @MayBeLeftOut String help,
        @MayBeLeftOut Width width,
        FieldKind kind,
        @MayBeLeftOut String role,
        @Nullable Condition shown,
        @Nullable Condition required,
        @Nullable Condition editable,
        @Nullable FieldValue value,
        @MayBeLeftOut List<Band> bands,
        @MayBeLeftOut List<LookRule> looks,
        @MayBeLeftOut List<Check> checks,
        @MayBeLeftOut Folding folding,
        @MayBeLeftOut Medium medium)
        implements Item {

    /** The part of a row that a field takes. */
    public enum Width {
        FULL,
        HALF,
        THIRD
    }

    public Field {
        bands = List.copyOf(bands);
        looks = List.copyOf(looks);
        checks = List.copyOf(checks);
    }

    /** A field of full width without any logic. */
    public static Field of(String key, String label, FieldKind kind) {
        return new Field(
                key,
                label,
                "",
                Width.FULL,
                kind,
                "",
                null,
                null,
                null,
                null,
                List.of(),
                List.of(),
                List.of(),
                Folding.PLAIN,
                Medium.BOTH);
    }

    /** Whether a person types the answer: not where the server gives it or a formula alone does. */
    public boolean isTyped() {
        return !kind.isGiven()
                && !(value instanceof FieldValue.WorkedOut(var ignored, var overtypable) && !overtypable);
    }

    /** The most characters of a label that serves as a name. */
    private static final int LONGEST_NAME = 28;

    /** The label where it is short; otherwise the words of the key, so that a long question has a handy name. */
    @Override
    public String name() {
        return label.length() <= LONGEST_NAME ? label : Keys.words(key);
    }

    /** Whether it can be answered with a choice of that identity; yes and no are such too. */
    public boolean hasChoice(String choice) {
        if (kind instanceof FieldKind.YesNo) {
            return choice.equals(FieldKind.YesNo.YES) || choice.equals(FieldKind.YesNo.NO);
        }
        return kind instanceof FieldKind.Choosing it
                && it.withOther().stream().anyMatch(each -> each.id().equals(choice));
    }

    /** This field under another key. */
    public Field withKey(String key) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with another label. */
    public Field withLabel(String label) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with another help line. */
    public Field withHelp(String help) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with another width. */
    public Field withWidth(Width width) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with another kind of answer. */
    public Field withKind(FieldKind kind) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field answered by another role. */
    public Field withRole(String role) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    @Override
    public Field withShown(@Nullable Condition shown) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with another condition for when it is required. */
    public Field withRequired(@Nullable Condition required) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with another condition for when it can be answered. */
    public Field withEditable(@Nullable Condition editable) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with its value coming from elsewhere. */
    public Field withValue(@Nullable FieldValue value) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with other bands. */
    public Field withBands(List<Band> bands) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with other looks. */
    public Field withLooks(List<LookRule> looks) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with other checks. */
    public Field withChecks(List<Check> checks) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field folding in another way. */
    public Field withFolding(Folding folding) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }

    /** This field with its answer standing elsewhere. */
    public Field withMedium(Medium medium) {
        return new Field(
                key, label, help, width, kind, role, shown, required, editable, value, bands, looks, checks, folding,
                medium);
    }
}
