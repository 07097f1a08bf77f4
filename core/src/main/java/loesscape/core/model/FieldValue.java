package loesscape.core.model;

/** Where the value of a field comes from before anybody answers. */
public sealed interface FieldValue {

    /**
     * An answer that stands there from the beginning. Once the field was touched, what is typed counts, blank included.
     *
     * @param answer as it would be typed
     */
    record Starting(String answer) implements FieldValue {}

    /**
     * A value that is worked out. It is rounded to the decimals of its field, halves away from zero; what is not of the
     * field's kind is blank.
     *
     * @param formula in FEEL (see {@link loesscape.core.expression.Formula}), over the keys of fields
     * @param overtypable whether an answer that is typed counts in its place; otherwise the field is locked
     */
    record WorkedOut(String formula, @MayBeLeftOut boolean overtypable) implements FieldValue {}
}
