/** What every room stands on. */
@NullMarked
package loesscape.server.platform;

import org.jspecify.annotations.NullMarked;
