/** Starting from the command line: options, checks before the start, commands without a server. */
@NullMarked
package loesscape.server.launch;

import org.jspecify.annotations.NullMarked;
