/** What time it is, and what is done every so often. */
@NullMarked
package loesscape.server.platform.clock;

import org.jspecify.annotations.NullMarked;
