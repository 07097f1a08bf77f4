package loesscape.core.model;

/**
 * A condition for finishing the document, beyond required answers and checks.
 *
 * @param when the document can be finished only while this holds; what cannot be decided does not hold
 * @param message what is to be done otherwise, for the reader
 */
public record FinishRule(Condition when, String message) {}
