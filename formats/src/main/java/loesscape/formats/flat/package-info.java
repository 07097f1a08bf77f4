/** Finds where a printed form without fields is to be filled in. Everything here is in points, from the upper left corner. */
@NullMarked
package loesscape.formats.flat;

import org.jspecify.annotations.NullMarked;
