/** A dispatch from its sending to the sealed document: turns, identity, payments, messages, webhooks. */
@NullMarked
package loesscape.server.signing;

import org.jspecify.annotations.NullMarked;
