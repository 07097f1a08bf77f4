/** Pictures that authors bring along, made safe. */
@NullMarked
package loesscape.formats.picture;

import org.jspecify.annotations.NullMarked;
