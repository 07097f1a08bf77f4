/** What stands in front of every request, and what is told of it: hosts, connections, secrets, throttles, the security log. */
@NullMarked
package loesscape.server.platform.doors;

import org.jspecify.annotations.NullMarked;
