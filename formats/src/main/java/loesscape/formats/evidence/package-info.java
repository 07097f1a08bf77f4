/** The trail of a dispatch: an append-only list of what happened, each entry chained by hash to the one before. */
@NullMarked
package loesscape.formats.evidence;

import org.jspecify.annotations.NullMarked;
