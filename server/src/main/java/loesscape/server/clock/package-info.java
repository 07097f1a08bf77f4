/** What time it is. */
@NullMarked
package loesscape.server.clock;

import org.jspecify.annotations.NullMarked;
