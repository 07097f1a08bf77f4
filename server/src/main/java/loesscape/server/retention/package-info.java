/** What ends: records, dispatches and fillings deleted with a reason or after some days, and all that is kept of a person. */
@NullMarked
package loesscape.server.retention;

import org.jspecify.annotations.NullMarked;
