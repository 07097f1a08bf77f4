/** Those who work here: signing in, what each may do, and the organisation they work for. */
@NullMarked
package loesscape.server.accounts;

import org.jspecify.annotations.NullMarked;
