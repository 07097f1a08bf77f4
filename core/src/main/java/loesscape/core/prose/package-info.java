/**
 * Texts as their authors write them: paragraphs, emphasis, places for answers, phrases that stand there sometimes, references
 * to clauses. Knows nothing of what the names in them mean. Begin at {@link loesscape.core.prose.Prose}.
 *
 * <pre>{@code
 * Prose text = Prose.of("The fee is **{fee}**[late: , and {surcharge} on top of it]. See clause {ref:payment}.");
 * text.merged(); // fee and surcharge, each with where it stands
 * Prose.renamed("{fee}", key -> "price"); // "{price}"
 * }</pre>
 */
@NullMarked
package loesscape.core.prose;

import org.jspecify.annotations.NullMarked;
