/** What is kept, in H2 through plain SQL. */
@NullMarked
package loesscape.server.store;

import org.jspecify.annotations.NullMarked;
