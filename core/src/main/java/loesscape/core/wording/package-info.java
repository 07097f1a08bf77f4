/** The logic of a document in plain sentences: what the margin says, and why an item is folded. */
@NullMarked
package loesscape.core.wording;

import org.jspecify.annotations.NullMarked;
