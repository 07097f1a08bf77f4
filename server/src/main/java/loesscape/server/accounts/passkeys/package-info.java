/** Passkeys: signing in with what a device has and its owner unlocks, beside passwords (W3C, Web Authentication Level 3). */
@NullMarked
package loesscape.server.accounts.passkeys;

import org.jspecify.annotations.NullMarked;
