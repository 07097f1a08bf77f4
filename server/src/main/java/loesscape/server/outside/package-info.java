/** Small stand-ins for the world outside: mail, payment desk, certificate authority. Each can be looked into and made to fail. */
@NullMarked
package loesscape.server.outside;

import org.jspecify.annotations.NullMarked;
