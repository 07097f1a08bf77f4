package loesscape.core.model;

/**
 * One of the choices of a field.
 *
 * @param id the identity, unique within the field; conditions and answers refer to it, and it never changes
 * @param label what the reader sees; free to change
 * @param stored what is stored and exported in place of the label; empty for the label
 */
public record Choice(String id, String label, @MayBeLeftOut String stored) {

    /** The identity of an answer in the filler's own words. */
    public static final String OTHER = "other";

    /** A choice that is stored by its label. */
    public static Choice of(String id, String label) {
        return new Choice(id, label, "");
    }

    /** What is stored and exported. */
    public String value() {
        return stored.isEmpty() ? label : stored;
    }
}
