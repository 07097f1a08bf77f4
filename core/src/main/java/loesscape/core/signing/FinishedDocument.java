package loesscape.core.signing;

import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.Settled;

/**
 * A document that all have finished, built of what each of them gave.
 *
 * @param answers those that count, as they were typed
 * @param settled what stands as it stood when a turn ended; without it some of the answers would not count
 */
public record FinishedDocument(Answers answers, Settled settled) {}
