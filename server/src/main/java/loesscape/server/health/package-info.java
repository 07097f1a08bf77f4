/** How the server is, for those who keep it running. */
@NullMarked
package loesscape.server.health;

import org.jspecify.annotations.NullMarked;
