/**
 * Exact answers about every possible filling. Each field is cut into {@link loesscape.core.analysis.proof.Region regions},
 * sets of answers that no rule tells apart; conditions become {@link loesscape.core.analysis.proof.Gates gates} over
 * these; and what is {@link loesscape.core.analysis.proof.Claim claimed} of a document is decided for all answers at once
 * ({@link loesscape.core.analysis.proof.EveryFilling}), with an example that was tried, or not at all.
 */
@org.jspecify.annotations.NullMarked
package loesscape.core.analysis.proof;
