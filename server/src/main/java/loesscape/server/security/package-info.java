/** Who may do what: accounts, sign-in, secrets. */
@NullMarked
package loesscape.server.security;

import org.jspecify.annotations.NullMarked;
