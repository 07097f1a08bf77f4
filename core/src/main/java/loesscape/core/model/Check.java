package loesscape.core.model;

/**
 * An author's own check on an answer. It runs while the field is shown and answered.
 *
 * @param refusedWhen when the answer is not accepted; what cannot be decided is no reason to refuse
 * @param message what is wrong and how to mend it, for the reader
 */
public record Check(Condition refusedWhen, String message) {}
