package loesscape.core.model;

/**
 * Something that an author promises of a document: it is so for every possible set of answers, or it is told for which it is
 * not. Nothing in the document follows a promise; it is looked through at every edit.
 *
 * @param whenever where it is to be so; of an item in rows, asked in the same row
 * @param promised what is to be so there
 */
public record PromiseRule(Condition whenever, Promised promised) {}
