/** The lists and registers that fields look things up in. */
@NullMarked
package loesscape.server.lookups;

import org.jspecify.annotations.NullMarked;
